import type { Edition } from '~~/core/board/edition'
import { HOLDER } from '~~/core/slate/actor'
import { apply, type Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'
import { knowTexts } from '~~/core/slate/withTexts'

/** A slate that nobody keeps: for setting the answers by doing the task, and for trying a board as a student. */
export function useTrial(edition: () => Edition, start: () => SlateState) {
  knowTexts()
  const state = shallowRef(start())
  function make(move: Move): boolean {
    const result = apply(state.value, move, { edition: edition(), actor: HOLDER })
    if (result.ok) state.value = result.value
    return result.ok
  }
  return { state, make, again: () => (state.value = start()) }
}
