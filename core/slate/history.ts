import type { Author } from './actor'
import { touchedSince } from './hands'
import { limitedTo, type Move } from './move'
import type { SlateState } from './state'

/** One of a person's own moves with what takes it back; `undoes` names the move that this one took back. */
export interface HistoryStep {
  readonly id: string
  /** Null for a move that is itself a taking back. */
  readonly inverse: Move | null
  readonly undoes?: string | undefined
  /** Its number in the slate; absent while it is on its way, and then it comes after all that have one. */
  readonly number?: number | undefined
}

/** The latest step that still stands: not taken back, and not itself a taking back. Undefined when there is none. */
export function nextToUndo(
  steps: readonly HistoryStep[],
  mayUndo: (step: HistoryStep) => boolean = () => true,
): HistoryStep | undefined {
  const undone = new Set(steps.map(step => step.undoes))
  return steps.findLast(step => !step.undoes && !undone.has(step.id) && mayUndo(step))
}

/**
 * The move by which the author takes a step back: whatever nobody else has touched since. Null when nothing of it is
 * left. `state` is the slate as the server has ordered it.
 */
export function undoOf(step: HistoryStep, author: Author, state: SlateState): Move | null {
  const { inverse, number = Infinity } = step
  return inverse && limitedTo(inverse, thing => !touchedSince(state, thing, author, number))
}
