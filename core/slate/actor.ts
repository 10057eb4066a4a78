import * as v from 'valibot'
import type { Place } from '../board/place'

/** Whose hand a move may be. */
export type AuthorKind = 'student' | 'teacher' | 'assistant'

/**
 * Whose hand it was, by a number that counts the people of one slate: it tells hands apart, and says nothing of who
 * they are to somebody who isn't told. The first student of a slate is `student:1`; the teacher whose class it is
 * `teacher:0`.
 */
export type Author = `${AuthorKind}:${number}`
export const AuthorSchema: v.GenericSchema<unknown, Author> = v.pipe(
  v.string(),
  v.regex(/^(?:student|teacher|assistant):\d{1,6}$/),
  v.transform(text => text as Author),
)

/** A student's part: a number, *all* (a copy of one's own), or *none* (only what is everyone's). */
export type Part = number | 'all' | 'none'
export interface Actor {
  readonly author: Author
  readonly part: Part
  /** The parts that anybody on the slate has; all others are free to each of them. */
  readonly held?: readonly number[] | undefined
  /** Others work on this slate, too: whoever starts again takes back only what is theirs alone. */
  readonly several?: true | undefined
  /** What somebody else wrote on a note is not theirs to change, to move or to take away. */
  readonly sparing?: true | undefined
}

export const isStudent = (author: Author): boolean => author.startsWith('student:')

/** The only student of a slate. */
export const HOLDER: Actor = { author: 'student:1', part: 'all' }

/**
 * Whether this place is open to somebody: everyone's is, a part to those whose part it is, or to all while it is
 * nobody's.
 */
export const mayTouch = (place: Place, { part, held }: Pick<Actor, 'part' | 'held'>) =>
  place.part === undefined || part === 'all' || place.part === part || (!!held && !held.includes(place.part))
