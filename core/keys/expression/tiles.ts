import Fraction from 'fraction.js'
import type { PieceId } from '../../board/ids'
import { polynomialOf, type Polynomial } from '../../exact/polynomial'
import type { Box } from '../../geometry/shape'
import { common, unionArea } from '../../geometry/union'
import { straightBox } from '../../bodies/straight'
import { termOf, type MarkContext } from '../context'

type Tiles = Pick<MarkContext, 'edition' | 'state'>

/** Children lay tiles by hand: a gap or an overlap up to this share of the smallest tile's side is none. */
const SLACK = 1 / 3

export const expressionOf = (tiles: readonly PieceId[], context: Tiles): Polynomial =>
  polynomialOf(
    tiles.flatMap(id => {
      const term = termOf(context, id)
      return term ? [term] : []
    }),
  )

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

interface Laid {
  readonly box: Box
  /** Lengths across and down, as terms. */
  readonly across: string
  readonly down: string
  readonly negative: boolean
}

/**
 * The two sides of the rectangle that tiles fill, across and down; null where they don't: a gap, an overlap, a tile
 * aslant, or a tile whose term isn't the product of its own two sides. With negative tiles each column and each row has
 * a sign, and a tile is negative where the two differ: x², −x beside it and below, and +1 in the corner are (x − 1)(x −
 * 1).
 */
export function rectangleOf(tiles: readonly PieceId[], context: Tiles): [Polynomial, Polynomial] | null {
  const laid = tiles.map((id): Laid | null => {
    const box = straightBox(context.state.pieces[id]!, context.edition.pieces.get(id)!.master)
    const term = termOf(context, id)!
    const sides = box && sidesOf(term, box, (context.state.pieces[id]!.turn ?? 0) % 180 === 90)
    return box && sides ? { box, across: sides[0], down: sides[1], negative: term[1].compare(0) < 0 } : null
  })
  if (laid.length === 0 || !laid.every(tile => tile !== null)) return null
  const boxes = laid.map(tile => tile.box)
  const slack = SLACK * Math.min(...boxes.flatMap(b => [b.width, b.height]))
  if (!fillBounds(boxes, slack)) return null
  const [top, left] = [Math.min(...boxes.map(b => b.y)), Math.min(...boxes.map(b => b.x))]
  const columns = laid.filter(({ box }) => box.y - top <= slack)
  const rows = laid.filter(({ box }) => box.x - left <= slack)
  const corner = columns.find(tile => rows.includes(tile))
  if (!corner) return null
  // The first column is positive where its corner tile is; the first row always.
  const down = rows.map(tile => ({ term: tile.down, sign: tile.negative === corner.negative ? 1 : -1, tile }))
  const across = columns.map(tile => ({ term: tile.across, sign: tile.negative ? -1 : 1, tile }))
  if (laid.some(tile => tile.negative) && !laid.every(tile => hasSign(tile, across, down))) return null
  const side = (parts: typeof down) =>
    polynomialOf(parts.map(({ term, sign }): [string, Fraction] => [term, new Fraction(sign)]))
  return [side(across), side(down)]
}

type Side = readonly { readonly sign: number; readonly tile: Laid }[]

/** Whether a tile has the sign that its column and its row give it. */
function hasSign({ box, negative }: Laid, across: Side, down: Side): boolean {
  const shared = (from: number, size: number, other: number, otherSize: number) =>
    Math.min(from + size, other + otherSize) - Math.max(from, other)
  const most = (side: Side, along: (tile: Laid) => number) =>
    side.reduce((best, one) => (along(one.tile) > along(best.tile) ? one : best)).sign
  const column = most(across, tile => shared(box.x, box.width, tile.box.x, tile.box.width))
  const row = most(down, tile => shared(box.y, box.height, tile.box.y, tile.box.height))
  return negative === column * row < 0
}

/**
 * No two overlap by more than the slack; grown by half of it they leave nothing free of the box around them, drawn in
 * by half of it.
 */
function fillBounds(boxes: readonly Box[], slack: number): boolean {
  const overlap = boxes.some((a, i) =>
    boxes.slice(i + 1).some(b => {
      const part = common(a, b)
      return part !== null && Math.min(part.width, part.height) > slack
    }),
  )
  if (overlap) return false
  const [x, y] = [Math.min(...boxes.map(b => b.x)) + slack / 2, Math.min(...boxes.map(b => b.y)) + slack / 2]
  const [right, foot] = [Math.max(...boxes.map(b => b.x + b.width)), Math.max(...boxes.map(b => b.y + b.height))]
  const around = { x, y, width: right - slack / 2 - x, height: foot - slack / 2 - y }
  const grown = boxes.flatMap(
    b =>
      common({ x: b.x - slack / 2, y: b.y - slack / 2, width: b.width + slack, height: b.height + slack }, around)
      ?? [],
  )
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
