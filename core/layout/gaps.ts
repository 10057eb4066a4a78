import type { Gaps } from '../board/place'
import type { Box } from '../geometry/shape'
import { LINE_HEIGHT, textWidth } from '../text/measure'

export interface GapText {
  /** Words with the left end of their baseline's middle line: `y` is the middle of their line. */
  readonly words: readonly { readonly text: string, readonly x: number, readonly y: number }[]
  readonly gaps: readonly Box[]
  /** From the top of the place to below the last line: more than the place's own height where the text is too long. */
  readonly height: number
}

const PADDING = 12
const known = new WeakMap<Gaps, GapText>()

/**
 * Sets a text with gaps: words and gaps flow from the left, a line is as high as a gap or as its text, whichever is more;
 * a line break in the text ends a line. A mark that follows a gap directly (a full stop) stays with it. Worked out once
 * for each place: documents are never changed, only replaced.
 */
export function layoutGaps(place: Gaps): GapText {
  const before = known.get(place)
  if (before) return before
  const set = setGaps(place)
  known.set(place, set)
  return set
}

function setGaps({ shape, text, textSize, gap }: Gaps): GapText {
  const space = textWidth(' ', textSize)
  const line = Math.max(gap.height + 8, textSize * LINE_HEIGHT)
  const room = shape.width - 2 * PADDING
  const words: { text: string, x: number, y: number }[] = []
  const gaps: Box[] = []
  let [x, y] = [0, 0]
  for (const [i, paragraph] of text.split('\n').entries()) {
    if (i > 0) [x, y] = [0, y + line]
    for (const unit of paragraph.split(/ +/).filter(Boolean)) {
      const parts = unit.split(/(_{2,})/).filter(Boolean)
      const widths = parts.map(part => part.startsWith('__') ? gap.width : textWidth(part, textSize))
      const whole = widths.reduce((a, b) => a + b, 0)
      if (x > 0 && x + whole > room) [x, y] = [0, y + line]
      parts.forEach((part, n) => {
        const [left, middle] = [shape.x + PADDING + x, shape.y + PADDING + y + line / 2]
        if (part.startsWith('__')) gaps.push({ x: left, y: middle - gap.height / 2, ...gap })
        else words.push({ text: part, x: left, y: middle })
        x += widths[n]!
      })
      x += space
    }
  }
  return { words, gaps, height: 2 * PADDING + y + line }
}
