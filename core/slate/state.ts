import type { Edition } from '../board/edition'
import { besideOf } from './beside'
import type { PieceId } from '../board/ids'
import type { Hand } from './hands'
import type { OwnOnSlate } from './own'
import { ringOf, topOf, type PieceChange, type Pieces } from './pieceRing'
import type { OnPage, Stroke } from './stateSchema'
import type { Weave } from './weave'

export type { OnPage, Stroke } from './stateSchema'

export const MOST_STROKES = 500
export const MOST_STROKE_POINTS = 400
/** Of all strokes of a slate together. */
export const MOST_INK_POINTS = 60_000
export const MOST_ARROWS = 400
/** Of all that is written on a slate together. */
export const MOST_LETTERS = 40_000
export const LONGEST_TEXT = 2000

/** All of a student's work. A piece that isn't named stands on the ledge; a copy that isn't named is not there. */
export interface SlateState {
  readonly pieces: Pieces
  readonly texts: { readonly [writtenIn: string]: string }
  readonly strokes: { readonly [stroke: string]: Stroke }
  readonly arrows: { readonly [fromTo: string]: true }
  readonly own: { readonly [thing: string]: OwnOnSlate }
  readonly hints: { readonly [of: string]: number }
  /** Of texts that were edited letter by letter, where each letter comes from; see `weave.ts`. */
  readonly weaves?: { readonly [thing: string]: Weave } | undefined
  /** Who touched what last, where more than one has; see `hands.ts`. */
  readonly hands?: { readonly [thing: string]: Hand } | undefined
}

export const emptySlate: SlateState = { pieces: {}, texts: {}, strokes: {}, arrows: {}, own: {}, hints: {} }

/** The slate as it is given out: staged pieces lie on the page, all others stand on the ledge. */
export function startOf(edition: Edition): SlateState {
  const staged = edition.board.pages.flatMap(
    page => Object.entries(page.staged ?? {}) as [PieceId, { x: number; y: number; turn?: number }][],
  )
  return staged.length === 0
    ? emptySlate
    : withPieces(
        emptySlate,
        staged.map(([id, at], z) => [id, { ...at, z }]),
      )
}

/**
 * Whether starting again would change nothing: ink that is rubbed out doesn't count, nor what is written beside the
 * pages.
 */
export function isUntouched(state: SlateState, edition: Edition): boolean {
  if (
    Object.keys(state.texts).some(name => !besideOf(name) || edition.pieces.get(name as PieceId))
    || Object.keys(state.arrows).length
    || Object.values(state.strokes).some(stroke => !stroke.gone)
    || Object.values(state.own).some(own => !own.gone)
  )
    return false
  const start = startOf(edition).pieces
  const lying = Object.entries(state.pieces) as [PieceId, OnPage][]
  return (
    lying.length === Object.keys(start).length
    && lying.every(
      ([id, { x, y, turn, flipped }]) => start[id]?.x === x && start[id].y === y && start[id].turn === turn && !flipped,
    )
  )
}

/** Zero for a slate on which nothing lies. */
export const top = ({ pieces }: SlateState): number => ringOf(pieces)?.top(pieces) ?? topOf(pieces)

/**
 * The slate with some pieces put (a position) or shelved (null). The slate given is not changed; while many moves are
 * made in a row, it is good until the next move is begun (`pieceRing.ts`).
 */
export function withPieces(state: SlateState, changes: Iterable<PieceChange>): SlateState {
  const all = [...changes]
  const inARow = ringOf(state.pieces)?.after(state.pieces, all)
  if (inARow) return { ...state, pieces: inARow }
  const [only] = all
  // Of most moves one piece alone: a copy with it is many times quicker than a map of all of them.
  if (only?.[1] && all.length === 1) return { ...state, pieces: { ...state.pieces, [only[0]]: only[1] } }
  const pieces = new Map(Object.entries(state.pieces) as [PieceId, OnPage][])
  for (const [id, position] of all) {
    if (position) pieces.set(id, position)
    else pieces.delete(id)
  }
  return { ...state, pieces: Object.fromEntries(pieces) }
}

/** The record with one entry set, or taken out where the value is undefined. The record given is not changed. */
export function withEntry<T>(
  record: { readonly [name: string]: T },
  name: string,
  value: T | undefined,
): Record<string, T> {
  const { [name]: _, ...others } = record
  return value === undefined ? others : { ...others, [name]: value }
}

/** Strokes that can be seen, in one place or everywhere, the first drawn first. */
export function strokesOf(state: SlateState, place?: string): [string, Stroke][] {
  return Object.entries(state.strokes).filter(([, stroke]) => !stroke.gone && (!place || stroke.place === place))
}

export const arrowName = (from: PieceId, to: PieceId) => `${from}>${to}`

/** Arrows whose two ends lie on the page. */
export function arrowsOf(state: SlateState): [PieceId, PieceId][] {
  return Object.keys(state.arrows)
    .map(name => name.split('>') as [PieceId, PieceId])
    .filter(([from, to]) => state.pieces[from] && state.pieces[to])
}

/** What can be said of a state from an older snapshot: what it doesn't know is empty. */
export const wholeState = (state: Partial<SlateState>): SlateState => ({ ...emptySlate, ...state })
