import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { OnSlateIdSchema, type PieceId } from '../../board/ids'
import { thingName } from '../hands'
import type { MoveRefusal, Operation } from '../operation'
import { arrowName, withEntry } from '../state'
import { refusalFor } from './position'

const ends = { from: OnSlateIdSchema, to: OnSlateIdSchema }
/** An arrow from one piece to another of its page, or its end; it stays attached wherever they go. */
export const ConnectSchema = v.object({ kind: v.literal('connect'), ...ends })
export type Connect = v.InferOutput<typeof ConnectSchema>

export const connect: Operation<'connect', Connect> = {
  kind: 'connect',
  things: ({ from, to }) => [thingName('arrow', arrowName(from, to))],
  check: (_, { from, to }, edition) => refusalToConnect(edition, from, to),
  perform: (state, { from, to }) => ({ ...state, arrows: withEntry(state.arrows, arrowName(from, to), true) }),
  invert: (before, { from, to }) => ({ kind: before.arrows[arrowName(from, to)] ? 'connect' : 'disconnect', from, to }),
}

/** Null where the board lets students draw arrows, and both ends are pieces of one page. */
export function refusalToConnect(edition: Edition, from: PieceId, to: PieceId): MoveRefusal | null {
  const refusal = refusalFor(edition, from) ?? refusalFor(edition, to)
  if (refusal) return refusal
  const { page } = edition.pieces.get(from)!
  const may = page.arrows && from !== to && edition.pieces.get(to)!.page === page
  return may ? null : { code: 'not-allowed', item: arrowName(from, to) }
}
