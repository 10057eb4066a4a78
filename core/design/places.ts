import * as v from 'valibot'
import type { Board, Page } from '../board/board'
import type { PageId, PlaceId } from '../board/ids'
import { PlaceSchema, type Grid, type Place, type Zone } from '../board/place'
import { boxOf, stretched } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import { heldOn } from '../layout/arrange'
import { freeBox, HEADING_ROOM } from './freeBox'
import { withPage } from './lookup'

const MARGIN = 24
const GAP = 24
const SMALLEST_ZONE = 48
const USUAL: Size = { width: 240, height: 180 }

/**
 * Adds a zone after the last and lays out all the page's zones afresh if they still stand in the row that this file
 * made; elsewhere it stands in a free part of the page.
 */
export function addZone(board: Board, pageId: PageId, id: PlaceId, heading: string): Board {
  return withPage(board, pageId, page => {
    const zone: Zone = { kind: 'zone', id, heading, shape: { kind: 'rectangle', ...freeBox(page, USUAL) } }
    const places = [...page.places, zone]
    return isRow(page) ? { ...page, places: inRow(page, places) } : { ...page, places }
  })
}

export function addPlaces(board: Board, pageId: PageId, places: readonly Place[]): Board {
  return withPage(board, pageId, page => ({ ...page, places: [...page.places, ...places] }))
}

/** All zones of the page side by side, equal in size, with equal gaps. */
export function zonesInRow(board: Board, pageId: PageId): Board {
  return withPage(board, pageId, page => ({ ...page, places: inRow(page, page.places) }))
}

/**
 * Parts of a place replaced; null where that makes no place any more (a scale that runs backwards, a text without a
 * gap).
 */
export function changed(place: Place, part: object): Place | null {
  const read = v.safeParse(PlaceSchema, { ...place, ...part }, { abortEarly: true })
  return read.success ? read.output : null
}

export function changePlace(board: Board, pageId: PageId, id: PlaceId, to: (place: Place) => Place): Board {
  return withPage(board, pageId, page => ({
    ...page,
    places: page.places.map(place => (place.id === id ? to(place) : place)),
  }))
}

/** Points: a cell that a small piece and a finger find room in. */
const CELL = 36

/** The room of a grid with so many rows and columns: it grows until its cells can be used, if the page allows it. */
export function roomForCells(grid: Grid, rows: number, columns: number, page: Size): Grid['shape'] {
  const { x, y, width, height } = grid.shape
  const size = {
    width: Math.max(width, Math.min(columns * CELL, page.width)),
    height: Math.max(height, Math.min(rows * CELL, page.height)),
  }
  return { kind: 'rectangle', ...heldOn(page, { x, y, ...size }) }
}

/** The shape keeps its kind; that each kind of place allows it is not visible through the spread. */
export const placeIn = (place: Place, box: Box): Place => ({ ...place, shape: stretched(place.shape, box) }) as Place

function rowBoxes(page: Page, count: number): Box[] {
  const width = (page.width - 2 * MARGIN - (count - 1) * GAP) / count
  const y = MARGIN / 2 + HEADING_ROOM
  return Array.from({ length: count }, (_, i) => ({
    x: MARGIN + i * (width + GAP),
    y,
    width,
    height: page.height - y - MARGIN,
  }))
}

function inRow(page: Page, places: readonly Place[]): Place[] {
  const zones = places.filter(place => place.kind === 'zone')
  const boxes = new Map(
    rowBoxes(page, zones.length).map((box, i) => [zones[i]!.id, { ...box, width: Math.max(SMALLEST_ZONE, box.width) }]),
  )
  return places.map(place => (boxes.has(place.id) ? placeIn(place, heldOn(page, boxes.get(place.id)!)) : place))
}

function isRow(page: Page): boolean {
  const boxes = rowBoxes(page, page.places.length)
  return page.places.every((place, i) => place.kind === 'zone' && isAt(place, i))

  function isAt(place: Place, i: number): boolean {
    const a = boxOf(place)
    const b = boxes[i]!
    return (
      Math.abs(a.x - b.x) < 0.01
      && Math.abs(a.y - b.y) < 0.01
      && Math.abs(a.width - b.width) < 0.01
      && Math.abs(a.height - b.height) < 0.01
    )
  }
}
