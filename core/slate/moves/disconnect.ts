import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
import { ok } from '../../result'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { arrowName, withEntry } from '../state'

/** An arrow is taken away. One that isn't there changes nothing. */
export const DisconnectSchema = v.object({ kind: v.literal('disconnect'), from: OnSlateIdSchema, to: OnSlateIdSchema })
export type Disconnect = v.InferOutput<typeof DisconnectSchema>

export const disconnect: Operation<'disconnect', Disconnect> = {
  kind: 'disconnect',
  things: ({ from, to }) => [thingName('arrow', arrowName(from, to))],
  apply: (state, { from, to }) => ok({ ...state, arrows: withEntry(state.arrows, arrowName(from, to), undefined) }),
  invert: (before, { from, to }) => ({ kind: before.arrows[arrowName(from, to)] ? 'connect' : 'disconnect', from, to }),
}
