import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { Point } from '../geometry/shape'
import { itemBox } from '../layout/itemBox'
import type { SlateState } from '../slate/state'
import type { Anchor } from './item'

/** Signs stand a little within the corner of what they are about. Points. */
const FROM_SIDE = 4
const FROM_TOP = 2

/**
 * Where on a page the sign of something in the margin stands: at the right upper corner of its piece or place. Null for
 * a piece that doesn't lie on the page, and for what a correction took away.
 */
export function spotOf(
  anchor: Anchor,
  { page, edition, state }: { readonly page: Page; readonly edition: Edition; readonly state: SlateState },
): Point | null {
  if (anchor.to === 'spot') return { x: anchor.x, y: anchor.y }
  if (anchor.to === 'place') {
    const box = itemBox(anchor.place, page)
    return box && { x: box.x + box.width - FROM_SIDE, y: box.y + FROM_TOP }
  }
  const [entry, lies] = [edition.pieces.get(anchor.piece), state.pieces[anchor.piece]]
  if (!entry || !lies || entry.page.id !== page.id) return null
  return { x: lies.x + entry.master.width / 2 - FROM_SIDE, y: lies.y - entry.master.height / 2 + FROM_TOP }
}
