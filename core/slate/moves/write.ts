import * as v from 'valibot'
import { storedText } from '../../text/storedText'
import type { Edition } from '../../board/edition'
import type { PieceId, PlaceId } from '../../board/ids'
import { gapsIn, isBlank } from '../../board/whatPlacesTake'
import { besideOf, hasRoomBeside } from '../beside'
import { PIECE_TRAITS } from '../../board/pieceTraits'
import { thingName } from '../hands'
import type { MoveRefusal, Operation } from '../operation'
import { LONGEST_TEXT, withEntry } from '../state'
import { WrittenInSchema } from '../stateSchema'

/**
 * What stands in a writing space, in a typed gap, over a blank zone, on a note or beside the page is replaced by this;
 * nothing wipes it.
 */
export const WriteSchema = v.object({ kind: v.literal('write'), in: WrittenInSchema, text: storedText(LONGEST_TEXT) })
export type Write = v.InferOutput<typeof WriteSchema>

export const write: Operation<'write', Write> = {
  kind: 'write',
  things: ({ in: item }) => [thingName('text', item)],
  check: (_, { in: item }, edition) => refusalToWrite(edition, item),
  perform: (state, { in: item, text }) => ({ ...state, texts: withEntry(state.texts, item, text || undefined) }),
  invert: (before, { in: item }) => ({ kind: 'write', in: item, text: before.texts[item] ?? '' }),
}

/** Null where a student may write. */
export function refusalToWrite(edition: Edition, item: string): MoveRefusal | null {
  const beside = besideOf(item)
  if (beside && !edition.pieces.get(item as PieceId))
    return hasRoomBeside(edition, beside) ? null : { code: 'not-allowed', item }
  const [id, gap] = item.split(':')
  const place = edition.places.get(id as PlaceId)?.place
  if (place) {
    const takes =
      gap === undefined
        ? place.kind === 'writing' || isBlank(place)
        : place.kind === 'gaps' && place.typed && Number(gap) < gapsIn(place.text) && String(Number(gap)) === gap
    return takes ? null : { code: 'not-allowed', item }
  }
  const known = gap === undefined ? edition.pieces.get(item as PieceId) : undefined
  if (!known) return { code: 'unknown-place', item }
  return PIECE_TRAITS[known.piece.kind].written && !known.piece.bin ? null : { code: 'not-allowed', item }
}
