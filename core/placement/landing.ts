import type { Page } from '../board/board'
import type { PieceId, PlaceId } from '../board/ids'
import type { Lane, Place } from '../board/place'
import { takes } from '../board/whatPlacesTake'
import { area, within } from '../geometry/area'
import { bounds, boxAround, outlined, overlaps } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import { boxesOfOthers, clampPiece, clampToPage, clampToPlace, freeSpot, middleOf, middlesOf, tipAt } from './freeSpot'
import { landingInLane, placeInLane } from './lane'
import { regionsOf } from './regions'
import { regionSpot } from './regionSpot'
import { snapped } from './snap'
import { landingAt, sizeOn, turnOn, type Landing, type Table } from './table'

/** A card let go a little beside the page was meant for the page. */
export const BESIDE = 60

/**
 * The places that are lit for a landing: all that the piece would surely be in; where there are none, those it may be
 * in.
 */
export function litPlaces({ shares }: Landing): PlaceId[] {
  const sure = shares.filter(share => share.certainty === 'in')
  return (sure.length ? sure : shares).map(share => share.place)
}

/**
 * Let go with its middle here: on the page, and laid to its neighbours where it is a tile. Null farther beside the
 * page.
 */
export function landing(table: Table, piece: PieceId, middle: Point): Landing | null {
  const { page, state, edition } = table
  if (middle.x <= -BESIDE || middle.y <= -BESIDE || middle.x >= page.width + BESIDE || middle.y >= page.height + BESIDE)
    return null
  return landingAt(
    table,
    piece,
    clampPiece(snapped({ state, piece, centre: middle, page, edition }), sizeOn(table, piece), page),
  )
}

/**
 * Given to the spot that was pointed at: surely into what is there, clear of edges and, where there is room, of other
 * pieces. Into the cell, gap or slot, with a label's tip on the pin, on a scale at the very value; between rings into
 * the region. Where there is no place, just there.
 */
export function landingAtPoint(table: Table, piece: PieceId, point: Point): Landing {
  const { page, edition } = table
  const { piece: held } = edition.pieces.get(piece)!
  const size = sizeOn(table, piece)
  const there = page.places.filter(place => takes(place, held) && within(outlined(place.shape).points, point))
  const place = smallest(there.filter(one => one.kind !== 'zone')) ?? smallest(there)
  if (!place) return landingAt(table, piece, clampPiece(point, size, page))
  if (held.kind === 'label') {
    const tip = place.kind === 'pin' ? middleOf(place) : point
    return landingAt(
      table,
      piece,
      clampToPage(tipAt(held.tip, edition.pieces.get(piece)!.master, turnOn(table, piece), tip), page),
    )
  }
  switch (place.kind) {
    case 'slot':
      return landingAt(table, piece, clampToPage(middleOf(place), page))
    case 'grid':
      if (held.kind === 'cover') return landing(table, piece, point)!
      return landingAt(table, piece, nearest(middlesOf(place), point))
    case 'gaps':
      return landingAt(table, piece, nearest(middlesOf(place), point))
    case 'scale':
      return landingAt(table, piece, clampPiece(alongScale(place, point, size), size, page))
    case 'lane':
      return inLane(table, piece, place, point)
    case 'zone':
    case 'pan':
    case 'pin':
    case 'writing':
    case 'drawing':
      return roomIn(
        table,
        piece,
        there.filter(one => one.kind === 'zone').length > 1 || inRegion(page, place) ? there : [place],
        point,
      )
  }
}

/** Just there where there is room; on another card, or in the crowd, before or after what is there. */
function inLane(table: Table, piece: PieceId, lane: Lane, point: Point): Landing {
  const size = sizeOn(table, piece)
  const set = landingAt(table, piece, clampToPlace(point, size, lane))
  const box = boxAround(set.at, size)
  const others = boxesOfOthers(table.state, piece, table.page, table.edition)
  const nth = placeInLane(table, lane, piece, point)
  return nth === null || !others.some(other => overlaps(other, box)) ? set : landingInLane(table, lane, piece, nth)
}

export const inRegion = (page: Page, place: Place) => regionsOf(page).some(region => region.zones.includes(place.id))

/** The smallest of several places is the one that is meant; ties go to the first. */
export function smallest(places: readonly Place[]): Place | undefined {
  return places.reduce<Place | undefined>(
    (best, place) => (best && area(outlined(best.shape).points) <= area(outlined(place.shape).points) ? best : place),
    undefined,
  )
}

const nearest = (spots: readonly Point[], to: Point): Point =>
  spots.reduce((best, spot) =>
    Math.hypot(spot.x - to.x, spot.y - to.y) < Math.hypot(best.x - to.x, best.y - to.y) ? spot : best,
  )

/** On a scale the value is what was pointed at; only across it the piece is set into its room. */
function alongScale(place: Place, point: Point, size: { width: number; height: number }): Point {
  const { width, height } = bounds(outlined(place.shape).points)
  const set = clampToPlace(point, size, place)
  return width >= height ? { x: point.x, y: set.y } : { x: set.x, y: point.y }
}

function roomIn(table: Table, piece: PieceId, there: readonly Place[], point: Point): Landing {
  const { state, page, edition } = table
  const homes = there.filter(place => place.kind === 'zone').map(place => place.id)
  const set = landingAt(
    table,
    piece,
    clampPiece(
      there.length === 1 ? clampToPlace(point, sizeOn(table, piece), there[0]!) : point,
      sizeOn(table, piece),
      page,
    ),
  )
  const box = boxAround(set.at, sizeOn(table, piece))
  const sure = set.shares.every(share => share.certainty === 'in') && set.shares.length === there.length
  if (sure && !boxesOfOthers(state, piece, page, edition).some(other => overlaps(other, box))) return set
  const region = homes.length ? regionSpot({ state, piece, homes, page, edition, near: point }) : null
  return landingAt(table, piece, region ?? freeSpot({ state, piece, place: there[0]!, page, edition }))
}

/** The piece moved by a little from where it is held, kept on the page. */
export function nudged(table: Table, piece: PieceId, at: Point, by: Point): Landing {
  return landingAt(table, piece, clampPiece({ x: at.x + by.x, y: at.y + by.y }, sizeOn(table, piece), table.page))
}
