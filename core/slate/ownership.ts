import { isStudent, type Actor, type Author } from './actor'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { PIECE_TRAITS } from '../board/pieceTraits'
import { lastHand, thingName, thingOf, type ThingName } from './hands'
import type { OwnOnSlate } from './own'
import type { SlateState } from './state'

/** Whether what somebody has made is theirs to change: its maker's, and any teacher's. */
export const mayChangeOwn = (own: OwnOnSlate, author: Author): boolean => !isStudent(author) || own.by === author

/** Whether this is a note that somebody else has written on last. */
function isOthersNote(state: SlateState, id: string, author: Author, edition: Edition): boolean {
  const known = edition.pieces.get(id as PieceId)
  return (
    !!known
    && PIECE_TRAITS[known.piece.kind].written
    && !!state.texts[id]
    && lastHand(state, thingName('text', id)) !== author
  )
}

/**
 * The first of the changed things that somebody else has made, or that is said to be made by somebody else; undefined
 * when there is none. What a student has made is changed and taken away by that student, and by teachers and
 * assistants. Colour belongs to its place: whoever may colour there may colour it anew.
 */
export function notTheirs({
  before,
  after,
  changed,
  actor: { author, sparing },
  edition,
}: {
  readonly before: SlateState
  readonly after: SlateState
  readonly changed: readonly ThingName[]
  readonly actor: Actor
  readonly edition: Edition
}): ThingName | undefined {
  return changed.find(name => {
    const { thing, id } = thingOf(name)
    if (sparing && isStudent(author) && isOthersNote(before, id, author, edition)) return true
    if (thing !== 'own') return false
    const [was, is] = [before.own[id], after.own[id]]
    if (!isStudent(author)) return false
    if (is && is.by !== (was?.by ?? author)) return true
    // What a teacher has hidden stays hidden until a teacher shows it again.
    if (was?.hidden || is?.hidden) return true
    return !!was && was.by !== author && was.kind !== 'colour'
  })
}
