import * as v from 'valibot'
import { PieceIdSchema, type PieceId } from '../board/ids'
import { LengthSchema } from '../geometry/shape'

/** x and y are the centre of the piece, so that a corrected edition may change its size and it still lies there. */
export const OnPageSchema = v.object({
  x: LengthSchema,
  y: LengthSchema,
  /** Higher lies on top; the last one moved is the highest. */
  z: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000_000)),
})

/** Where the pieces of one slate are. A piece that isn't named stands on the ledge. */
export const SlateStateSchema = v.object({ pieces: v.record(PieceIdSchema, OnPageSchema) })

export type OnPage = v.InferOutput<typeof OnPageSchema>
export interface SlateState { readonly pieces: { readonly [piece: PieceId]: OnPage } }

export const emptySlate: SlateState = { pieces: {} }

/** Zero for a slate on which nothing lies. */
export function top(state: SlateState): number {
  return Object.values(state.pieces).reduce((highest, { z }) => Math.max(highest, z), 0)
}

/** The slate with some pieces put (a position) or shelved (null). The slate given is not changed. */
export function withPieces(state: SlateState, changes: Iterable<readonly [PieceId, OnPage | null]>): SlateState {
  const pieces = new Map(Object.entries(state.pieces) as [PieceId, OnPage][])
  for (const [id, position] of changes) {
    if (position) pieces.set(id, position)
    else pieces.delete(id)
  }
  return { pieces: Object.fromEntries(pieces) }
}
