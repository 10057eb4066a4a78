import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
import { ok, refuse } from '../../result'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { withPieces } from '../state'
import { refusalFor, tidied } from './position'

/** A piece on the page is turned to so many degrees, or flipped to its other side; only pieces that may be. */
export const TurnSchema = v.object({
  kind: v.literal('turn'),
  piece: OnSlateIdSchema,
  turn: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(359)),
  flipped: v.boolean(),
})
export type Turn = v.InferOutput<typeof TurnSchema>

export const turn: Operation<'turn', Turn> = {
  kind: 'turn',
  things: ({ piece }) => [thingName('piece', piece)],
  apply(state, { piece: item, turn, flipped }, edition) {
    const refusal = refusalFor(edition, item)
    if (refusal) return refuse(refusal)
    const lies = state.pieces[item]
    return lies
      ? ok(withPieces(state, [[item, tidied({ ...lies, turn, flipped })]]))
      : refuse({ code: 'not-allowed', item })
  },
  invert(before, { piece }) {
    const { turn = 0, flipped = false } = before.pieces[piece] ?? {}
    return { kind: 'turn', piece, turn, flipped }
  },
}
