import type { Board } from '../board/board'
import type { SlateStatus } from '../slate/status'

/**
 * Whether a student may see feedback now: `when` is the board's word on it, `keyed` says that it has a key at all. What
 * was handed back is no secret any more. Apart from what works it out, which no student's device loads.
 */
export function feedbackShows(when: Board['feedback'], keyed: boolean, status: SlateStatus): boolean {
  if (!keyed) return false
  if (status === 'handed-back') return true
  return when === 'asked' || (when === 'handed-in' && status === 'handed-in')
}
