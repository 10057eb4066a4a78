import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
import { LengthSchema } from '../../geometry/shape'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { top, withPieces } from '../state'
import { HeightSchema } from '../stateSchema'
import { refusalFor, tidied } from './position'

/**
 * A piece is put on its page, from the ledge, from its bin (a copy with a new name) or from where it lay. Without `z`
 * it comes to lie on top; without `turn` and `flipped` it keeps them as they were.
 */
export const PutSchema = v.object({
  kind: v.literal('put'),
  piece: OnSlateIdSchema,
  x: LengthSchema,
  y: LengthSchema,
  z: v.optional(HeightSchema),
  turn: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(359))),
  flipped: v.optional(v.boolean()),
})
export type Put = v.InferOutput<typeof PutSchema>

export const put: Operation<'put', Put> = {
  kind: 'put',
  things: ({ piece }) => [thingName('piece', piece)],
  check: (_, { piece, x, y }, edition) => refusalFor(edition, piece, { x, y }),
  perform(state, { piece, x, y, z, turn, flipped }, edition) {
    if (!edition.pieces.get(piece)) return state
    const before = state.pieces[piece]
    return withPieces(state, [
      [
        piece,
        tidied({ x, y, z: z ?? top(state) + 1, turn: turn ?? before?.turn, flipped: flipped ?? before?.flipped }),
      ],
    ])
  },
  invert(before, { piece }) {
    const position = before.pieces[piece]
    return position
      ? { kind: 'put', piece, ...position, turn: position.turn ?? 0, flipped: position.flipped ?? false }
      : { kind: 'shelve', piece }
  },
}
