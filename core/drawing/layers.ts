import type { Page } from '../board/board'
import type { Clip, Link } from '../board/clip'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Master, Piece } from '../board/piece'
import type { Place } from '../board/place'
import { boxOf, overlaps } from '../geometry/outline'
import { writtenSpots, type Spot } from '../layout/written'
import { ownOn, type OwnOnSlate } from '../slate/own'
import { piecesOf } from '../slate/pieces'
import { arrowsOf, strokesOf, type OnPage, type SlateState, type Stroke } from '../slate/state'

/** What of a page lies under what students do, beside its backdrop, its steps and its places themselves. */
export interface Fixed {
  /** Zones on which another's ground lies: their outlines are drawn once more over it, or it would veil them. */
  readonly veiled: readonly Place[]
  /** Printed, but to be pressed: over the places, under the pieces. */
  readonly pressed: readonly (Clip | Link)[]
  readonly spots: readonly Spot[]
}

export function fixedOn(page: Page): Fixed {
  const zones = page.places.filter(place => place.kind === 'zone')
  return {
    veiled: zones.filter((zone, i) => zones.slice(i + 1).some(over => overlaps(boxOf(zone), boxOf(over)))),
    pressed: [...(page.backdrop.clips ?? []), ...(page.backdrop.links ?? [])],
    spots: writtenSpots(page),
  }
}

export interface Lying {
  readonly piece: Piece
  readonly master: Master
  readonly at: OnPage
}

/** The pieces that lie on a page, the lowest first. */
export function lyingPieces(state: SlateState, page: Page, edition: Edition): Lying[] {
  return piecesOf(state, page, edition)
    .flatMap(piece => {
      const at = state.pieces[piece.id]
      return at ? [{ piece, master: edition.pieces.get(piece.id)!.master, at }] : []
    })
    .sort((a, b) => a.at.z - b.at.z)
}

/** The strokes in the drawing spaces of a page. */
export function strokesOn(state: SlateState, page: Page): readonly [string, Stroke][] {
  const here = new Set<string>(page.places.map(place => place.id))
  return strokesOf(state).filter(([, stroke]) => here.has(stroke.place))
}

/** The arrows between pieces of a page that lie on it. */
export const joinsOn = (state: SlateState, page: Page, edition: Edition): readonly [PieceId, PieceId][] =>
  arrowsOf(state).filter(([from]) => edition.pieces.get(from)?.page === page)

export interface OwnThing {
  readonly id: string
  readonly thing: OwnOnSlate
}
/** What students made on a page: colour lies under the places, shapes under the pieces, all else over them. */
export interface OwnLayers {
  readonly colours: readonly OwnThing[]
  readonly shapes: readonly OwnThing[]
  readonly above: readonly OwnThing[]
  /** Places that somebody coloured: their ground lets the colour through. */
  readonly coloured: ReadonlySet<PlaceId>
}

export function ownLayers(state: SlateState, page: Page): OwnLayers {
  const own = ownOn(state.own, page.id).map(([id, thing]) => ({ id, thing }))
  const colours = own.filter(({ thing }) => thing.kind === 'colour')
  return {
    colours,
    shapes: own.filter(({ thing }) => thing.kind === 'shape'),
    above: own.filter(({ thing }) => thing.kind !== 'colour' && thing.kind !== 'shape'),
    coloured: new Set(colours.flatMap(({ thing }) => (thing.kind === 'colour' ? [thing.place] : []))),
  }
}
