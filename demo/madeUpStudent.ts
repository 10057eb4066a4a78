import type { Edition } from '../core/board/edition'
import type { PieceId, PlaceId } from '../core/board/ids'
import { sortKeyOf } from '../core/keys/sort/ofPage'
import type { Random } from '../core/layout/random'
import { clampPiece, freeSpot } from '../core/placement/freeSpot'
import type { Move } from '../core/slate/move'
import type { SlateState } from '../core/slate/state'

/** How a made-up student gets on. */
const TEMPERAMENTS = ['steady', 'circles', 'careless', 'stops', 'asks'] as const
export type Temperament = (typeof TEMPERAMENTS)[number]

/** What a made-up student does next, and after how many seconds. */
export interface Act {
  readonly after: number
  readonly does: { readonly kind: 'move'; readonly move: Move } | { readonly kind: 'ask-for-help' | 'nothing' }
}

/** Who shows what: most of a class simply works, and of each way that needs the teacher there is one. */
export const temperamentOf = (index: number): Temperament =>
  TEMPERAMENTS[[2, 5, 8, 11].indexOf(index % 13) + 1] ?? 'steady'

/** With how much before their way shows. */
const BEFORE = { steady: 0, circles: 3, careless: 0, stops: 2, asks: 4 } as const
const KNOWS = 0.85
const PACE_S = 20

/**
 * A made-up student who sorts the cards of a board's first page, for demonstrations of a class at work. What they do
 * follows from the slate, the random numbers and their temperament alone.
 */
export class MadeUpStudent {
  private done = 0
  private asked = false

  constructor(
    private readonly edition: Edition,
    private readonly temperament: Temperament,
    private readonly random: Random,
  ) {}

  next(state: SlateState): Act {
    const after = -PACE_S * Math.log(1 - this.random()) + 1
    const early = this.done++ < BEFORE[this.temperament]
    const way = early ? 'steady' : this.temperament
    if (way === 'stops') return { after, does: { kind: 'nothing' } }
    if (way === 'asks' && !this.asked) {
      this.asked = true
      return { after, does: { kind: 'ask-for-help' } }
    }
    const move = way === 'circles' ? this.toAndFro(state) : this.onward(state, way === 'careless' ? 0 : KNOWS)
    return { after, does: move ? { kind: 'move', move } : { kind: 'nothing' } }
  }

  private get page() {
    return this.edition.board.pages[0]!
  }

  /** The next card from the ledge; null once all lie somewhere. */
  private onward(state: SlateState, knows: number): Move | null {
    const piece = this.page.ledge.find(id => !state.pieces[id])
    if (!piece) return null
    const [home] = sortKeyOf(this.edition.board, this.page.id)?.homes[piece] ?? []
    const others = this.page.places.map(place => place.id).filter(id => id !== home)
    return this.into(state, piece, home && this.random() < knows ? home : this.anyOf(others))
  }

  /** Always the same card, from one place to the next and back. */
  private toAndFro(state: SlateState): Move | null {
    const piece = this.page.ledge.find(id => state.pieces[id])
    if (!piece) return this.onward(state, KNOWS)
    return this.into(state, piece, this.page.places[this.done % Math.min(2, this.page.places.length)]!.id)
  }

  private anyOf = (places: readonly PlaceId[]) => places[Math.floor(this.random() * places.length)]!

  private into(state: SlateState, piece: PieceId, target: PlaceId): Move {
    const place = this.page.places.find(one => one.id === target)!
    const spot = freeSpot({ state, piece, place, page: this.page, edition: this.edition })
    const askew = { x: spot.x + (this.random() - 0.5) * 9, y: spot.y + (this.random() - 0.5) * 9 }
    return { kind: 'put', piece, ...clampPiece(askew, this.edition.pieces.get(piece)!.master, this.page) }
  }
}
