import type { Board, Page } from '../board/board'
import type { PageId, PlaceId } from '../board/ids'
import type { Slot } from '../board/place'
import { boxOf, stretched } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { grouped, group, removeItems } from './items'
import { withPage } from './lookup'

/** As many as stand in a row and can still be told apart. */
export const MOST_SLOTS_IN_ROW = 20
/** Points: between the slots of a row that had one alone. */
const GAP = 24
/** Points: what stays free between a row and the edge of the page. */
const MARGIN = 12
/** A slot may become so small, as a share of what it was, before the row is refused. */
const SMALLEST = 24

/** The slots that belong together with all of these, from left to right; none when anything else is among them. */
export function slotsOf(page: Page, ids: Iterable<string>): Slot[] {
  const all = grouped(page, ids)
  const slots = page.places.filter((place): place is Slot => place.kind === 'slot' && all.has(place.id))
  return slots.length === all.size ? slots.toSorted((a, b) => boxOf(a).x - boxOf(b).x) : []
}

/**
 * A row of so many slots from one of so many others: new ones follow the last, as large and as far apart; those beyond
 * go, with every answer that named them. What would reach beyond the page is made narrower, all alike. A count that
 * isn't between 1 and `MOST_SLOTS_IN_ROW`, or for which the page is too narrow, changes nothing.
 */
export function setSlotCount({
  board,
  pageId,
  ids,
  count,
  fresh,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly ids: readonly PlaceId[]
  readonly count: number
  readonly fresh: () => PlaceId
}): Board {
  const page = board.pages.find(one => one.id === pageId)!
  const slots = slotsOf(page, ids)
  if (!slots.length || !Number.isInteger(count) || count < 1 || count > MOST_SLOTS_IN_ROW) return board
  if (count <= slots.length)
    return count === slots.length ? board : removeItems(board, pageId, new Set(slots.slice(count).map(slot => slot.id)))
  const boxes = rowOf(slots.map(boxOf), count, page.width)
  if (boxes[0]!.width < SMALLEST) return board
  const last = slots.at(-1)!
  const made = boxes
    .slice(slots.length)
    .map((box): Slot => ({ ...last, id: fresh(), heading: '', shape: stretched(last.shape, box) }))
  const stood = new Map(slots.map((slot, i) => [slot.id, boxes[i]!]))
  const longer = withPage(board, pageId, p => ({
    ...p,
    places: [
      ...p.places.map(place =>
        place.kind === 'slot' && stood.has(place.id)
          ? { ...place, shape: stretched(place.shape, stood.get(place.id)!) }
          : place,
      ),
      ...made,
    ],
  }))
  return group(
    longer,
    pageId,
    [...slots, ...made].map(slot => slot.id),
  )
}

/** The boxes of a row that goes on as it began, narrower where the page ends before it does. */
function rowOf(boxes: readonly Box[], count: number, width: number): Box[] {
  const [first, last] = [boxes[0]!, boxes.at(-1)!]
  const step = boxes.length > 1 ? (last.x - first.x) / (boxes.length - 1) : first.width + GAP
  const wanted = (count - 1) * step + last.width
  const room = width - MARGIN - first.x
  const by = Math.min(1, room / wanted)
  return Array.from({ length: count }, (_, i) => {
    const like = boxes[i] ?? last
    const x = by === 1 && boxes[i] ? like.x : first.x + i * step * by
    return { x, y: like.y, width: like.width * by, height: like.height }
  })
}
