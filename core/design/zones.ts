import type { Board, Page } from '../board/board'
import type { PageId, PlaceId } from '../board/ids'
import type { Place, Zone } from '../board/place'
import { withoutPlace } from '../board/references'
import { bounds, outline } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { withPage } from './lookup'

const MARGIN = 24
const GAP = 24
/** Room above a zone for its heading. */
export const HEADING_ROOM = 40
export const SMALLEST_ZONE = 48

/** Adds a zone after the last and lays out all the page's zones afresh if they still stand in the row that this file made. */
export function addZone(board: Board, pageId: PageId, id: PlaceId, heading: string): Board {
  return withPage(board, pageId, (page) => {
    const tidy = isRow(page)
    const zone: Zone = { kind: 'zone', id, heading, shape: { kind: 'rectangle', ...freeBox(page) } }
    const places = [...page.places, zone]
    return tidy ? { ...page, places: inRow(page, places) } : { ...page, places }
  })
}

/** All zones of the page side by side, equal in size, with equal gaps. */
export function zonesInRow(board: Board, pageId: PageId): Board {
  return withPage(board, pageId, page => ({ ...page, places: inRow(page, page.places) }))
}

/** All zones of the page get the width and the height of one of them; their top left corners stay. */
export function sameSize(board: Board, pageId: PageId, like: PlaceId): Board {
  return withPage(board, pageId, (page) => {
    const model = page.places.find(place => place.id === like)
    if (!model) return page
    const { width, height } = boxOf(model)
    return { ...page, places: page.places.map(place => place.kind === 'zone' ? withBox(place, within(page, { ...boxOf(place), width, height })) : place) }
  })
}

export function changePlace(board: Board, pageId: PageId, id: PlaceId, change: Partial<Pick<Zone, 'heading'>> & { box?: Box }): Board {
  return withPage(board, pageId, page => ({
    ...page,
    places: page.places.map((place) => {
      if (place.id !== id) return place
      const named = change.heading === undefined ? place : { ...place, heading: change.heading }
      return change.box ? withBox(named, within(page, change.box)) : named
    }),
  }))
}

/** The place goes, and with it every answer that named it. */
export function removePlace(board: Board, pageId: PageId, id: PlaceId): Board {
  const without = withPage(board, pageId, page => ({ ...page, places: page.places.filter(place => place.id !== id) }))
  return {
    ...without,
    keys: without.keys.flatMap(key => withoutPlace(key, id) ?? []),
  }
}

export const boxOf = (place: Place): Box => bounds(outline(place.shape))

function withBox(place: Place, box: Box): Place {
  const { shape } = place
  // The shape keeps its kind; that each kind of place allows it is not visible through the spread.
  if (shape.kind !== 'polygon') return { ...place, shape: { ...shape, ...box } } as Place
  const old = boxOf(place)
  const points = shape.points.map(p => ({
    x: box.x + (p.x - old.x) / old.width * box.width,
    y: box.y + (p.y - old.y) / old.height * box.height,
  }))
  return { ...place, shape: { kind: 'polygon', points } } as Place
}

/** The box made small enough for the page and moved onto it. */
function within(page: Page, box: Box): Box {
  const width = Math.min(Math.max(box.width, SMALLEST_ZONE), page.width)
  const height = Math.min(Math.max(box.height, SMALLEST_ZONE), page.height)
  return {
    width, height,
    x: Math.min(Math.max(box.x, 0), page.width - width),
    y: Math.min(Math.max(box.y, 0), page.height - height),
  }
}

function rowBoxes(page: Page, count: number): Box[] {
  const width = (page.width - 2 * MARGIN - (count - 1) * GAP) / count
  const y = MARGIN / 2 + HEADING_ROOM
  return Array.from({ length: count }, (_, i) => ({ x: MARGIN + i * (width + GAP), y, width, height: page.height - y - MARGIN }))
}

function inRow(page: Page, places: readonly Place[]): Place[] {
  const zones = places.filter(place => place.kind === 'zone')
  const boxes = new Map(rowBoxes(page, zones.length).map((box, i) => [zones[i]!.id, box]))
  return places.map(place => boxes.has(place.id) ? withBox(place, within(page, boxes.get(place.id)!)) : place)
}

function isRow(page: Page): boolean {
  const boxes = rowBoxes(page, page.places.length)
  return page.places.every((place, i) => place.kind === 'zone' && isAt(place, i))

  function isAt(place: Place, i: number): boolean {
    const a = boxOf(place)
    const b = boxes[i]!
    return Math.abs(a.x - b.x) < 0.01 && Math.abs(a.y - b.y) < 0.01 && Math.abs(a.width - b.width) < 0.01 && Math.abs(a.height - b.height) < 0.01
  }
}

function freeBox(page: Page): Box {
  const last = page.places.at(-1)
  if (!last) return rowBoxes(page, 1)[0]!
  const box = boxOf(last)
  return within(page, { ...box, x: box.x + GAP, y: box.y + GAP })
}
