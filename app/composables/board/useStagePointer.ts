import type { PieceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { landing } from '~~/core/placement/landing'
import type { StageHands } from '~/composables/board/useStage'
import type { Taker, Touched } from '~/composables/board/useGestures'

export const pieceOf = (element: Element) => (element as HTMLElement).dataset['piece'] as PieceId

/** Dragging a piece with a mouse, a finger or a pen; a press that doesn't move is a tap. */
export function useStagePointer(hands: StageHands, tap: (piece: PieceId, at: Point) => void): Taker {
  const { held, middle, view } = hands
  /** From the middle of the piece that is dragged to the pointer. */
  let grip: Point = { x: 0, y: 0 }

  /** What is drawn of a piece on the page may lie to one side of its middle, as a label's tip does. */
  function gripOn(piece: PieceId, pointer: Point, element: Element): Point {
    const [lies, matrix] = [view.state().pieces[piece], view.pageSvg()?.getScreenCTM()]
    const box = element.getBoundingClientRect()
    const at =
      lies && matrix
        ? new DOMPoint(lies.x, lies.y).matrixTransform(matrix)
        : { x: box.left + box.width / 2, y: box.top + box.height / 2 }
    return { x: pointer.x - at.x, y: pointer.y - at.y }
  }
  const dragged = () => (held.value?.way === 'drag' ? held.value.piece : null)

  function tapped({ element, at }: Touched) {
    const piece = pieceOf(element)
    if (view.editable() && !hands.joins(piece)) tap(piece, at)
  }
  return {
    as: 'thing',
    tap: tapped,
    longPress({ element }) {
      if (view.editable() && !view.joining()) held.value = { way: 'tap', piece: hands.taken(pieceOf(element)) }
    },
    begin({ element, from }) {
      if (!view.editable() || view.joining()) return
      const piece = hands.taken(pieceOf(element))
      grip = gripOn(piece, from, element)
      middle.value = { x: from.x - grip.x, y: from.y - grip.y }
      held.value = { way: 'drag', piece }
    },
    go({ at }) {
      if (dragged()) middle.value = { x: at.x - grip.x, y: at.y - grip.y }
    },
    end({ at }) {
      const piece = dragged()
      if (!piece) return
      held.value = null
      if (hands.overLedge(at)) return hands.shelve(piece)
      const centre = hands.toPage(middle.value)
      const comes = centre && landing(hands.table(), piece, centre)
      if (comes) hands.lay(piece, comes)
    },
    letBe() {
      if (dragged()) held.value = null
    },
  }
}
