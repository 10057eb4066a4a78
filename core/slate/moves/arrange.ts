import * as v from 'valibot'
import { MOST_PIECES } from '../../board/sizes'
import { OnSlateIdSchema, type PieceId } from '../../board/ids'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { withPieces, type OnPage } from '../state'
import { OnPageSchema } from '../stateSchema'
import { onBoard, refusalFor } from './position'

/** Several pieces at once: a position, or null for the ledge. If one can't go there, none goes. */
export const ArrangeSchema = v.object({
  kind: v.literal('arrange'),
  pieces: v.pipe(
    v.record(OnSlateIdSchema, v.nullable(OnPageSchema)),
    v.maxEntries(MOST_PIECES, 'Too many pieces in one move'),
  ),
})
export type Arrange = v.InferOutput<typeof ArrangeSchema>

const entriesOf = (pieces: Arrange['pieces']) => Object.entries(pieces) as [PieceId, OnPage | null][]

export const arrange: Operation<'arrange', Arrange> = {
  kind: 'arrange',
  things: ({ pieces }) => Object.keys(pieces).map(id => thingName('piece', id)),
  limitedTo({ pieces }, keep) {
    const kept = entriesOf(pieces).filter(([id]) => keep(thingName('piece', id)))
    return kept.length ? { kind: 'arrange', pieces: Object.fromEntries(kept) } : null
  },
  check(_, { pieces }, edition) {
    for (const [piece, position] of entriesOf(pieces)) {
      const refusal = refusalFor(edition, piece, position ?? undefined)
      if (refusal) return refusal
    }
    return null
  },
  perform: (state, { pieces }, edition) => withPieces(state, onBoard(edition, entriesOf(pieces))),
  invert(before, { pieces }) {
    return {
      kind: 'arrange',
      pieces: Object.fromEntries(entriesOf(pieces).map(([id]) => [id, before.pieces[id] ?? null])),
    }
  },
}
