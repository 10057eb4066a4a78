import type { PieceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { landingAtPoint } from '~~/core/placement/landing'
import type { StageHands } from '~/composables/board/useStage'

/** Tap and tap: the first picks a piece, the second says where it goes. Points are on the screen. */
export function useStageTaps(hands: StageHands) {
  const { held, view } = hands

  /** With another already picked, a piece on the page stands for the spot where it lies. */
  function tapPiece(from: PieceId, at: Point) {
    if (held.value?.way === 'tap' && held.value.piece !== from && view.state().pieces[from]) return void tapPage(at)
    if (!held.value && view.isWritten(from)) return view.write(from)
    held.value =
      held.value?.way === 'tap' && hands.shownAs(held.value.piece) === hands.shownAs(from)
        ? null
        : { way: 'tap', piece: hands.taken(from) }
  }

  /** True where something was picked, and has been laid. */
  function tapPage(at: Point): boolean {
    const now = held.value
    const point = now?.way === 'tap' ? hands.toPage(at) : null
    if (!now || !point) return false
    held.value = null
    hands.lay(now.piece, landingAtPoint(hands.table(), now.piece, point))
    return true
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
