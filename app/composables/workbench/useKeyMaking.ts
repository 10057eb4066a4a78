import { answerSlate } from '~~/core/keys/answerSlate'
import type { Page } from '~~/core/board/board'
import type { Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'
import { useTrial } from '~/composables/workbench/useTrial'
import type { Workbench } from '~/composables/workbench/useWorkbench'

interface Done {
  readonly before: SlateState
  /** How many steps of the board could be undone when it was done. */
  readonly depth: number
}

/**
 * The task done on the page to set its answers. What is done there and what is changed of the board are undone
 * together, the last first.
 */
export function useKeyMaking(bench: Workbench, page: () => Page, open: () => boolean) {
  const trial = useTrial(
    () => bench.edition.value,
    () => answerSlate(page(), bench.edition.value),
  )
  const past = shallowRef<readonly Done[]>([])
  const future = shallowRef<readonly SlateState[]>([])
  const isLast = computed(() => open() && (past.value.at(-1)?.depth ?? -1) >= bench.depth.value)

  function again() {
    past.value = []
    future.value = []
    trial.again()
  }
  function make(move: Move) {
    const before = trial.state.value
    if (!trial.make(move)) return
    past.value = [...past.value, { before, depth: bench.depth.value }]
    future.value = []
  }
  /** Where nothing was done by hand the page shows what the key says, as it is then. */
  function boardStep(step: () => void) {
    step()
    if (open() && past.value.length === 0) trial.again()
  }
  function undo() {
    if (!isLast.value) return boardStep(bench.undo)
    future.value = [trial.state.value, ...future.value]
    trial.state.value = past.value.at(-1)!.before
    past.value = past.value.slice(0, -1)
  }
  function redo() {
    const [next, ...rest] = open() ? future.value : []
    if (!next) return boardStep(bench.redo)
    past.value = [...past.value, { before: trial.state.value, depth: bench.depth.value }]
    future.value = rest
    trial.state.value = next
  }
  return {
    state: trial.state,
    make,
    again,
    undo,
    redo,
    canUndo: computed(() => isLast.value || bench.canUndo.value),
    canRedo: computed(() => (open() && future.value.length > 0) || bench.canRedo.value),
  }
}
