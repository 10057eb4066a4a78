import { emptyBoard, readBoard, type Board } from '../core/board/board'
import { makeEdition } from '../core/board/edition'
import type { Figure } from '../core/board/backdrop'
import type { Shape } from '../core/geometry/shape'
import type { Piece } from '../core/board/piece'
import type { Place } from '../core/board/place'
import { withPage } from '../core/design/lookup'
import { readWork } from '../core/format/work'
import { markSlate } from '../core/keys/mark'
import type { ItemMark } from '../core/keys/outcome'
import type { SlateState } from '../core/slate/state'
import { keyId, masterId, pageId, pieceId } from './boards'

/** Boards with one key, for what the keys say of work on them. Lengths are points. */
const SIZE = { width: 40, height: 20 }
export const SIZES = {
  m: { kind: 'tile' as const, ...SIZE },
  card: { kind: 'card' as const, width: 80, height: 48 },
  label: { kind: 'label' as const, width: 80, height: 24 },
  cover: { kind: 'cover' as const, width: 40, height: 40 },
  xx: { kind: 'tile' as const, width: 90, height: 90 },
  x: { kind: 'tile' as const, width: 90, height: 30 },
  one: { kind: 'tile' as const, width: 30, height: 30 },
}
const base = () => ({
  ...emptyBoard('Test', pageId('page'), 1),
  masters: Object.entries(SIZES).map(([id, master]) => ({ id: masterId(id), textSize: 12, ...master })),
})
export const tile = (id: string, value: string, more: object = {}): Piece => ({
  kind: 'tile',
  id: pieceId(id),
  master: masterId('m'),
  text: value,
  value,
  ...more,
})
export const card = (id: string, more: object = {}): Piece => ({
  kind: 'card',
  id: pieceId(id),
  master: masterId('card'),
  text: id,
  ...more,
})
export const box = (x: number, y: number, width: number, height: number) => ({
  kind: 'rectangle' as const,
  x,
  y,
  width,
  height,
})

/** A page with these places, pieces and key; it must pass the board's own check. */
export function boardOf(
  places: Place[],
  pieces: Piece[],
  key: Record<string, unknown> | null,
  page: {
    height?: number
    figures?: Figure[]
    arrows?: boolean
    staged?: Record<string, { x: number; y: number }>
  } = {},
): Board {
  const { figures, ...more } = page
  const board = withPage(base(), pageId('page'), p => ({
    ...p,
    ...more,
    places,
    pieces,
    ledge: pieces.map(x => x.id),
    backdrop: { ...p.backdrop, ...(figures && { figures }) },
  }))
  const read = readBoard({ ...board, keys: key ? [{ id: keyId('k'), page: pageId('page'), ...key }] : [] })
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return read.value
}

/** The slate on which all this was done; it must be something that a student can do on that board. */
export function slateOf(
  board: Board,
  work: { pieces?: object; texts?: object; arrows?: object[]; strokes?: object[] },
): SlateState {
  const read = readWork({ format: 'dappled-slate/work', version: 1, pieces: {}, ...work }, makeEdition(board))
  if (!read.ok) throw new Error(read.reason)
  return read.value
}

export type Spots = Record<string, readonly [x: number, y: number, turn?: number]>
const lying = (at: Spots) =>
  Object.fromEntries(Object.entries(at).map(([id, [x, y, turn]], z) => [id, { x, y, z, ...(turn && { turn }) }]))

/** Marks with the pieces lying at these centres; those not named stand on the ledge. */
export function mark(
  board: Board,
  at: Spots,
  work: Omit<Parameters<typeof slateOf>[1], 'pieces'> = {},
): readonly ItemMark[] {
  return markSlate(slateOf(board, { pieces: lying(at), ...work }), makeEdition(board))[0]!.items
}
export const verdicts = (marks: readonly ItemMark[]) => Object.fromEntries(marks.map(m => [m.item, m.verdict]))

export const polygon = (points: readonly (readonly [number, number])[]): Shape => ({
  kind: 'polygon',
  points: points.map(([x, y]) => ({ x, y })),
})
