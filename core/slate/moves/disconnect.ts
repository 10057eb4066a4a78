import * as v from 'valibot'
import { OnSlateIdSchema } from '../../board/ids'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { arrowName, withEntry } from '../state'

/** An arrow is taken away. One that isn't there changes nothing. */
export const DisconnectSchema = v.object({ kind: v.literal('disconnect'), from: OnSlateIdSchema, to: OnSlateIdSchema })
export type Disconnect = v.InferOutput<typeof DisconnectSchema>

export const disconnect: Operation<'disconnect', Disconnect> = {
  kind: 'disconnect',
  things: ({ from, to }) => [thingName('arrow', arrowName(from, to))],
  check: () => null,
  perform: (state, { from, to }) => ({ ...state, arrows: withEntry(state.arrows, arrowName(from, to), undefined) }),
  invert: (before, { from, to }) => ({ kind: before.arrows[arrowName(from, to)] ? 'connect' : 'disconnect', from, to }),
}
