import type { PieceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { landing, nudged } from '~~/core/placement/landing'
import { finerTarget, landingIn, nextTarget, targetAt, targetsOf, type Target } from '~~/core/placement/targets'
import type { StageHands, Held } from '~/composables/board/useStage'
import { ARROW_KEYS } from '~/composables/board/arrowKeys'

const NUDGE = 8
const QUARTER = 90
const LITTLE = 15
type Carried = Extract<Held, { way: 'key' }>

/** The keyboard: Enter picks up and puts down, arrows choose where, with Shift they nudge; keys turn and flip. */
export function useStageKeys(hands: StageHands) {
  const { held, view, table } = hands

  function pickUp(from: PieceId) {
    const piece = hands.taken(from)
    const at = view.state().pieces[piece]
    held.value = at
      ? { way: 'key', piece, target: 'here', landing: nudged(table(), piece, at, { x: 0, y: 0 }) }
      : over(piece, targetsOf(table(), piece)[0]!)
  }

  const over = (piece: PieceId, target: Target): Carried => ({
    way: 'key',
    piece,
    target,
    landing: landingIn(table(), piece, target),
  })

  const chosen = ({ piece, target }: Carried, arrow: Point): Carried =>
    over(piece, nextTarget(table(), piece, target === 'here' ? targetAt(table(), piece) : target, arrow))

  /** A little further: along a scale by a part of its step, anywhere else freely. */
  function moved({ piece, target, landing: comes }: Carried, arrow: Point): Carried | null {
    const finer = target === 'here' ? null : finerTarget(table(), target, arrow)
    if (finer) return over(piece, finer)
    const by = { x: arrow.x * NUDGE, y: arrow.y * NUDGE }
    return comes && { way: 'key', piece, target: 'here', landing: nudged(table(), piece, comes.at, by) }
  }

  function putDown({ piece, target, landing: comes }: Carried) {
    held.value = null
    if (!comes) return hands.shelve(piece)
    const settled = target === 'here' ? (landing(table(), piece, comes.at) ?? comes) : comes
    hands.lay(piece, settled, view.state().pieces[piece] ? 'piece' : 'next')
  }

  function key(event: KeyboardEvent, piece: PieceId) {
    if (!view.editable()) return
    const now = held.value
    const confirms = event.key === 'Enter' || event.key === ' '
    if (now?.way !== 'key' || hands.shownAs(now.piece) !== piece) {
      // On a note Enter and letters write; a space takes it up like any piece.
      if (view.isWritten(piece) && !view.joining() && (event.key === 'Enter' || typesLetter(event))) {
        event.preventDefault()
        return view.write(piece, event.key === 'Enter' ? '' : event.key)
      }
      if (!confirms) return
      event.preventDefault()
      if (!hands.joins(piece)) pickUp(piece)
      return
    }
    const arrow = ARROW_KEYS[event.key]
    if (arrow || confirms) event.preventDefault()
    if (confirms) putDown(now)
    else if (arrow && !event.shiftKey) held.value = chosen(now, arrow)
    else if (arrow) held.value = moved(now, arrow) ?? now
    else if (event.key === '.') hands.turn(now.piece, QUARTER)
    else if (event.key === ',') hands.turn(now.piece, LITTLE)
    else if (event.key.toLowerCase() === 'f') hands.flip(now.piece)
    else if (event.key === 'Escape' || event.key === 'Tab') held.value = null
  }
  return { key }
}
