import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Master, Piece } from '../board/piece'
import type { Place } from '../board/place'
import { boxAround, outlined, overlaps } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { piecesOf } from '../slate/pieces'
import type { OnPage, SlateState } from '../slate/state'
import { bodyOf } from '../bodies/body'
import { claim, TIP_LENGTH, type Claim } from '../bodies/claim'

/** A piece with this share of its area in a place, or more, is in it. */
export const SURELY_IN = 0.75
/** A piece with this share or less is out of it. In between nobody can be sure, and the software doesn't pretend. */
export const SURELY_OUT = 0.25

export type Certainty = 'in' | 'unsure'
export interface Share extends Claim {
  readonly place: PlaceId
  readonly certainty: Certainty
}

/**
 * Where one piece is. `shares` names the places it is in, or may be in, largest share first; ties in the order of the
 * places.
 */
export type Placement =
  | { readonly piece: PieceId; readonly at: 'ledge'; readonly shares: readonly [] }
  | { readonly piece: PieceId; readonly at: 'page'; readonly centre: Point; readonly shares: readonly Share[] }

/** Shares are quotients of floating areas: a billionth beside the border is on it, and what is on it is sure. */
const EXACTNESS = 1e-9

/** Null when the share is so small that the piece is out. */
export function certainty(share: number): Certainty | null {
  return share >= SURELY_IN - EXACTNESS ? 'in' : share > SURELY_OUT + EXACTNESS ? 'unsure' : null
}

/**
 * How surely a piece lies in a cell, or a gap, of a place it has a share in. Surely in one, it is in no other; half in
 * one and half in the next, it may be meant for each.
 */
export function certaintyInCell(
  { cell, cells = [], certainty: best }: Share,
  row: number,
  column: number,
): Certainty | null {
  if (best === 'in') return cell?.row === row && cell.column === column ? 'in' : null
  const here = cells.find(one => one.cell.row === row && one.cell.column === column)
  if (!here) return null
  // Where four cells meet none of them has more than the others.
  const most = Math.max(...cells.map(one => one.share))
  return certainty(here.share) ?? (here.share >= most - EXACTNESS ? 'unsure' : null)
}

/** How surely it lies in a place as a whole, however its share is divided among the cells; or in one row of them. */
export function certaintyInAll({ share, cells }: Share, row?: number): Certainty | null {
  if (!cells) return certainty(share)
  return certainty(cells.reduce((sum, one) => (row === undefined || one.cell.row === row ? sum + one.share : sum), 0))
}

/** Wherever a label's tip points, it has to do with nothing outside of this. */
function anyTurn(centre: Point, { width, height }: Master): Box {
  const reach = Math.hypot(width, height) + 2 * TIP_LENGTH
  return boxAround(centre, { width: reach, height: reach })
}
const placeRooms = new WeakMap<Page, readonly { readonly place: Place; readonly room: Box }[]>()

/** The places of a page with the box around each, worked out once for each page. */
function roomsOf(page: Page) {
  const before = placeRooms.get(page)
  if (before) return before
  const rooms = page.places.map(place => ({
    place,
    room: place.kind === 'pin' ? grown(outlined(place.shape).box) : outlined(place.shape).box,
  }))
  placeRooms.set(page, rooms)
  return rooms
}

/** A pin reaches as far again as it is wide. */
const grown = ({ x, y, width, height }: Box): Box => ({
  x: x - width / 2,
  y: y - height / 2,
  width: 2 * width,
  height: 2 * height,
})

const wholeShare = ({ share, cells }: Claim) => (cells ? cells.reduce((sum, cell) => sum + cell.share, 0) : share)

/**
 * The places of the page that a piece lying so is in, or may be in, largest share first; ties in the order of the
 * places.
 */
export function sharesOf(
  piece: Piece,
  master: Master,
  lies: Point & { readonly turn?: number | undefined },
  page: Page,
): Share[] {
  const body = piece.kind === 'label' ? undefined : bodyOf(piece.kind, master, lies)
  const around = body?.box ?? anyTurn(lies, master)
  const shares: Share[] = []
  for (const { place, room } of roomsOf(page)) {
    if (!overlaps(room, around)) continue
    const claimed = claim({ place, piece, master, lies, known: body })
    const sure = claimed && certainty(wholeShare(claimed)) && (certainty(claimed.share) ?? 'unsure')
    if (sure) shares.push({ place: place.id, ...claimed, certainty: sure })
  }
  return shares.length > 1 ? shares.sort((a, b) => b.share - a.share) : shares
}

interface Worked {
  readonly piece: Piece
  readonly master: Master
  readonly page: Page
  readonly placement: Placement
}
/**
 * Where a piece lies is never changed in place: what was worked out for it holds until it is moved, however often the
 * others of its page are.
 */
const worked = new WeakMap<OnPage, Worked>()

function placedAt(position: OnPage, piece: Piece, master: Master, page: Page): Placement {
  const known = worked.get(position)
  if (known?.piece === piece && known.page === page && known.master === master) return known.placement
  const shares = sharesOf(piece, master, position, page)
  const placement: Placement = { piece: piece.id, at: 'page', centre: { x: position.x, y: position.y }, shares }
  worked.set(position, { piece, master, page, placement })
  return placement
}

/** Where every piece of a page is, in the order of the page's pieces; copies stand where their bin does. */
export function placePieces(state: SlateState, page: Page, edition: Edition): Placement[] {
  return piecesOf(state, page, edition).map(piece => {
    const position = state.pieces[piece.id]
    return position
      ? placedAt(position, piece, edition.pieces.get(piece.id)!.master, page)
      : { piece: piece.id, at: 'ledge', shares: [] }
  })
}
