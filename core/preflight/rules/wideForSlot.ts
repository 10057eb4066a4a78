import type { Board, Page } from '../../board/board'
import type { Place } from '../../board/place'
import type { Master } from '../../board/piece'
import { setTextSize } from '../../design/pieces'
import { withPage } from '../../design/lookup'
import { boxAround, boxOf, overlaps, stretched } from '../../geometry/outline'
import type { Box, Size } from '../../geometry/shape'
import type { Finding, Fix, Rule } from '../finding'

/** Points by which a piece may be larger than its slot without anybody minding. */
const SLACK = 1
const SMALLEST_TEXT = 12

/** Pieces that are larger than the slots they are right in: they hang over, and cover what stands beside. */
export const wideForSlot: Rule = {
  name: 'wide-for-slot',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const narrow = narrowOn(board, page)
      if (narrow.length === 0) return []
      const fix = mending(board, page)
      return [
        {
          rule: 'wide-for-slot',
          severity: 'warning',
          page: page.id,
          subjects: narrow.map(place => place.id),
          words: { count: narrow.length },
          ...(fix && { fix }),
        },
      ]
    }),
}

/** The pieces that are right in each slot, gap or cell, by its place. */
function neededIn(board: Board, page: Page): ReadonlyMap<string, readonly Master[]> {
  const needed = new Map<string, Master[]>()
  const masterOf = new Map(page.pieces.map(piece => [piece.id, board.masters.find(m => m.id === piece.master)!]))
  for (const key of board.keys) {
    if (key.kind !== 'slots' || key.page !== page.id) continue
    for (const [slot, pieces] of Object.entries(key.fits)) {
      const place = slot.split(':')[0]!
      needed.set(place, [...(needed.get(place) ?? []), ...pieces.flatMap(id => masterOf.get(id) ?? [])])
    }
  }
  return needed
}

/** What one piece has for itself in a place; null for places that give it no room of its own. */
function roomIn(place: Place): Size | null {
  const { width, height } = boxOf(place)
  if (place.kind === 'slot') return { width, height }
  if (place.kind === 'grid') return { width: width / place.columns, height: height / place.rows }
  return place.kind === 'gaps' && !place.typed ? place.gap : null
}

function narrowOn(board: Board, page: Page): Place[] {
  const needed = neededIn(board, page)
  return page.places.filter(place => {
    const room = roomIn(place)
    return room && needed.get(place.id)?.some(m => m.width > room.width + SLACK || m.height > room.height + SLACK)
  })
}

/** Larger slots where there is room for them, else smaller cards; null where neither would do. */
function mending(board: Board, page: Page): Fix | null {
  if (widened(board, page)) return { code: 'widen', apply: b => widened(b, pageOf(b, page)) ?? b }
  if (shrunk(board, page)) return { code: 'shrink', apply: b => shrunk(b, pageOf(b, page)) ?? b }
  return null
}
const pageOf = (board: Board, { id }: Page) => board.pages.find(page => page.id === id)!

function widened(board: Board, page: Page): Board | null {
  const [needed, narrow] = [neededIn(board, page), narrowOn(board, page)]
  if (narrow.some(place => place.kind !== 'slot')) return null
  const grown = new Map<string, Box>(narrow.map(place => [place.id, grownBox(place, needed.get(place.id)!)]))
  const boxes = page.places.map(place => grown.get(place.id) ?? boxOf(place))
  const inside = [...grown.values()].every(
    box => box.x >= 0 && box.y >= 0 && box.x + box.width <= page.width && box.y + box.height <= page.height,
  )
  const lapping = (a: number, b: number) => overlaps(boxes[a]!, boxes[b]!)
  const covers = page.places.some((one, i) =>
    page.places.some((other, j) => i < j && (grown.has(one.id) || grown.has(other.id)) && lapping(i, j)),
  )
  if (!inside || covers) return null
  return withPage(board, page.id, p => ({
    ...p,
    places: p.places.map(place =>
      place.kind === 'slot' && grown.has(place.id)
        ? { ...place, shape: stretched(place.shape, grown.get(place.id)!) }
        : place,
    ),
  }))
}

/** Around its own middle. */
function grownBox(place: Place, masters: readonly Master[]): Box {
  const box = boxOf(place)
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  return boxAround(middle, {
    width: Math.max(box.width, ...masters.map(m => m.width)),
    height: Math.max(box.height, ...masters.map(m => m.height)),
  })
}

function shrunk(board: Board, page: Page): Board | null {
  const masters = [...new Set([...neededIn(board, page).values()].flat())]
  for (let size = Math.max(0, ...masters.map(m => m.textSize)) - 1; size >= SMALLEST_TEXT; size--) {
    const smaller = masters.reduce((b, m) => setTextSize(b, m.id, Math.min(size, m.textSize)), board)
    if (narrowOn(smaller, pageOf(smaller, page)).length === 0) return smaller
  }
  return null
}
