import type { Point } from '../geometry/shape'
import { leavesOf, type Joined } from './sorts'

/** A tree drawn on its side: leaves below each other at the left, what joins later further to the right. */
export interface TreePicture {
  readonly leaves: readonly { readonly piece: string; readonly y: number }[]
  /** Each join as three lines in one: from the one branch across to the other. */
  readonly joins: readonly { readonly points: readonly Point[]; readonly at: number }[]
  readonly height: number
}

/** `width` is that of the whole of it, from joins by all (at the left) to joins by none; `step` from leaf to leaf. */
export function treePicture(tree: Joined, { width, step }: { width: number; step: number }): TreePicture {
  const leaves = leavesOf(tree).map((piece, i) => ({ piece, y: (i + 0.5) * step }))
  const yOf = new Map(leaves.map(leaf => [leaf.piece, leaf.y]))
  const joins: { points: Point[]; at: number }[] = []
  const draw = (part: Joined): Point => {
    if ('piece' in part) return { x: 0, y: yOf.get(part.piece)! }
    const [a, b] = part.of.map(draw) as [Point, Point]
    const x = (1 - Math.max(0, Math.min(1, part.at))) * width
    joins.push({ points: [a, { x, y: a.y }, { x, y: b.y }, b], at: part.at })
    return { x, y: (a.y + b.y) / 2 }
  }
  draw(tree)
  return { leaves, joins, height: leaves.length * step }
}
