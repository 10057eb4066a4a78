import type { PieceId } from '~~/core/board/ids'
import type { OtherHand } from '~/composables/slate/otherHands'

/** The pieces that others hold: changed only when one is taken up or let go, however often what is held moves. */
export function useHeldByOthers(others: () => readonly OtherHand[]) {
  const names = computed(() =>
    others()
      .flatMap(({ holds }) => (holds ? [holds.piece] : []))
      .join(' '),
  )
  return computed(() => new Set(names.value.split(' ') as PieceId[]))
}
