import type { Board, Page } from './board'
import { binOf } from './binOf'
import type { MasterId, PieceId, PlaceId } from './ids'
import type { Master, Piece } from './piece'
import type { Place } from './place'

export interface KnownPiece {
  readonly piece: Piece
  readonly page: Page
  readonly master: Master
}

/** A frozen board with its pieces and places at hand by id. Built once, asked often. */
export interface Edition {
  readonly board: Board
  /** Knows copies from bins too: a copy is its bin's piece under the copy's own id. */
  readonly pieces: { readonly get: (id: PieceId) => KnownPiece | undefined }
  readonly places: ReadonlyMap<PlaceId, { readonly place: Place; readonly page: Page }>
}

/** Throws when a piece has no master: `readBoard` has refused such a board long before. */
export function makeEdition(board: Board): Edition {
  const masters = new Map<MasterId, Master>(board.masters.map(m => [m.id, m]))
  const masterOf = (piece: Piece) => {
    const master = masters.get(piece.master)
    if (!master) throw new Error(`piece ${piece.id} has no master`)
    return master
  }
  const known = new Map<PieceId, KnownPiece>(
    board.pages.flatMap(page => page.pieces.map(piece => [piece.id, { piece, page, master: masterOf(piece) }])),
  )
  const copyOf = (id: PieceId, bin: KnownPiece | undefined) => {
    if (!bin?.piece.bin) return undefined
    const { bin: _, ...piece } = bin.piece
    return { ...bin, piece: { ...piece, id } as Piece }
  }
  return {
    board,
    pieces: {
      get(id) {
        const bin = binOf(id)
        return bin ? copyOf(id, known.get(bin)) : known.get(id)
      },
    },
    places: new Map(board.pages.flatMap(page => page.places.map(place => [place.id, { place, page }]))),
  }
}

/** The board as it is kept: its ledges are laid, and nothing is left of how. */
export function withoutSeed({ seed: _, ...board }: Board): Board {
  return board
}

/**
 * The edition as a student's device may hold it: no answers, no seed; everything that names pieces in ledge order,
 * since the order in which the teacher typed them usually gives the answers away; pins without their names, which are
 * what the labels are to find. That there is a key, and when it speaks, a student may know.
 */
export function withoutAnswers(board: Board): Board {
  return {
    ...withoutSeed(board),
    keys: [],
    pages: board.pages.map(({ groups: _, ...page }) => {
      const rank = new Map(page.ledge.map((id, i) => [id, i]))
      const byLedge = (a: PieceId, b: PieceId) => rank.get(a)! - rank.get(b)!
      const places = page.places.map(place => (place.kind === 'pin' ? { ...place, heading: '' } : place))
      const staged =
        page.staged
        && Object.fromEntries(
          (Object.entries(page.staged) as [PieceId, { x: number; y: number }][]).toSorted(([a], [b]) => byLedge(a, b)),
        )
      return { ...page, places, pieces: page.pieces.toSorted((a, b) => byLedge(a.id, b.id)), ...(staged && { staged }) }
    }),
  }
}
