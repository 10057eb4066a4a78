import type { Gaps } from '../board/place'
import type { Box } from '../geometry/shape'
import { breakLines, keptWhileBroken } from '../text/lines'
import { LINE_HEIGHT, textWidth } from '../text/measure'

export interface GapText {
  /** Words with the left end of their baseline's middle line: `y` is the middle of their line. */
  readonly words: readonly { readonly text: string; readonly x: number; readonly y: number; readonly width: number }[]
  readonly gaps: readonly Box[]
  /** From the top of the place to below the last line. */
  readonly height: number
  /** The place's own, or smaller where the text would run out of it. */
  readonly textSize: number
  /** It is read from the right. */
  readonly fromRight: boolean
}

const PADDING = 12
/** So small a text is set at the least where its place is too small for it; then it runs out below. */
const SMALLEST = 0.4
const STEP = 0.05

/** Letters of scripts that are written from the right (The Unicode Standard, Bidi_Class R and AL). */
const FROM_RIGHT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u
/** As UAX 9 has it (rules P2 and P3): the first letter that has a direction gives the paragraph its own. */
const isFromRight = (text: string) => FROM_RIGHT.test(/\p{L}/u.exec(text)?.[0] ?? '')

/**
 * Sets a text with gaps: words and gaps flow from the left, or from the right where the text is read so; a line is as
 * high as a gap or as its text, whichever is more; a line break in the text ends a line. A mark that follows a gap
 * directly (a full stop) stays with it. What would run out of its place is set smaller, gaps and all, until it fits.
 * Worked out once for each place: documents are never changed, only replaced.
 */
export const layoutGaps = keptWhileBroken((place: Gaps): GapText => {
  let set = setGaps(place, 1)
  for (let scale = 1 - STEP; set.height > place.shape.height + 1e-6 && scale >= SMALLEST; scale -= STEP)
    set = setGaps(place, scale)
  return set
})

function setGaps({ shape, text, textSize: full, gap: fullGap }: Gaps, scale: number): GapText {
  const textSize = full * scale
  const room = Math.max(1, shape.width - 2 * PADDING)
  const gap = { width: Math.min(room, fullGap.width * scale), height: fullGap.height * scale }
  const space = textWidth(' ', textSize)
  const line = Math.max(gap.height + 8 * scale, textSize * LINE_HEIGHT)
  const fromRight = isFromRight(text)
  const words: { text: string; x: number; y: number; width: number }[] = []
  const gaps: Box[] = []
  let [x, y] = [0, 0]
  const put = (part: string, width: number) => {
    const left = fromRight ? shape.x + shape.width - PADDING - x - width : shape.x + PADDING + x
    const middle = shape.y + PADDING + y + line / 2
    if (isGap(part)) gaps.push({ x: left, y: middle - gap.height / 2, ...gap })
    else words.push({ text: part, x: left, y: middle, width })
    x += width
  }
  for (const [i, paragraph] of text.split('\n').entries()) {
    if (i > 0) [x, y] = [0, y + line]
    for (const unit of paragraph.split(/ +/).filter(Boolean)) {
      const parts = unit
        .split(/(_{2,})/)
        .filter(Boolean)
        .flatMap(part => (isGap(part) ? [part] : breakLines(part, room, textSize)))
      const widths = parts.map(part => (isGap(part) ? gap.width : textWidth(part, textSize)))
      const whole = widths.reduce((a, b) => a + b, 0)
      if (x > 0 && x + whole > room) [x, y] = [0, y + line]
      parts.forEach((part, n) => {
        // What is wider than a line alone is parted where it must be.
        if (x > 0 && x + widths[n]! > room + 1e-6) [x, y] = [0, y + line]
        put(part, widths[n]!)
      })
      x += space
    }
  }
  return { words, gaps, height: 2 * PADDING + y + line, textSize, fromRight }
}

const isGap = (part: string) => part.startsWith('__')
