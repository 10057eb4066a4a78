import Fraction from 'fraction.js'
import type { PieceId } from '../../board/ids'
import { polynomialOf, type Polynomial } from '../../exact/polynomial'
import type { Box } from '../../geometry/shape'
import { common, unionArea } from '../../geometry/union'
import { straightBox } from '../../placement/straight'
import { termOf, type MarkContext } from '../context'

type Tiles = Pick<MarkContext, 'edition' | 'state'>

/** Children lay tiles by hand: a gap or an overlap up to this share of the smallest tile's side is none. */
const SLACK = 1 / 3

export const expressionOf = (tiles: readonly PieceId[], context: Tiles): Polynomial =>
  polynomialOf(tiles.flatMap((id) => {
    const term = termOf(context, id)
    return term ? [term] : []
  }))

/** How many pairs of a tile and its negative lie there: together they make nothing (common practice, no source). */
export function zeroPairs(tiles: readonly PieceId[], context: Tiles): number {
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
export function rectangleOf(tiles: readonly PieceId[], context: Tiles): [Polynomial, Polynomial] | null {
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
  const [right, foot] = [Math.max(...boxes.map(b => b.x + b.width)), Math.max(...boxes.map(b => b.y + b.height))]
  const around = { x, y, width: right - slack / 2 - x, height: foot - slack / 2 - y }
  const grown = boxes.flatMap(b =>
    common({ x: b.x - slack / 2, y: b.y - slack / 2, width: b.width + slack, height: b.height + slack }, around) ?? [])
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
