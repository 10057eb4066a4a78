import type { Fill, Ink } from '../board/inks'
import type { PieceId } from '../board/ids'
import type { Tool } from '../board/tools'
import { within } from '../geometry/area'
import { boxAround, outlined, rimTowards } from '../geometry/outline'
import type { Point, Size } from '../geometry/shape'
import { NOTE_SIZE } from '../layout/fitWords'
import { smallest } from '../placement/landing'
import { roomFor } from '../placement/roomFor'
import type { Table } from '../placement/table'
import { turnedSize } from '../bodies/straight'
import { LINE_HEIGHT } from '../text/measure'
import type { Author } from '../slate/actor'
import type { Move, MoveOf } from '../slate/move'
import { bare } from '../slate/moves/own'
import {
  colourId,
  ownMoved,
  TEXT_SIZES,
  type End,
  type Own,
  type OwnOnSlate,
  type PenWidth,
  type SHAPES,
  type SIGNS,
  type TextSize,
} from '../slate/own'
import { piecesOf } from '../slate/pieces'

/** What hands do on the page with a tool: point at a spot, go from here to there, or draw a line of points. */
export type Gesture =
  | { readonly how: 'spot'; readonly at: Point }
  | { readonly how: 'span'; readonly from: Point; readonly to: Point }
  | { readonly how: 'trace'; readonly points: Extract<Own, { kind: 'ink' }>['points'] }

/** Which of them each tool is used with; null for what is chosen first, and laid then. */
export const GESTURES = {
  write: 'spot',
  note: 'spot',
  pen: 'trace',
  highlighter: 'trace',
  line: 'span',
  arrow: 'span',
  shape: 'span',
  sign: 'spot',
  colour: 'spot',
  picture: null,
  photo: null,
} as const satisfies Record<Tool, Gesture['how'] | null>

/** How things are to look that are made next. */
export interface Choice {
  readonly ink: Ink
  readonly fill: Fill
  /** Of a shape; a highlighter and a colour always have one. */
  readonly filled: boolean
  readonly wide: PenWidth
  readonly size: TextSize
  readonly shape: (typeof SHAPES)[number]
  readonly sign: (typeof SIGNS)[number]
}
/** What of it is chosen among names. */
export type Setting = Exclude<keyof Choice, 'filled'>
export const FIRST_CHOICE: Choice = {
  ink: 'graphite',
  fill: 'straw',
  filled: false,
  wide: 'medium',
  size: 'medium',
  shape: 'rectangle',
  sign: 'tick',
}

const WIDEST_TEXT = 240
/** A shape, or a line, shorter than this was a slip of the hand. */
const SHORTEST = 8

/** What a gesture with a tool makes on the page; null where it makes nothing. Words and notes are empty at first. */
export function ownFrom(tool: Tool, choice: Choice, gesture: Gesture, table: Table): Own | null {
  const made = madeFrom(tool, choice, gesture, table)
  return made && ownMoved(made, 0, 0, table.page)
}

function madeFrom(
  tool: Tool,
  { ink, fill, filled, wide, size, shape, sign }: Choice,
  gesture: Gesture,
  table: Table,
): Own | null {
  const page = table.page.id
  if (gesture.how === 'trace') {
    if (tool !== 'pen' && tool !== 'highlighter') return null
    return gesture.points.length
      ? {
          kind: 'ink',
          page,
          wide,
          points: gesture.points,
          pen: tool === 'pen' ? { tip: 'pen', ink } : { tip: 'highlighter', fill },
        }
      : null
  }
  if (gesture.how === 'span') {
    const { from, to } = gesture
    if (Math.hypot(to.x - from.x, to.y - from.y) < SHORTEST) return null
    if (tool === 'line' || tool === 'arrow')
      return { kind: 'line', page, ink, wide, head: tool === 'arrow', from: endAt(from, table), to: endAt(to, table) }
    if (tool !== 'shape') return null
    const box = {
      width: Math.max(SHORTEST, Math.abs(to.x - from.x)),
      height: Math.max(SHORTEST, Math.abs(to.y - from.y)),
    }
    return {
      kind: 'shape',
      page,
      x: (from.x + to.x) / 2,
      y: (from.y + to.y) / 2,
      ...box,
      ink,
      wide,
      shape,
      fill: filled ? fill : null,
    }
  }
  const { at } = gesture
  switch (tool) {
    case 'write': {
      const width = Math.min(WIDEST_TEXT, Math.max(60, table.page.width - at.x))
      return {
        kind: 'text',
        page,
        x: at.x + width / 2,
        y: at.y,
        width,
        height: TEXT_SIZES[size] * LINE_HEIGHT,
        ink,
        size,
        text: '',
      }
    }
    case 'note':
      return { kind: 'note', page, ...at, ...NOTE_SIZE, fill, text: '' }
    case 'sign':
      return { kind: 'sign', page, ...at, ink, sign }
    case 'colour':
      return colourAt(at, fill, table)
    case 'pen':
    case 'highlighter':
    case 'line':
    case 'arrow':
    case 'shape':
    case 'picture':
    case 'photo':
      return null
  }
}

/** So large at most, of the page's sides, is a picture when it is laid. */
const PICTURE_SHARE = 0.4

/**
 * A picture where there is room for it, near a point of the page, as large as it well may be there; its sides keep
 * their proportions. `size` is in any unit.
 */
export function pictureFrom(
  picture: Pick<Extract<Own, { kind: 'picture' }>, 'picture' | 'from' | 'alt'>,
  size: Size,
  table: Table,
  near: Point,
): Own {
  const { page } = table
  const by = Math.min((page.width * PICTURE_SHARE) / size.width, (page.height * PICTURE_SHARE) / size.height)
  const side = (length: number) => Math.max(LEAST_SIDE, Math.round(length * by))
  const sides = { width: side(size.width), height: side(size.height) }
  return { kind: 'picture', page: page.id, ...roomFor(table, sides, near), ...sides, ...picture }
}

/** On the topmost piece that lies there, a line stays with it. */
function endAt({ x, y }: Point, { state, page, edition }: Table): End {
  const here = piecesOf(state, page, edition).flatMap(piece => {
    const lies = state.pieces[piece.id]
    if (!lies) return []
    const box = boxAround(lies, turnedSize(edition.pieces.get(piece.id)!.master, lies.turn))
    return x >= box.x && y >= box.y && x <= box.x + box.width && y <= box.y + box.height
      ? [{ id: piece.id, z: lies.z }]
      : []
  })
  const top = here.reduce<{ id: PieceId; z: number } | null>(
    (best, one) => (best && best.z >= one.z ? best : one),
    null,
  )
  return { x, y, ...(top && { on: top.id }) }
}

/** The smallest place under the point that has room to colour; of a grid the cell. */
function colourAt({ x, y }: Point, fill: Fill, { page }: Table): Own | null {
  const place = smallest(page.places.filter(one => one.kind !== 'pin' && within(outlined(one.shape).points, { x, y })))
  if (!place) return null
  if (place.kind !== 'grid') return { kind: 'colour', page: page.id, place: place.id, fill }
  const { shape, rows, columns } = place
  const cell = (at: number, from: number, size: number, most: number) =>
    Math.min(most - 1, Math.max(0, Math.floor(((at - from) / size) * most)))
  return {
    kind: 'colour',
    page: page.id,
    place: place.id,
    cell: [cell(y, shape.y, shape.height, rows), cell(x, shape.x, shape.width, columns)],
    fill,
  }
}

/** The move that makes it. What is coloured with the same colour again is wiped. */
export function makeMove(as: Own, own: Table['state']['own'], name: string, by: Author): Move {
  if (as.kind !== 'colour') return { kind: 'own', thing: name, as, by }
  const thing = colourId(as.place, as.cell)
  const before = own[thing]
  const again = before && !before.gone && before.kind === 'colour' && before.fill === as.fill
  return { kind: 'own', thing, as, by: before?.by ?? by, ...(again && { gone: true }) }
}

/** The thing changed, whoever changes it: it stays whose it is. */
export const changeMove = (thing: string, was: OwnOnSlate, to: Own): MoveOf<'own'> => ({
  kind: 'own',
  thing,
  as: to,
  by: was.by,
  ...('text' in was && { words: 'kept' as const }),
})
export const takeAwayMove = (thing: string, was: OwnOnSlate): MoveOf<'own'> => ({
  ...changeMove(thing, was, bare(was)),
  gone: true,
})

const GROWTH = 1.2
const LEAST_SIDE = 24

/** A step larger or smaller: words by their size, boxes by a fifth on each side; what has no size is as it was. */
export function resized(own: Own, larger: boolean, page: Table['page']): Own {
  const by = larger ? GROWTH : 1 / GROWTH
  const grown = (side: number, most: number) => Math.min(most, Math.max(LEAST_SIDE, Math.round(side * by)))
  switch (own.kind) {
    case 'text':
      return {
        ...own,
        size: SIZE_NAMES[
          Math.min(SIZE_NAMES.length - 1, Math.max(0, SIZE_NAMES.indexOf(own.size) + (larger ? 1 : -1)))
        ]!,
      }
    case 'picture':
      return sized(own, by, page)
    case 'note':
    case 'shape':
      return { ...own, width: grown(own.width, page.width), height: grown(own.height, page.height) }
    case 'ink':
    case 'line':
    case 'sign':
    case 'colour':
      return own
  }
}
/** Both sides by as much, as far as the page and the least side let them. */
function sized(own: Extract<Own, { kind: 'picture' }>, by: number, page: Table['page']): Own {
  const most = Math.min(page.width / own.width, page.height / own.height)
  const least = LEAST_SIDE / Math.min(own.width, own.height)
  const factor = Math.min(most, Math.max(Math.min(1, least), by))
  return {
    ...own,
    width: Math.max(4, Math.round(own.width * factor)),
    height: Math.max(4, Math.round(own.height * factor)),
  }
}
const SIZE_NAMES = Object.keys(TEXT_SIZES) as TextSize[]
export const hasSize = ({ kind }: Own) => kind === 'text' || kind === 'note' || kind === 'shape' || kind === 'picture'

/**
 * Both ends of a line as they are now: on the rim of a piece that lies there, on the side of the other end; else where
 * they were drawn.
 */
export function endsOf(
  { from, to }: Extract<Own, { kind: 'line' }>,
  { state, edition }: Pick<Table, 'state' | 'edition'>,
): { readonly from: Point; readonly to: Point } {
  const middle = (end: End): Point => (end.on && state.pieces[end.on] ? state.pieces[end.on]! : end)
  const rim = (end: End, towards: Point): Point => {
    const lies = end.on && state.pieces[end.on]
    return lies
      ? rimTowards(lies, turnedSize(edition.pieces.get(end.on!)!.master, lies.turn), towards)
      : { x: end.x, y: end.y }
  }
  return { from: rim(from, middle(to)), to: rim(to, middle(from)) }
}
