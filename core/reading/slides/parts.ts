import { turnedShape } from '../../design/turnedShape'
import { bounds, outline } from '../../geometry/outline'
import type { Box, Point } from '../../geometry/shape'
import { turnedAround } from '../../geometry/turned'
import { breakLines } from '../../text/lines'
import { LINE_HEIGHT } from '../../text/measure'
import { readableGround } from '../colours'
import type { Losses } from '../lost'
import { formIn, type FormName } from './forms'
import { LARGEST_TEXT, LONGEST_TEXT, SMALLEST_TEXT, type BoxPart, type Part, type Slide } from './slide'

/** Degrees from 0 to less than 360, whole ones. */
export const asTurn = (degrees: number) => ((Math.round(degrees) % 360) + 360) % 360

/** Words of a box: paragraphs parted by line feeds. */
export interface Words {
  readonly text: string
  readonly size: number
  readonly bold: boolean
  readonly fromLeft: boolean
}
export const NO_WORDS: Words = { text: '', size: 18, bold: false, fromLeft: false }

export interface Drawn extends Pick<BoxPart, 'line' | 'fill' | 'heading' | 'below'> {
  readonly box: Box
  readonly turn: number
  readonly form: FormName | readonly Point[]
  readonly mirror?: { readonly across?: boolean; readonly down?: boolean }
  readonly words: Words
}

const PADDING = 6

/** A box as a part; its words are set no larger than its room lets them, and of too many the last are left out. */
export function boxPart(drawn: Drawn, losses: Losses): BoxPart {
  const { box, turn, form, mirror, words, line, fill, heading, below } = drawn
  const upright = typeof form === 'string' ? formIn(box, form, mirror) : { kind: 'polygon' as const, points: [...form] }
  const text = cut(words.text.trim(), losses)
  return {
    kind: 'box',
    shape: turn ? turnedShape(upright, turn) : upright,
    box,
    turn,
    line,
    fill,
    text,
    textSize: text ? sizeIn({ ...words, text }, box) : bounded(words.size),
    bold: words.bold,
    fromLeft: words.fromLeft,
    heading,
    below,
  }
}

const bounded = (size: number) => Math.min(LARGEST_TEXT, Math.max(SMALLEST_TEXT, Math.round(size * 2) / 2))

function cut(text: string, losses: Losses): string {
  const letters = [...text]
  if (letters.length <= LONGEST_TEXT) return text
  losses.note('words-cut')
  return letters.slice(0, LONGEST_TEXT).join('')
}

/** Their own size, or as much smaller as it takes to stand in the box, down to half. */
function sizeIn({ text, size, bold }: Words, box: Box): number {
  const face = bold ? 'bold' : 'regular'
  const room = Math.max(40, box.width - 2 * PADDING)
  for (let share = 1; share > 0.5; share -= 0.05) {
    const lines = text.split('\n').flatMap(paragraph => breakLines(paragraph, room, size * share, { face }))
    if (lines.length * size * share * LINE_HEIGHT <= box.height + size * share) return bounded(size * share)
  }
  return bounded(size / 2)
}

/** The ends of a line that lies in a box, mirrored and turned about the middle of it. */
export function endsIn(box: Box, turn: number, mirror: { across?: boolean; down?: boolean }): [Point, Point] {
  const { x, y, width, height } = box
  const middle = { x: x + width / 2, y: y + height / 2 }
  const [left, right] = mirror.across ? [x + width, x] : [x, x + width]
  const [top, foot] = mirror.down ? [y + height, y] : [y, y + height]
  return [turnedAround(middle, { x: left, y: top }, turn), turnedAround(middle, { x: right, y: foot }, turn)]
}

/** A shape without words that covers nearly all of the page is its ground. */
const GROUND = 0.95

/**
 * A page with its parts: what lies wholly beside it is left out, a box that covers it all is its colour, and grounds
 * under words are as light as our dark words need.
 */
export function finishedSlide(slide: Slide, losses: Losses): Slide {
  const width = Math.min(PAGE.most, Math.max(PAGE.least, slide.width))
  const height = Math.min(PAGE.most, Math.max(PAGE.least, slide.height))
  let { colour } = slide
  const on = slide.parts.filter(part => isNear(part) && touches(boxAround(part), { x: 0, y: 0, width, height }))
  const parts: Part[] = []
  for (const part of on) {
    const fills = part.kind === 'box' && !part.text && part.fill !== null && part.shape.kind === 'rectangle'
    if (fills && covered(part.box, slide) >= GROUND && parts.every(below => below.kind !== 'picture'))
      colour = part.fill!
    else parts.push(part)
  }
  const lit = (ground: string) => {
    const readable = readableGround(ground)
    if (readable !== ground) losses.note('grounds-lightened')
    return readable
  }
  const heading = headingIn(parts, height)
  const onPage = parts.some(part => part.kind === 'box' && part.text && part.fill === null)
  return {
    ...slide,
    width,
    height,
    colour: onPage ? lit(colour) : colour,
    name: slide.name || (heading?.text ?? '').replace(/\s+/g, ' ').slice(0, 80),
    parts: parts.map(part => {
      if (part.kind !== 'box' || !part.text) return part
      return { ...part, ...(part === heading && { heading: true }), ...(part.fill && { fill: lit(part.fill) }) }
    }),
  }
}

/** Where nothing is called a heading: the words at the top, if they are larger than all others. */
function headingIn(parts: readonly Part[], height: number): BoxPart | null {
  const texts = parts.filter((part): part is BoxPart => part.kind === 'box' && part.text !== '' && !part.below)
  const single = (part: BoxPart) => !part.text.includes('\n')
  const [largest, next] = texts.toSorted((a, b) => b.textSize - a.textSize)
  if (!largest || !next || texts.some(part => part.heading)) return null
  const first = single(largest) && texts.every(part => part === largest || part.box.y >= largest.box.y)
  return first && largest.textSize > next.textSize && largest.box.y < height / 3 ? largest : null
}

/** As far as a board can have it: see the schemas of shapes and pages. */
const FARTHEST = 19_000
const PAGE = { least: 100, most: 5000 } as const
const isNear = (part: Part): boolean => {
  const { x, y, width, height } = boxAround(part)
  return [x, y, x + width, y + height].every(n => Math.abs(n) <= FARTHEST)
}

const boxAround = (part: Part): Box =>
  part.kind === 'line'
    ? {
        x: Math.min(part.from.x, part.to.x),
        y: Math.min(part.from.y, part.to.y),
        width: Math.abs(part.from.x - part.to.x),
        height: Math.abs(part.from.y - part.to.y),
      }
    : part.kind === 'box'
      ? bounds(outline(part.shape))
      : part.box

const touches = (a: Box, b: Box) =>
  a.x < b.x + b.width && a.x + a.width > b.x && a.y < b.y + b.height && a.y + a.height > b.y

/** The share of the page that a box covers. */
export function covered(box: Box, page: { readonly width: number; readonly height: number }): number {
  const across = Math.min(box.x + box.width, page.width) - Math.max(box.x, 0)
  const down = Math.min(box.y + box.height, page.height) - Math.max(box.y, 0)
  return (Math.max(0, across) * Math.max(0, down)) / (page.width * page.height)
}
