import type { PieceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { landing } from '~~/core/placement/landing'
import type { StageHands } from '~/composables/board/useStage'

const DRAG_STARTS = 6

/** Dragging with a pointer: a mouse, a finger or a pen. A press that doesn't move is a tap. */
export function useStagePointer(hands: StageHands, tap: (piece: PieceId, event: MouseEvent) => void) {
  const { held, middle, view } = hands
  let pressed: { piece: PieceId; start: Point; grip: Point; pointerId: number } | null = null

  function press(event: PointerEvent, piece: PieceId) {
    if (!view.editable() || event.button !== 0 || pressed) return
    const box = (event.currentTarget as Element).getBoundingClientRect()
    const start = { x: event.clientX, y: event.clientY }
    if (hands.joins(piece)) return
    pressed = { piece: hands.taken(piece), start, grip: gripOn(piece, start, box), pointerId: event.pointerId }
  }

  /**
   * From the middle of the piece to the pointer. What is drawn of a piece on the page may lie to one side of its
   * middle, as a label's tip does.
   */
  function gripOn(piece: PieceId, pointer: Point, box: DOMRect): Point {
    const [lies, matrix] = [view.state().pieces[piece], view.pageSvg()?.getScreenCTM()]
    const middle =
      lies && matrix
        ? new DOMPoint(lies.x, lies.y).matrixTransform(matrix)
        : { x: box.left + box.width / 2, y: box.top + box.height / 2 }
    return { x: pointer.x - middle.x, y: pointer.y - middle.y }
  }

  function drag(event: PointerEvent) {
    if (!pressed || event.pointerId !== pressed.pointerId) return
    const pointer = { x: event.clientX, y: event.clientY }
    const started =
      held.value?.way === 'drag' || Math.hypot(pointer.x - pressed.start.x, pointer.y - pressed.start.y) >= DRAG_STARTS
    if (!started) return
    event.preventDefault()
    middle.value = { x: pointer.x - pressed.grip.x, y: pointer.y - pressed.grip.y }
    if (held.value?.way !== 'drag') held.value = { way: 'drag', piece: pressed.piece }
  }

  function letGo(event: PointerEvent) {
    if (!pressed || event.pointerId !== pressed.pointerId) return
    const { piece } = pressed
    pressed = null
    if (held.value?.way !== 'drag') return tap(piece, event)
    held.value = null
    if (hands.overLedge({ x: event.clientX, y: event.clientY })) return hands.shelve(piece)
    const centre = hands.toPage(middle.value)
    const comes = centre && landing(hands.table(), piece, centre)
    if (comes) hands.lay(piece, comes)
  }

  function cancel(event: PointerEvent) {
    if (pressed?.pointerId !== event.pointerId) return
    pressed = null
    if (held.value?.way === 'drag') held.value = null
  }

  /** Two fingers look closer; a piece that was already under way stays in hand. */
  function second(event: PointerEvent) {
    if (pressed && event.pointerId !== pressed.pointerId && held.value?.way !== 'drag') pressed = null
  }

  useEventListener(window, 'pointerdown', second, { capture: true })
  useEventListener(window, 'pointermove', drag, { passive: false })
  useEventListener(window, 'pointerup', letGo)
  useEventListener(window, 'pointercancel', cancel)
  return { press }
}
