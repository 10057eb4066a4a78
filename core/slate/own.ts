import type { Board, Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PageId } from '../board/ids'
import type { Tool } from '../board/tools'
import { bounds, boxAround } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import type { Author } from './actor'
import type { Own } from './ownSchema'

export type { End, Own } from './ownSchema'

export const LONGEST_OWN_TEXT = 500
export const MOST_OWN_POINTS = 400
/** Of all that was ever made on a slate: what is taken away can come back. */
export const MOST_OWN = 600

/** Pictures of a slate, those included that were taken away. */
export const MOST_OWN_PICTURES = 40
/** Points: letters of three sizes, from as small as students' pieces to as large as instructions. */
export const TEXT_SIZES = { small: 14, medium: 20, large: 30 } as const
export type TextSize = keyof typeof TEXT_SIZES
/** Points: how wide a pen, a line, and the rim of a shape is. A highlighter is six times as wide. */
export const WIDTHS = { thin: 2, medium: 4, thick: 8 } as const
export type PenWidth = keyof typeof WIDTHS
export const HIGHLIGHTER_TIMES = 6
export const SHAPES = ['rectangle', 'ellipse', 'triangle', 'diamond'] as const
export const SIGNS = ['tick', 'cross', 'star', 'question', 'dot'] as const
/** Points: how large a sign is. */
export const SIGN_SIZE = 26

export type OwnKind = Own['kind']
export type OwnOnSlate = Own & {
  /** Who made it. */
  readonly by: Author
  /** Taken away; kept, so that it can come back. */
  readonly gone?: true | undefined
  /** A teacher lets nobody else see it. */
  readonly hidden?: true | undefined
}

interface OwnTrait<O extends Own> {
  /** Which tool of the teacher's makes it. */
  readonly tool: (own: O) => Tool
  /** Around what can be seen of it; null where that is for the place to say. */
  readonly box: (own: O) => Box | null
  readonly movedBy: (own: O, dx: number, dy: number) => O
  /** All points that have to lie on the page. */
  readonly points: (own: O) => readonly Point[]
}

const boxOf = (own: Box): Box => boxAround(own, own)
const moved = <O extends Point>(own: O, dx: number, dy: number): O => ({ ...own, x: own.x + dx, y: own.y + dy })
const pointsOfInk = (own: Extract<Own, { kind: 'ink' }>) => own.points.map(([x, y]) => ({ x, y }))

/** All that must be known of each kind, once. */
const TRAITS: { readonly [Kind in OwnKind]: OwnTrait<Extract<Own, { kind: Kind }>> } = {
  text: { tool: () => 'write', box: boxOf, movedBy: moved, points: own => [own] },
  note: { tool: () => 'note', box: boxOf, movedBy: moved, points: own => [own] },
  ink: {
    tool: own => own.pen.tip,
    box: own => bounds(pointsOfInk(own)),
    points: pointsOfInk,
    movedBy: (own, dx, dy) => ({
      ...own,
      points: own.points.map(([x, y, ...pressure]) => [x + dx, y + dy, ...pressure] as (typeof own.points)[number]),
    }),
  },
  line: {
    tool: own => (own.head ? 'arrow' : 'line'),
    box: own => bounds([own.from, own.to]),
    points: own => [own.from, own.to],
    movedBy: (own, dx, dy) => ({ ...own, from: moved(own.from, dx, dy), to: moved(own.to, dx, dy) }),
  },
  shape: { tool: () => 'shape', box: boxOf, movedBy: moved, points: own => [own] },
  picture: {
    tool: own => (own.from === 'camera' ? 'photo' : 'picture'),
    box: boxOf,
    movedBy: moved,
    points: own => [own],
  },
  sign: {
    tool: () => 'sign',
    box: ({ x, y }) => boxOf({ x, y, width: SIGN_SIZE, height: SIGN_SIZE }),
    movedBy: moved,
    points: own => [own],
  },
  colour: { tool: () => 'colour', box: () => null, movedBy: own => own, points: () => [] },
}
// A thing's kind picks its own traits; TypeScript can't follow that pairing through the lookup.
const traitsOf = (own: Own) => TRAITS[own.kind] as unknown as OwnTrait<Own>

export const toolOf = (own: Own): Tool => traitsOf(own).tool(own)
export const boxOfOwn = (own: Own): Box | null => traitsOf(own).box(own)
export const pointsOfOwn = (own: Own): readonly Point[] => traitsOf(own).points(own)

/** Moved by so much, and kept on the page. */
export function ownMoved(own: Own, dx: number, dy: number, { width, height }: Page): Own {
  const points = pointsOfOwn(own)
  if (points.length === 0) return own
  const room = bounds(points)
  const within = (by: number, at: number, length: number, most: number) =>
    Math.min(Math.max(by, -at), most - at - length)
  return traitsOf(own).movedBy(own, within(dx, room.x, room.width, width), within(dy, room.y, room.height, height))
}

/**
 * What students are given on a page: for the page, else for the board; and in a step what is given for that step
 * instead.
 */
export function toolsOn(board: Board, page: Page, step?: string | null): readonly Tool[] {
  const there = page.steps?.find(one => one.id === step)
  return there?.tools ?? page.tools ?? board.tools ?? []
}

/** What is given anywhere on a page, in whatever step. */
export const toolsAnywhereOn = (board: Board, page: Page): readonly Tool[] => [
  ...new Set([...toolsOn(board, page), ...(page.steps?.flatMap(step => step.tools ?? []) ?? [])]),
]

/** Whether the tool is given anywhere on the page: which step a student is at is not the slate's to know. */
export function mayUse(edition: Edition, id: PageId, tool: Tool): boolean {
  const page = edition.board.pages.find(one => one.id === id)
  return !!page && toolsAnywhereOn(edition.board, page).includes(tool)
}

/** Neither taken away nor hidden. */
export const isSeen = ({ gone, hidden }: Pick<OwnOnSlate, 'gone' | 'hidden'>): boolean => !gone && !hidden

/**
 * What was made on a page and can be seen, the first made first; with what is hidden for those who may see that too.
 */
export function ownOn(
  own: { readonly [id: string]: OwnOnSlate },
  id: PageId,
  withHidden = false,
): [string, OwnOnSlate][] {
  return Object.entries(own).filter(([, thing]) => !thing.gone && thing.page === id && (withHidden || !thing.hidden))
}

/** The one name of what fills a place or a cell, so that two who colour the same colour one thing. */
export const colourId = (place: string, cell?: readonly [row: number, column: number]) =>
  `colour-${place}${cell ? `-${cell[0]}-${cell[1]}` : ''}`
