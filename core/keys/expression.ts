import type { Keeper } from './keep'
import type { PieceId } from '../board/ids'
import type { ExpressionKey } from '../board/key'
import { equalPolynomials, multiply, polynomial, polynomialOf, polynomialText, type Polynomial } from '../exact/polynomial'
import Fraction from 'fraction.js'
import { common, unionArea } from '../geometry/union'
import type { Box } from '../geometry/shape'
import { contentsOf } from '../placement/contents'
import { straightBox } from '../placement/straight'
import { itemMark, termOf, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Children lay tiles by hand: a gap or an overlap up to this share of the smallest tile's side is none. */
const SLACK = 1 / 3

/**
 * Marks the tiles in a place as an expression, zero pairs cancelled. One point: the value must be the target, and where a
 * rectangle or a square is asked for, the tiles themselves must fill one; its sides are the factors. Unsure tiles leave it
 * on the line.
 */
export function markExpression(key: ExpressionKey, context: MarkContext): ItemMark[] {
  const tiles = (certainty: 'in' | 'unsure') => contentsOf(key.place, context.placements, certainty).map(h => h.piece).filter(id => termOf(context, id))
  const [sure, perhaps] = [tiles('in'), tiles('unsure')]
  const made = expressionOf(sure, context)
  const words = { made: polynomialText(made), target: polynomialText(polynomial(key.target)), pairs: zeroPairs(sure, context) }
  const mark = (verdict: ItemMark['verdict'], code: string, more: Record<string, string> = {}) => [itemMark('place', key.place, verdict, code, { ...words, ...more })]
  if (perhaps.length) return mark('on-the-line', 'expression-unsure')
  if (sure.length === 0) return mark('not-placed', 'empty')
  if (!equalPolynomials(made, polynomial(key.target))) return mark('wrong', 'expression-other')
  if (!key.as) return mark('right', 'expression-right')
  const sides = rectangleOf(sure, context)
  if (!sides || !equalPolynomials(multiply(...sides), made)) return mark('wrong', 'expression-gaps')
  const factors = { product: sides.map(side => `(${polynomialText(side)})`).join('') }
  if (key.as === 'square' && !equalPolynomials(...sides)) return mark('wrong', 'expression-no-square', factors)
  return mark('right', 'expression-product', factors)
}

export const expressionOf = (tiles: readonly PieceId[], context: Pick<MarkContext, 'edition' | 'state'>): Polynomial =>
  polynomialOf(tiles.flatMap((id) => {
    const term = termOf(context, id)
    return term ? [term] : []
  }))

/** How many pairs of a tile and its negative lie there: together they make nothing (common practice, no source). */
function zeroPairs(tiles: readonly PieceId[], context: MarkContext): number {
  const counts = new Map<string, [number, number]>()
  for (const id of tiles) {
    const [term, size] = termOf(context, id)!
    const name = `${term} ${size.abs().toFraction()}`
    const [plus, minus] = counts.get(name) ?? [0, 0]
    counts.set(name, size.compare(0) < 0 ? [plus, minus + 1] : [plus + 1, minus])
  }
  return [...counts.values()].reduce((sum, [plus, minus]) => sum + Math.min(plus, minus), 0)
}

/**
 * The two sides of the rectangle that tiles fill, across and down; null where they don't: a gap, an overlap, a tile
 * aslant, or a tile whose term isn't the product of its own two sides.
 */
export function rectangleOf(tiles: readonly PieceId[], context: Pick<MarkContext, 'edition' | 'state'>): [Polynomial, Polynomial] | null {
  const laid = tiles.map((id) => {
    const box = straightBox(context.state.pieces[id]!, context.edition.pieces.get(id)!.master)
    const sides = box && sidesOf(termOf(context, id)!, box, (context.state.pieces[id]!.turn ?? 0) % 180 === 90)
    return box && sides ? { box, across: sides[0], down: sides[1] } : null
  })
  if (laid.length === 0 || !laid.every(tile => tile !== null)) return null
  const boxes = laid.map(tile => tile.box)
  const slack = SLACK * Math.min(...boxes.flatMap(b => [b.width, b.height]))
  if (!fillBounds(boxes, slack)) return null
  const [top, left] = [Math.min(...boxes.map(b => b.y)), Math.min(...boxes.map(b => b.x))]
  const one = new Fraction(1)
  return [
    polynomialOf(laid.filter(({ box }) => box.y - top <= slack).map(({ across }) => [across, one])),
    polynomialOf(laid.filter(({ box }) => box.x - left <= slack).map(({ down }) => [down, one])),
  ]
}

/** No two overlap by more than the slack; grown by half of it they leave nothing free of the box around them, drawn in by half of it. */
function fillBounds(boxes: readonly Box[], slack: number): boolean {
  const overlap = boxes.some((a, i) => boxes.slice(i + 1).some((b) => {
    const part = common(a, b)
    return part !== null && Math.min(part.width, part.height) > slack
  }))
  if (overlap) return false
  const [x, y] = [Math.min(...boxes.map(b => b.x)) + slack / 2, Math.min(...boxes.map(b => b.y)) + slack / 2]
  const around = { x, y, width: Math.max(...boxes.map(b => b.x + b.width)) - slack / 2 - x, height: Math.max(...boxes.map(b => b.y + b.height)) - slack / 2 - y }
  const grown = boxes.flatMap(b => common({ x: b.x - slack / 2, y: b.y - slack / 2, width: b.width + slack, height: b.height + slack }, around) ?? [])
  return unionArea(grown) >= around.width * around.height * (1 - 1e-9)
}

/** The lengths of a tile across and down, as terms. The longer side of an x tile is x. */
function sidesOf([term, size]: readonly [string, Fraction], box: Box, turned: boolean): [string, string] | null {
  if (!size.abs().equals(1)) return null
  const letters = [...term.matchAll(/([a-z])(?:\^2)?/g)].map(m => m[1]!)
  if (term === '1') return ['1', '1']
  if (letters.length === 1) {
    const [letter] = letters as [string]
    if (term === `${letter}^2`) return [letter, letter]
    return term === letter ? (box.width >= box.height ? [letter, '1'] : ['1', letter]) : null
  }
  if (letters.length !== 2 || term !== letters.join('')) return null
  return turned ? [letters[1]!, letters[0]!] : [letters[0]!, letters[1]!]
}

/** What the tiles in each place make is what they are to make; where they fill a rectangle or a square, they are to. */
export const keepExpression: Keeper<'expression'> = context => context.page.places.flatMap((place) => {
  const tiles = contentsOf(place.id, context.placements, 'in').map(h => h.piece).filter(id => termOf(context, id))
  if (tiles.length === 0) return []
  const sides = rectangleOf(tiles, context)
  const filled = sides && equalPolynomials(multiply(...sides), expressionOf(tiles, context)) ? sides : null
  const target = polynomialText(expressionOf(tiles, context)).replaceAll('²', '^2').replaceAll('³', '^3')
  return [{ place: place.id, target, ...(filled && { as: equalPolynomials(...filled) ? 'square' as const : 'rectangle' as const }) }]
})
