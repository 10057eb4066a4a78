import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
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
  check: (state, { piece: item }, edition) =>
    refusalFor(edition, item) ?? (state.pieces[item] ? null : { code: 'not-allowed', item }),
  perform(state, { piece, turn, flipped }) {
    const lies = state.pieces[piece]
    return lies ? withPieces(state, [[piece, tidied({ ...lies, turn, flipped })]]) : state
  },
  invert(before, { piece }) {
    const { turn = 0, flipped = false } = before.pieces[piece] ?? {}
    return { kind: 'turn', piece, turn, flipped }
  },
}
