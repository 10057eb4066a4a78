/** The life of a slate. Handing back leaves it to be read. */
export const SLATE_STATUSES = ['not-opened', 'under-way', 'handed-in', 'handed-back'] as const
export type SlateStatus = typeof SLATE_STATUSES[number]

/** Whether work may go on: the slate's own status, pencils down for it or for all, and whether it was closed. */
export interface Openness { readonly status: SlateStatus, readonly paused: boolean, readonly closed: boolean }
export const openAs = (status: SlateStatus): Openness => ({ status, paused: false, closed: false })

/** Why no move can be made; null when one can. What is over for good is said before what passes. */
export function whyShut({ status, paused, closed }: Openness): 'closed' | 'handed-in' | 'paused' | null {
  if (closed) return 'closed'
  if (!canMove(status)) return 'handed-in'
  return paused ? 'paused' : null
}

/** The one rule by which both the server refuses moves and the interface doesn't offer them. */
export const canMove = (status: SlateStatus) => status === 'not-opened' || status === 'under-way'
export const canHandIn = canMove
export const canHandBack = (status: SlateStatus) => status === 'handed-in' || status === 'under-way'
/** From what was handed in, or has come back, another try can go on. */
export const canBeginAgain = (status: SlateStatus) => status === 'handed-in' || status === 'handed-back'
/** The student sees the teacher's margin once the slate is handed back, not while it is being written. */
export const marginShows = (status: SlateStatus) => status === 'handed-back'
