import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { withPieces } from '../state'
import { refusalFor } from './position'

/** A piece goes back to the ledge, a copy back into its bin. If it is there already, nothing changes. */
export const ShelveSchema = v.object({ kind: v.literal('shelve'), piece: OnSlateIdSchema })
export type Shelve = v.InferOutput<typeof ShelveSchema>

export const shelve: Operation<'shelve', Shelve> = {
  kind: 'shelve',
  things: ({ piece }) => [thingName('piece', piece)],
  check: (_, { piece }, edition) => refusalFor(edition, piece),
  perform: (state, { piece }) => withPieces(state, [[piece, null]]),
  invert(before, { piece }) {
    const position = before.pieces[piece]
    return position ? { kind: 'put', piece, ...position } : { kind: 'shelve', piece }
  },
}
