import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import type { PieceId, PlaceId } from '../../board/ids'
import { gapsIn, isBlank } from '../../board/place'
import { ok, refuse } from '../../result'
import type { MoveRefusal, Operation } from '../operation'
import { LONGEST_TEXT, MOST_LETTERS, withEntry, WrittenInSchema } from '../state'

/** What stands in a writing space, in a typed gap, over a blank zone or on a note is replaced by this; nothing wipes it. */
export const WriteSchema = v.object({ kind: v.literal('write'), in: WrittenInSchema, text: v.pipe(v.string(), v.maxLength(LONGEST_TEXT)) })
export type Write = v.InferOutput<typeof WriteSchema>

export const write: Operation<'write', Write> = {
  kind: 'write',
  schema: WriteSchema,
  apply(state, { in: item, text }, edition) {
    const refusal = refusalToWrite(edition, item)
    if (refusal) return refuse(refusal)
    const texts = withEntry(state.texts, item, text || undefined)
    const letters = Object.values(texts).reduce((sum, t) => sum + t.length, 0)
    return letters > MOST_LETTERS ? refuse({ code: 'full', item }) : ok({ ...state, texts })
  },
  invert: (before, { in: item }) => ({ kind: 'write', in: item, text: before.texts[item] ?? '' }),
}

/** Null where a student may write. */
export function refusalToWrite(edition: Edition, item: string): MoveRefusal | null {
  const [id, gap] = item.split(':')
  const place = edition.places.get(id as PlaceId)?.place
  if (place) {
    const takes = gap === undefined ? place.kind === 'writing' || isBlank(place) : place.kind === 'gaps' && place.typed && Number(gap) < gapsIn(place.text) && String(Number(gap)) === gap
    return takes ? null : { code: 'not-allowed', item }
  }
  const known = gap === undefined ? edition.pieces.get(item as PieceId) : undefined
  if (!known) return { code: 'unknown-place', item }
  return known.piece.kind === 'note' && !known.piece.bin ? null : { code: 'not-allowed', item }
}
