import type { PieceId } from '~~/core/board/ids'
import { landingAtPoint } from '~~/core/placement/landing'
import type { StageHands } from '~/composables/board/useStage'

/** Tap and tap: the first picks a piece, the second says where it goes. */
export function useStageTaps(hands: StageHands) {
  const { held, view } = hands

  /** With another already picked, a piece on the page stands for the spot where it lies. */
  function tapPiece(piece: PieceId, event: MouseEvent) {
    if (held.value?.way === 'tap' && held.value.piece !== piece && view.state().pieces[piece]) return tapPage(event)
    held.value =
      held.value?.way === 'tap' && hands.shownAs(held.value.piece) === hands.shownAs(piece)
        ? null
        : { way: 'tap', piece }
  }

  function tapPage(event: MouseEvent) {
    const now = held.value
    const point = now?.way === 'tap' ? hands.toPage({ x: event.clientX, y: event.clientY }) : null
    if (!now || !point) return
    held.value = null
    hands.lay(now.piece, landingAtPoint(hands.table(), now.piece, point))
  }

  function tapLedge() {
    const now = held.value
    if (now?.way !== 'tap') return
    held.value = null
    hands.shelve(now.piece)
  }

  // A piece that is picked is let be by Escape, wherever the focus is.
  useEventListener(window, 'keydown', event => {
    if (event.key === 'Escape' && held.value?.way === 'tap') held.value = null
  })
  return { tapPiece, tapPage, tapLedge }
}
