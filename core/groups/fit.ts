import { settle, type Wish } from './wishes'

/**
 * Groups that keep every wish; *impossible*: there are none; *unknown*: none was found among as many tries as were
 * allowed.
 */
export type Fit =
  | { readonly kind: 'fits'; readonly groups: readonly (readonly number[])[] }
  | { readonly kind: 'impossible' | 'unknown' }

const MOST_TRIES = 20_000

/**
 * Whether students fit into groups of these sizes so that every wish is kept: complete search over blocks, the most
 * constrained first (as in colouring graphs by saturation: Brélaz, CACM 22, 1979), groups that look the same tried
 * once.
 */
export function fit(students: number, sizes: readonly number[], wishes: readonly Wish[], mostTries = MOST_TRIES): Fit {
  const { blocks, apart, crossed } = settle(students, wishes)
  if (crossed.length) return { kind: 'impossible' }
  if (sizes.reduce((sum, size) => sum + size, 0) !== students) throw new Error('the sizes must add up to the students')
  const left = [...sizes]
  const members = sizes.map(() => [] as number[])
  /** How many blocks of each group a block may not meet. */
  const against = blocks.map(() => sizes.map(() => 0))
  const waiting = new Set(blocks.keys())
  let tries = 0

  const isFree = (block: number) => blocks[block]!.length === 1 && apart[block]!.size === 0
  const open = (block: number) =>
    left.flatMap((room, g) => (room >= blocks[block]!.length && against[block]![g] === 0 ? [g] : []))

  function next(): { block: number; groups: number[] } | null {
    let best: { block: number; groups: number[] } | null = null
    for (const block of waiting) {
      const groups = open(block)
      if (groups.length === 0) return { block, groups }
      // Single students without wishes fit wherever there is room; they come last.
      const rank = groups.length - blocks[block]!.length * sizes.length - apart[block]!.size / blocks.length
      const bestRank =
        best && best.groups.length - blocks[best.block]!.length * sizes.length - apart[best.block]!.size / blocks.length
      if (best === null || rank < bestRank!) best = { block, groups }
    }
    return best
  }

  function place(): boolean {
    // Students in no wish fit wherever there is room, and room there is for all.
    if ([...waiting].every(isFree)) {
      const free = [...waiting].flatMap(block => blocks[block]!)
      members.forEach((group, g) => group.push(...free.splice(0, left[g]!)))
      return true
    }
    const { block, groups } = next()!
    const alike = new Set<string>()
    for (const g of groups) {
      // An empty group is like any other empty group of its size.
      const look = members[g]!.length === 0 ? `${left[g]}` : `=${g}`
      if (alike.has(look)) continue
      alike.add(look)
      if (++tries > mostTries) return false
      put(block, g, 1)
      if (place()) return true
      put(block, g, -1)
    }
    return false
  }

  function put(block: number, g: number, sign: 1 | -1): void {
    left[g]! -= sign * blocks[block]!.length
    if (sign === 1) {
      members[g]!.push(...blocks[block]!)
      waiting.delete(block)
    } else {
      members[g]!.splice(-blocks[block]!.length)
      waiting.add(block)
    }
    for (const other of apart[block]!) against[other]![g]! += sign
  }

  if (place()) return { kind: 'fits', groups: members }
  return { kind: tries > mostTries ? 'unknown' : 'impossible' }
}

/**
 * Of wishes that can't all be kept the fewest that already contradict each other (with the sizes of the groups):
 * without any one of them the others could be kept. Empty when all can be kept, or when it isn't known. Found by
 * leaving out one after the other (deletion filter: Chinneck and Dravnieks, ORSA Journal on Computing 3, 1991).
 */
export function contradiction(students: number, sizes: readonly number[], wishes: readonly Wish[]): Wish[] {
  const impossible = (some: readonly Wish[]) => fit(students, sizes, some).kind === 'impossible'
  if (!impossible(wishes)) return []
  let core = [...wishes]
  for (const wish of wishes) {
    const without = core.filter(w => w !== wish)
    if (impossible(without)) core = without
  }
  return core
}
