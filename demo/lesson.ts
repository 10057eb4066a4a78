import type { Edition } from '../core/board/edition'
import type { PieceId, PlaceId } from '../core/board/ids'
import { sortKeyOf } from '../core/keys/sort/ofPage'
import type { Random } from '../core/layout/random'
import { shuffled } from '../core/layout/random'
import { clampPiece, freeSpot } from '../core/placement/freeSpot'
import { HOLDER } from '../core/slate/actor'
import { apply, invert, type Move } from '../core/slate/move'
import { emptySlate, type SlateState } from '../core/slate/state'
import { knowTexts } from '../core/slate/withTexts'

knowTexts()

export interface Played {
  readonly move: Move
  readonly inverse: Move | null
  readonly after: number
}

/** Of a class the share that believes what isn't so. */
const BELIEVING = 0.6

/**
 * How a student may work: takes the cards as they stand on the ledge, more or less; knows most answers, and shares what
 * the class believes (a wrong home by the word of a card); puts a card down a little askew; now and then thinks again.
 * `after` is seconds since the start.
 */
export function playLesson(
  edition: Edition,
  random: Random,
  plan: { cards: number; knows: number; pace: number; believes?: Readonly<Record<string, string>> },
): { moves: Played[]; state: SlateState } {
  const page = edition.board.pages[0]!
  const homes = sortKeyOf(edition.board, page.id)!.homes
  const moves: Played[] = []
  let state = emptySlate
  let clock = 5 + random() * 20

  const make = (move: Move) => {
    const result = apply(state, move, { edition, actor: HOLDER })
    if (!result.ok) throw new Error(result.reason.code)
    clock += plan.pace * (0.4 + 1.2 * random())
    moves.push({ move, inverse: invert(state, move, edition), after: clock })
    state = result.value
  }
  const putIn = (piece: PieceId, target: PlaceId) => {
    const place = page.places.find(p => p.id === target)!
    const spot = freeSpot({ state, piece, place, page, edition })
    // Children don't place by ruler; one in twenty lands on an edge.
    const slip = random() < 0.05 ? 70 : 9
    const askew = { x: spot.x + (random() - 0.5) * slip, y: spot.y + (random() - 0.5) * 10 }
    make({ kind: 'put', piece, ...clampPiece(askew, edition.pieces.get(piece)!.master, page) })
  }
  const placeCalled = (heading: string | undefined) => page.places.find(place => place.heading === heading)?.id
  const anyPlace = () => page.places[Math.floor(random() * page.places.length)]!.id
  const order = [...shuffled(page.ledge.slice(0, plan.cards), random), ...page.ledge.slice(plan.cards)]
  for (const piece of order.slice(0, plan.cards)) {
    const right = homes[piece]?.[0]
    const believed = placeCalled(plan.believes?.[edition.pieces.get(piece)!.piece.text])
    if (believed && random() < BELIEVING) {
      putIn(piece, believed)
      continue
    }
    if (random() < plan.knows) {
      if (right) putIn(piece, right)
      continue
    }
    putIn(piece, anyPlace())
    if (random() < 0.4) {
      putIn(piece, anyPlace())
      if (right && random() < 0.5) putIn(piece, right)
    }
  }
  return { moves, state }
}
