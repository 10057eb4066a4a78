import { isStudent, type Actor, type Author } from './actor'
import { thingOf, type ThingName } from './hands'
import type { OwnOnSlate } from './own'
import type { SlateState } from './state'

/** Whether what somebody has made is theirs to change: its maker's, and any teacher's. */
export const mayChangeOwn = (own: OwnOnSlate, author: Author): boolean => !isStudent(author) || own.by === author

/**
 * The first of the changed things that somebody else has made, or that is said to be made by somebody else; undefined
 * when there is none. What a student has made is changed and taken away by that student, and by teachers and
 * assistants. Colour belongs to its place: whoever may colour there may colour it anew.
 */
export function notTheirs(
  before: SlateState,
  after: SlateState,
  changed: readonly ThingName[],
  { author }: Actor,
): ThingName | undefined {
  return changed.find(name => {
    const { thing, id } = thingOf(name)
    if (thing !== 'own') return false
    const [was, is] = [before.own[id], after.own[id]]
    if (!isStudent(author)) return false
    if (is && is.by !== (was?.by ?? author)) return true
    // What a teacher has hidden stays hidden until a teacher shows it again.
    if (was?.hidden || is?.hidden) return true
    return !!was && was.by !== author && was.kind !== 'colour'
  })
}
