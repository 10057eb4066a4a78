/** The life of a slate. Handing back leaves it to be read. */
export const SLATE_STATUSES = ['not-opened', 'under-way', 'handed-in', 'handed-back'] as const
export type SlateStatus = typeof SLATE_STATUSES[number]

/** The one rule by which both the server refuses moves and the interface doesn't offer them. */
export const canMove = (status: SlateStatus) => status === 'not-opened' || status === 'under-way'
export const canHandIn = canMove
export const canHandBack = (status: SlateStatus) => status === 'handed-in' || status === 'under-way'
/** The student sees the teacher's margin once the slate is handed back, not while it is being written. */
export const marginShows = (status: SlateStatus) => status === 'handed-back'
