import * as v from 'valibot'
import { PieceIdSchema } from '../../board/ids'
import { LengthSchema } from '../../geometry/shape'
import { ok, refuse } from '../../result'
import type { Operation } from '../operation'
import { OnPageSchema, top, withPieces } from '../state'
import { refusalFor } from './position'

/** A piece is put on its page, from the ledge or from where it lay. Without `z` it comes to lie on top. */
export const PutSchema = v.object({
  kind: v.literal('put'),
  piece: PieceIdSchema,
  x: LengthSchema,
  y: LengthSchema,
  z: v.optional(OnPageSchema.entries.z),
})
export type Put = v.InferOutput<typeof PutSchema>

export const put: Operation<'put', Put> = {
  kind: 'put',
  schema: PutSchema,
  apply(state, { piece, x, y, z }, edition) {
    const refusal = refusalFor(edition, piece, { x, y })
    return refusal ? refuse(refusal) : ok(withPieces(state, [[piece, { x, y, z: z ?? top(state) + 1 }]]))
  },
  invert(before, { piece }) {
    const position = before.pieces[piece]
    return position ? { kind: 'put', piece, ...position } : { kind: 'shelve', piece }
  },
}
