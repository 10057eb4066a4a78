import Fraction from 'fraction.js'
import type { PieceId, PlaceId } from '../../board/ids'
import { measure, measureText } from '../../exact/measure'
import { equalPolynomials, evaluate, polynomialText, readTerm, type Polynomial } from '../../exact/polynomial'
import { quantity, type Quantity } from '../../exact/quantity'
import { contentsOf } from '../../placement/contents'
import { measureOf, termOf, type MarkContext } from '../context'
import { expressionOf } from '../expression/tiles'
import { kindOfKey, pieceHas } from '../kind'
import { marksWith, type ItemMark } from '../outcome'
import { someReading } from '../readings'
import { EMPTY } from '../reason'
import type { BalanceKey } from './key'

const reasons = {
  ...EMPTY,
  right: {
    doing: {},
    codes: { 'balance-level': { left: 'text', right: 'text' }, 'balance-solved': { left: 'text', right: 'text' } },
  },
  'balance-wrong': { doing: { left: 'text', right: 'text' }, codes: { 'balance-tilted': {}, 'balance-unsolved': {} } },
  'not-clear': { doing: {}, codes: { 'balance-unsure': {} } },
} as const
const mark = marksWith(reasons)

/**
 * Marks two pans: right when both hold something of exactly equal value, an x counting what it stands for. To solve it,
 * a single x must stand alone on one side, too. A tile on an edge leaves it on the line if some reading of it is right.
 * One point.
 */
export const balanceKind = kindOfKey<BalanceKey>()({
  reasons,
  counted: false,
  mark: markBalance,
  /**
   * Two pans are to hold the same; with an x among the tiles, it is to stand alone in the end. What x is worth the pans
   * themselves say.
   */
  keep(context, former) {
    const [left, right] = context.page.places.filter(place => place.kind === 'pan')
    if (!left || !right) return []
    const letters = context.page.pieces.some(piece => piece.kind === 'tile' && readTerm(piece.term ?? '1') === 'x')
    const unknown = letters ? (unknownOf(left.id, right.id, context) ?? former[0]?.unknown) : undefined
    return [
      {
        left: left.id,
        right: right.id,
        ...(unknown !== undefined && { unknown }),
        ...(letters && { solve: former[0]?.solve ?? true }),
      },
    ]
  },
  lay: null,
  suits: page => page.places.filter(p => p.kind === 'pan').length > 1 && pieceHas(page, 'tile'),
  canBeDone: (_, page) => pieceHas(page, 'tile'),
  answers: null,
  interchanged: null,
  alsoRight: null,
})

function markBalance(key: BalanceKey, context: MarkContext): ItemMark[] {
  const held = (place: PlaceId, certainty: 'in' | 'unsure') =>
    contentsOf(place, context.placements, certainty)
      .map(h => h.piece)
      .filter(id => termOf(context, id))
  const [left, right] = [held(key.left, 'in'), held(key.right, 'in')]
  const perhaps = [
    ...held(key.left, 'unsure').map(id => ({ id, left: true })),
    ...held(key.right, 'unsure').map(id => ({ id, left: false })),
  ]
  const surely = markPans(left, right, key, context)
  if (perhaps.length === 0) return [surely]
  const couldBeRight = someReading(perhaps, meant => {
    const side = (isLeft: boolean) => meant.filter(one => one.left === isLeft).map(one => one.id)
    // A tile between the pans is in one of them at most.
    if (side(true).some(id => side(false).includes(id))) return false
    return markPans([...left, ...side(true)], [...right, ...side(false)], key, context).verdict === 'right'
  })
  if (couldBeRight)
    return [mark({ is: 'place', item: key.left, verdict: 'on-the-line', code: 'balance-unsure', words: {} })]
  const words = { left: sideText(left, context), right: sideText(right, context) }
  return [
    surely.verdict === 'not-placed'
      ? mark({ is: 'place', item: key.left, verdict: 'wrong', code: 'balance-tilted', words })
      : surely,
  ]
}

/** What certain tiles on the two pans say. */
function markPans(
  left: readonly PieceId[],
  right: readonly PieceId[],
  key: BalanceKey,
  context: MarkContext,
): ItemMark {
  const step = stepOf(left, right, key, context)
  const about = { is: 'place', item: key.left } as const
  const words = { left: sideText(left, context), right: sideText(right, context) }
  if (left.length === 0 && right.length === 0)
    return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  if (!step.level) return mark({ ...about, verdict: 'wrong', code: 'balance-tilted', words })
  if (key.solve && !step.solved) return mark({ ...about, verdict: 'wrong', code: 'balance-unsolved', words })
  return mark({ ...about, verdict: 'right', code: key.solve ? 'balance-solved' : 'balance-level', words })
}

/** What the pans say: the equation, whether it is true, and whether the unknown stands alone in it. */
export interface BalanceStep {
  readonly equation: string
  readonly level: boolean
  readonly solved: boolean
}

type Tiles = Pick<MarkContext, 'edition' | 'state'>

export function stepOf(
  left: readonly PieceId[],
  right: readonly PieceId[],
  key: BalanceKey,
  context: Tiles,
): BalanceStep {
  const [l, r] = [expressionOf(left, context), expressionOf(right, context)]
  const [a, b] = [valueOfSide(l, key), valueOfSide(r, key)]
  // An equation that holds for every x is true without knowing it; lengths and masses never balance.
  const same = equalPolynomials(l, r) || (a !== null && b !== null && a.equals(b))
  const level = left.length > 0 && right.length > 0 && same && dimensionsOf([...left, ...right], context).size === 1
  const alone = (side: readonly PieceId[], other: Polynomial) =>
    side.length === 1
    && polynomialText(expressionOf(side, context)) === 'x'
    && [...other.keys()].every(term => term === '1')
  return {
    equation: `${polynomialText(l)} = ${polynomialText(r)}`,
    level,
    solved: level && (alone(left, r) || alone(right, l)),
  }
}

const dimensionsOf = (tiles: readonly PieceId[], { edition, state }: Tiles) =>
  new Set(
    tiles.flatMap(id => {
      const piece = edition.pieces.get(id)?.piece
      if (piece?.kind !== 'tile') return []
      return [measure(state.pieces[id]?.flipped && piece.other ? piece.other.value : piece.value).dimension]
    }),
  )

/** Null when a letter is there that nothing is known of. */
function valueOfSide(side: Polynomial, key: BalanceKey): Quantity | null {
  return evaluate(side, key.unknown === undefined ? {} : { x: quantity(key.unknown) })
}

function sideText(tiles: readonly PieceId[], context: MarkContext): string {
  const dimension = tiles.map(id => measureOf(context, id)?.dimension).find(d => d && d !== 'number')
  const side = expressionOf(tiles, context)
  const plain = side.get('1')
  return dimension && plain && side.size === 1 ? measureText(plain, dimension) : polynomialText(side)
}

/** The one x for which the pans are level; null where there is none, or any. */
function unknownOf(left: PlaceId, right: PlaceId, context: MarkContext): string | null {
  const [a, b] = [left, right].map(place =>
    expressionOf(
      contentsOf(place, context.placements, 'in').map(h => h.piece),
      context,
    ),
  ) as [Polynomial, Polynomial]
  if ([...a.keys(), ...b.keys()].some(term => term !== '1' && term !== 'x')) return null
  const many = (a.get('x') ?? new Fraction(0)).sub(b.get('x') ?? 0)
  return many.equals(0)
    ? null
    : (b.get('1') ?? new Fraction(0))
        .sub(a.get('1') ?? 0)
        .div(many)
        .toFraction()
}
