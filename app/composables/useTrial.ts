import type { Edition } from '~~/core/board/edition'
import { apply, type Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'

/** A slate that nobody keeps: for setting the answers by doing the task, and for trying a board as a student. */
export function useTrial(edition: () => Edition, start: () => SlateState) {
  const state = shallowRef(start())
  function make(move: Move) {
    const result = apply(state.value, move, edition())
    if (result.ok) state.value = result.value
  }
  return {
    state,
    make,
    again: () => state.value = start(),
  }
}
