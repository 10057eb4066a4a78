import { binOf } from '../board/binOf'
import type { Page } from '../board/board'
import type { SlateState } from '../slate/state'
import type { Placement } from './placement'

/** Whether a piece lies just where it was given out. */
export function isStaged({ piece, at }: Placement, page: Page, state: SlateState): boolean {
  const [lies, staged] = [state.pieces[piece], page.staged?.[piece]]
  if (at === 'ledge') return !staged && binOf(piece) === null
  return (
    !!staged && lies?.x === staged.x && lies.y === staged.y && (lies.turn ?? 0) === (staged.turn ?? 0) && !lies.flipped
  )
}
