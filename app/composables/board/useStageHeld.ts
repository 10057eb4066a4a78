import type { Edition } from '~~/core/board/edition'
import type { SlateState } from '~~/core/slate/state'
import type { Held } from '~/composables/board/useStage'

interface Holding {
  readonly held: () => Held | null
  readonly edition: () => Edition
  readonly state: () => SlateState
}

/** What is in hand, as it is drawn: the piece with its look, how it lies, and where it would come to lie. */
export function useStageHeld({ held, edition, state }: Holding) {
  const heldPiece = computed(() => held()?.piece ?? null)
  const heldLies = computed(() => (heldPiece.value ? state().pieces[heldPiece.value] : undefined))
  const heldEntry = computed(() => heldPiece.value && edition().pieces.get(heldPiece.value))
  const heldSize = () => heldEntry.value?.master ?? null
  /** Picked, and not under a finger that is moving it. */
  const picked = computed(() => (held()?.way === 'drag' ? null : heldPiece.value))
  /** Picked on the page, with what can be done to it there. */
  const pickedOnPage = computed(() => (heldLies.value ? picked.value : null))
  const ghostAt = computed(() => {
    const now = held()
    return now?.way === 'key' ? now.landing?.at : null
  })
  return { heldPiece, heldLies, heldEntry, heldSize, picked, pickedOnPage, ghostAt }
}
