import { agnes } from 'ml-hclust'

/** One student's sort: the group in which each piece lies, by name; null for a piece that lies in none. */
export type Sort = Readonly<Record<string, string | null>>

/**
 * How often two pieces were put together: of the sorts that laid both somewhere, the share that laid them in one group.
 * Null where no sort laid both. Symmetric, in the order of the pieces; 1 of a piece with itself.
 */
export function togetherness(sorts: readonly Sort[], pieces: readonly string[]): (number | null)[][] {
  return pieces.map(one =>
    pieces.map(other => {
      if (one === other) return 1
      const both = sorts.filter(sort => sort[one] != null && sort[other] != null)
      return both.length ? both.filter(sort => sort[one] === sort[other]).length / both.length : null
    }),
  )
}

/** A tree of pieces that were put together: what joins joins at this share of sorts, from 1 down to 0. */
export type Joined = { readonly piece: string } | { readonly at: number; readonly of: readonly [Joined, Joined] }

/**
 * Clusters by average linkage (R. R. Sokal and C. D. Michener, "A statistical method for evaluating systematic
 * relationships", University of Kansas Science Bulletin 38, 1958) over how seldom pieces were put together. Null for no
 * pieces. Pieces that no sort laid together count as apart.
 */
export function clustersOf(
  together: readonly (readonly (number | null)[])[],
  pieces: readonly string[],
): Joined | null {
  if (pieces.length === 0) return null
  if (pieces.length === 1) return { piece: pieces[0]! }
  const apart = together.map(row => row.map(share => 1 - (share ?? 0)))
  const read = (tree: ReturnType<typeof agnes>): Joined =>
    tree.children.length === 2
      ? { at: 1 - tree.height, of: [read(tree.children[0]!), read(tree.children[1]!)] }
      : { piece: pieces[tree.index]! }
  return read(agnes(apart, { method: 'average', isDistanceMatrix: true }))
}

/** The pieces as they stand in the tree from one end to the other: those that belong together stand side by side. */
export const leavesOf = (tree: Joined | null): string[] =>
  tree === null ? [] : 'piece' in tree ? [tree.piece] : tree.of.flatMap(leavesOf)

/** The groups that are left when what joins below this share is taken apart, in the order of the tree. */
export function groupsAt(tree: Joined | null, share: number): string[][] {
  if (tree === null) return []
  if ('piece' in tree || tree.at >= share) return [leavesOf(tree)]
  return tree.of.flatMap(part => groupsAt(part, share))
}
