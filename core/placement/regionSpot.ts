import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { boxAround, outlined, overlaps } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import { piecesOf } from '../slate/pieces'
import type { SlateState } from '../slate/state'
import { shareIn } from './claim'

const STEP = 8

/**
 * Where a piece lies surely in all of these zones and surely in no other zone of the page, on no other piece if that can
 * be: of all such spots, tried every 8 points, the first from the top left whose doubt is least. Null where the region
 * has no room for it.
 */
export function regionSpot(state: SlateState, piece: PieceId, homes: readonly PlaceId[], page: Page, edition: Edition): Point | null {
  const { master } = edition.pieces.get(piece)!
  const zones = page.places.filter(place => place.kind === 'zone').map(place => ({ home: homes.includes(place.id), ...outlined(place.shape) }))
  const others = piecesOf(state, page, edition)
    .filter(other => other.id !== piece && state.pieces[other.id])
    .map(other => boxAround(state.pieces[other.id]!, edition.pieces.get(other.id)!.master))
  let best: { at: Point, doubt: number } | null = null
  for (let y = master.height / 2; y + master.height / 2 <= page.height; y += STEP) {
    for (let x = master.width / 2; x + master.width / 2 <= page.width; x += STEP) {
      const box = boxAround({ x, y }, master)
      const doubts = zones.map(({ home, points, box: room }) => overlaps(room, box) ? Math.abs((home ? 1 : 0) - shareIn(points, box)) : home ? 1 : 0)
      const most = Math.max(0, ...doubts)
      if (most >= 0.25) continue
      const doubt = most + (others.some(other => overlaps(other, box)) ? 1 : 0)
      if (doubt < (best?.doubt ?? Infinity) - 1e-9) best = { at: { x, y }, doubt }
    }
  }
  return best?.at ?? null
}
