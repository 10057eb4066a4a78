import * as v from 'valibot'
import { ok } from '../../result'
import type { Operation } from '../operation'
import { emptySlate } from '../state'

/** Every piece goes back to the ledge. The backdrop and the places are not the slate's to touch. */
export const StartAgainSchema = v.object({ kind: v.literal('start-again') })
export type StartAgain = v.InferOutput<typeof StartAgainSchema>

export const startAgain: Operation<'start-again', StartAgain> = {
  kind: 'start-again',
  schema: StartAgainSchema,
  apply: () => ok(emptySlate),
  invert: before => ({ kind: 'arrange', pieces: before.pieces }),
}
