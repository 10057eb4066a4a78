import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import { binOf, type PieceId, type PlaceId } from '../board/ids'
import type { Master } from '../board/piece'
import { gapsIn, takes, type Place } from '../board/place'
import { boxAround, outlined, overlaps } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { piecesOf } from '../slate/pieces'
import { arrowsOf, strokesOf, type SlateState } from '../slate/state'
import { claim, TIP_LENGTH, type Claim } from './claim'

/** A piece with this share of its area in a place, or more, is in it. */
export const SURELY_IN = 0.75
/** A piece with this share or less is out of it. In between nobody can be sure, and the software doesn't pretend. */
export const SURELY_OUT = 0.25

export type Certainty = 'in' | 'unsure'
export interface Share extends Claim { readonly place: PlaceId, readonly certainty: Certainty }

/** Where one piece is. `shares` names the places it is in, or may be in, largest share first; ties in the order of the places. */
export type Placement
  = { readonly piece: PieceId, readonly at: 'ledge', readonly shares: readonly [] }
    | { readonly piece: PieceId, readonly at: 'page', readonly centre: Point, readonly shares: readonly Share[] }

/** Null when the share is so small that the piece is out. */
export function certainty(share: number): Certainty | null {
  return share >= SURELY_IN ? 'in' : share > SURELY_OUT ? 'unsure' : null
}

/** However a piece is turned, and wherever a label's tip points, it has to do with nothing outside of this. */
function anyTurn(centre: Point, { width, height }: Master): Box {
  const reach = Math.hypot(width, height) + 2 * TIP_LENGTH
  return boxAround(centre, { width: reach, height: reach })
}
const known = new WeakMap<Page, readonly { readonly place: Place, readonly room: Box }[]>()

/** The places of a page with the box around each, worked out once for each page. */
function roomsOf(page: Page) {
  const before = known.get(page)
  if (before) return before
  const rooms = page.places.map(place => ({ place, room: place.kind === 'pin' ? grown(outlined(place.shape).box) : outlined(place.shape).box }))
  known.set(page, rooms)
  return rooms
}

/** A pin reaches as far again as it is wide. */
const grown = ({ x, y, width, height }: Box): Box => ({ x: x - width / 2, y: y - height / 2, width: 2 * width, height: 2 * height })

/** Where every piece of a page is, in the order of the page's pieces; copies stand where their bin does. */
export function placePieces(state: SlateState, page: Page, edition: Edition): Placement[] {
  const rooms = roomsOf(page)
  return piecesOf(state, page, edition).map((piece) => {
    const position = state.pieces[piece.id]
    if (!position) return { piece: piece.id, at: 'ledge', shares: [] }
    const { master } = edition.pieces.get(piece.id)!
    const around = position.turn || piece.kind === 'label' ? anyTurn(position, master) : boxAround(position, master)
    const shares: Share[] = []
    for (const { place, room } of rooms) {
      if (!overlaps(room, around)) continue
      const claimed = claim(place, piece, master, position)
      const sure = claimed && certainty(claimed.share)
      if (sure) shares.push({ place: place.id, ...claimed, certainty: sure })
    }
    shares.sort((a, b) => b.share - a.share)
    return { piece: piece.id, at: 'page', centre: { x: position.x, y: position.y }, shares }
  })
}

/**
 * The student's progress: pieces that lie in a place, or may do; writing spaces and gaps with something in them; drawing
 * spaces with ink. Notes may stay blank. Where students draw arrows, a piece with an arrow is done too; on a page without any place for pieces
 * every piece is that lies elsewhere than it was given out. Bins never run out, so where there are any, each place that can hold pieces counts instead of the copies.
 */
export function progress(state: SlateState, edition: Edition): { placed: number, of: number } {
  const joined = new Set(arrowsOf(state).flat())
  const done = edition.board.pages.flatMap((page) => {
    const placements = placePieces(state, page, edition)
    const holding = new Set(placements.flatMap(p => p.shares.map(s => s.place)))
    const bins = page.pieces.some(piece => piece.bin)
    const roomy = page.places.some(place => takes(place, { kind: 'card' }))
    return [
      ...placements.filter(p => binOf(p.piece) === null && edition.pieces.get(p.piece)?.piece.kind !== 'note').map(p => p.shares.length > 0 || joined.has(p.piece) || (!roomy && p.at === 'page' && !isStaged(p, page))),
      ...page.places.flatMap(place => toFill(place, bins).map((item) => {
        if (place.kind === 'drawing') return strokesOf(state, place.id).length > 0
        return place.kind === 'writing' || place.kind === 'gaps' ? !!state.texts[item]?.trim() : holding.has(place.id)
      })),
    ]
  })
  return { placed: done.filter(Boolean).length, of: done.length }
}

const isStaged = ({ piece, centre }: Extract<Placement, { at: 'page' }>, page: Page) => page.staged?.[piece]?.x === centre.x && page.staged[piece].y === centre.y

/** What of a place waits for a student, apart from the pieces. */
function toFill(place: Place, bins: boolean): string[] {
  switch (place.kind) {
    case 'writing': case 'drawing': return [place.id]
    case 'gaps': return place.typed ? Array.from({ length: gapsIn(place.text) }, (_, i) => `${place.id}:${i}`) : []
    case 'pin': return []
    default: return bins ? [place.id] : []
  }
}
