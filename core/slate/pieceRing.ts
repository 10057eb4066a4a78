import type { PieceId } from '../board/ids'
import type { OnPage } from './stateSchema'

export type Pieces = { readonly [piece: PieceId]: OnPage }
export type PieceChange = readonly [PieceId, OnPage | null]

/** The pieces as they lay before a move, and as the move lays them, in as many as three steps. */
const COPIES = 4

/** Which ring a record of pieces belongs to, as long as it lasts. */
const rings = new WeakMap<Pieces, PieceRing>()
export const ringOf = (pieces: Pieces): PieceRing | undefined => rings.get(pieces)

/**
 * The pieces of a slate while many moves are made on it in a row, and nobody looks back further than to the state
 * before a move. A few copies take turns: the oldest is brought to where the newest is and a step further, which costs
 * what was changed and not what lies on the page. A step that isn't made on the newest, or one more than a move may
 * take, ends the ring: from there on each state is a copy of its own again, as outside of it.
 */
export class PieceRing {
  readonly #copies: Record<PieceId, OnPage>[]
  /** What each copy hasn't been told yet, the earliest first. */
  readonly #untold: (readonly PieceChange[])[][]
  #newest = 0
  #steps = 0
  /** Where the highest piece lies in the newest copy; null where that has to be looked for. */
  #top: number | null = null

  constructor(pieces: Pieces) {
    this.#copies = Array.from({ length: COPIES }, () => ({ ...pieces }))
    this.#untold = this.#copies.map(() => [])
    for (const copy of this.#copies) rings.set(copy, this)
  }

  get pieces(): Pieces {
    return this.#copies[this.#newest]!
  }

  /** The next move begins: states before the newest aren't looked at any more. */
  begin(): void {
    this.#steps = 0
  }

  /** The pieces after these changes; null when the ring has come to its end. */
  after(pieces: Pieces, changes: readonly PieceChange[]): Pieces | null {
    if (pieces !== this.pieces || ++this.#steps === COPIES) {
      this.end()
      return null
    }
    const top = this.#topAfter(pieces, changes)
    for (const untold of this.#untold) untold.push(changes)
    this.#newest = (this.#newest + 1) % COPIES
    const [copy, untold] = [this.#copies[this.#newest]!, this.#untold[this.#newest]!]
    for (const [id, position] of untold.flat()) {
      if (position) copy[id] = position
      else Reflect.deleteProperty(copy, id)
    }
    untold.length = 0
    this.#top = top
    return copy
  }

  /** The height of the highest piece, zero where nothing lies. */
  top(pieces: Pieces): number {
    if (pieces !== this.pieces) return topOf(pieces)
    return (this.#top ??= topOf(pieces))
  }

  /** From now on nothing is changed where it lies; what is kept of the ring stays as it is. */
  end(): void {
    for (const copy of this.#copies) rings.delete(copy)
  }

  #topAfter(pieces: Pieces, changes: readonly PieceChange[]): number | null {
    let top = this.#top
    for (const [id, position] of changes) {
      if (top === null) return null
      // The highest may be taken away, or laid lower.
      if (pieces[id]?.z === top && (position?.z ?? 0) < top) return null
      top = Math.max(top, position?.z ?? 0)
    }
    return top
  }
}

export const topOf = (pieces: Pieces): number =>
  Object.values(pieces).reduce((highest, { z }) => Math.max(highest, z), 0)
