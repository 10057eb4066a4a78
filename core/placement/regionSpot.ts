import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { boxAround, outlined, overlaps } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import type { SlateState } from '../slate/state'
import { claim } from '../bodies/claim'
import { boxesOfOthers } from './freeSpot'
import { turnedSize } from '../bodies/straight'

const STEP = 8

/**
 * Where a piece lies surely in all of these zones and surely in no other zone of the page, on no other piece if that
 * can be: of all such spots, tried every 8 points, the one whose doubt is least; of those, the one nearest to `near`,
 * or the first from the top left. Null where the region has no room for it.
 */
export function regionSpot({
  state,
  piece,
  homes,
  page,
  edition,
  near,
}: {
  readonly state: SlateState
  readonly piece: PieceId
  readonly homes: readonly PlaceId[]
  readonly page: Page
  readonly edition: Edition
  readonly near?: Point | undefined
}): Point | null {
  const { master, piece: held } = edition.pieces.get(piece)!
  const turn = state.pieces[piece]?.turn
  const size = turnedSize(master, turn)
  const zones = page.places
    .filter(place => place.kind === 'zone')
    .map(place => ({ place, home: homes.includes(place.id), room: outlined(place.shape).box }))
  const others = boxesOfOthers(state, piece, page, edition)
  let best: { at: Point; doubt: number; far: number } | null = null
  for (let y = size.height / 2; y + size.height / 2 <= page.height; y += STEP) {
    for (let x = size.width / 2; x + size.width / 2 <= page.width; x += STEP) {
      const box = boxAround({ x, y }, size)
      const doubts = zones.map(({ place, home, room }) =>
        overlaps(room, box)
          ? Math.abs((home ? 1 : 0) - (claim({ place, piece: held, master, lies: { x, y, turn } })?.share ?? 0))
          : home
            ? 1
            : 0,
      )
      const most = Math.max(0, ...doubts)
      if (most >= 0.25) continue
      const doubt = most + (others.some(other => overlaps(other, box)) ? 1 : 0)
      const far = near ? Math.hypot(x - near.x, y - near.y) : 0
      if (!best || doubt < best.doubt - 1e-9 || (doubt <= best.doubt + 1e-9 && far < best.far - 1e-9))
        best = { at: { x, y }, doubt, far }
    }
  }
  return best?.at ?? null
}
