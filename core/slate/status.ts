import { isStudent, type Author } from './actor'

/** The life of a slate. Handing back leaves it to be read. */
export const SLATE_STATUSES = ['not-opened', 'under-way', 'handed-in', 'handed-back'] as const
export type SlateStatus = (typeof SLATE_STATUSES)[number]

/** Whether work may go on: the slate's own status, pencils down for it or for all, and whether it was closed. */
export interface Openness {
  readonly status: SlateStatus
  readonly paused: boolean
  readonly closed: boolean
  /** Handed in by the teacher, for all at once: what its people have made since waits until it is theirs again. */
  readonly collected?: boolean
}
export type Shut = 'closed' | 'handed-in' | 'collected' | 'paused'
/** Moves that were made all the same, without a connection, wait and come later. */
export const waitsOut = (openness: Openness) => ['paused', 'collected'].includes(whyShut(openness) ?? '')

export const openAs = (status: SlateStatus): Openness => ({ status, paused: false, closed: false })

/** Why no move can be made; null when one can. What is over for good is said before what passes. */
export function whyShut({ status, paused, closed, collected }: Openness): Shut | null {
  if (closed) return 'closed'
  if (!canMove(status)) return collected && status === 'handed-in' ? 'collected' : 'handed-in'
  return paused ? 'paused' : null
}

/** The same for one hand: pencils are down for students, and not for those who lead the lesson. */
export const opennessTo = (author: Author, openness: Openness): Openness =>
  openness.paused && !isStudent(author) ? { ...openness, paused: false } : openness

interface StatusTraits {
  readonly canMove: boolean
  readonly canHandBack: boolean
  /** Another try can go on from it. */
  readonly canBeginAgain: boolean
  /** The student sees the teacher's margin. Not while it is being written. */
  readonly marginShows: boolean
}

const TRAITS: { readonly [Status in SlateStatus]: StatusTraits } = {
  'not-opened': { canMove: true, canHandBack: false, canBeginAgain: false, marginShows: false },
  'under-way': { canMove: true, canHandBack: true, canBeginAgain: false, marginShows: false },
  'handed-in': { canMove: false, canHandBack: true, canBeginAgain: true, marginShows: false },
  'handed-back': { canMove: false, canHandBack: false, canBeginAgain: true, marginShows: true },
}

/** What a status is called: work that is nothing to hand in is *finished*. */
export type SaidStatus = SlateStatus | 'finished'
export const saidStatus = (status: SlateStatus, { handIn }: { readonly handIn: boolean }): SaidStatus =>
  status === 'handed-in' && !handIn ? 'finished' : status

/** The one rule by which both the server refuses moves and the interface doesn't offer them. */
export const canMove = (status: SlateStatus) => TRAITS[status].canMove
export const canHandIn = canMove
export const canHandBack = (status: SlateStatus) => TRAITS[status].canHandBack
export const canBeginAgain = (status: SlateStatus) => TRAITS[status].canBeginAgain
export const marginShows = (status: SlateStatus) => TRAITS[status].marginShows
/**
 * Whether students see an item of the margin of their slate: what was written to be seen at once they see at once, all
 * of it once it is handed back, and in a further try what was said of the one before.
 */
export const isSeenByStudents = (
  item: { readonly shown: boolean; readonly at: Date },
  status: SlateStatus,
  triedUntil: Date | null,
): boolean => item.shown || marginShows(status) || (triedUntil !== null && item.at <= triedUntil)
