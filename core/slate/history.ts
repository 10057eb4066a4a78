import type { Move } from './move'

/** One of a person's own moves with what takes it back; `undoes` names the move that this one took back. */
export interface Step { readonly id: string, readonly inverse: Move, readonly undoes?: string | undefined }

/** The latest step that still stands: not taken back, and not itself a taking back. Undefined when there is none. */
export function nextToUndo(steps: readonly Step[]): Step | undefined {
  const undone = new Set(steps.map(step => step.undoes))
  return steps.findLast(step => !step.undoes && !undone.has(step.id))
}
