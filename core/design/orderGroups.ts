import type { PieceId } from '../board/ids'
import { MOST_PAIRS, type OrderKey } from '../keys/order/key'
import { closure } from '../keys/partialOrder'

/**
 * An order as groups, one after the other; within a group any order is right. Null for an order that can't be said so,
 * and for one that contradicts itself.
 */
export function groupsOf(before: OrderKey['before']): PieceId[][] | null {
  const after = closure(before)
  if (!after) return null
  const earlier = (id: PieceId) => [...after.values()].filter(followers => followers.has(id)).length
  const byLevel = new Map<number, PieceId[]>()
  for (const id of after.keys()) byLevel.set(earlier(id), [...(byLevel.get(earlier(id)) ?? []), id])
  const groups = [...byLevel].toSorted(([a], [b]) => a - b).map(([, ids]) => ids)
  const again = closure(beforeOf(groups))
  const same =
    again
    && [...after].every(
      ([id, followers]) => again.get(id)?.size === followers.size && [...followers].every(f => again.get(id)!.has(f)),
    )
  return same ? groups : null
}

/** Every piece of a group before every piece of the next. */
export function beforeOf(groups: readonly (readonly PieceId[])[]): [PieceId, PieceId][] {
  return groups.slice(1).flatMap((group, i) => groups[i]!.flatMap(a => group.map((b): [PieceId, PieceId] => [a, b])))
}

/**
 * The group and the next one made into one, so that their order is free; with only one group left there is no order:
 * null.
 */
export function joined(groups: readonly (readonly PieceId[])[], at: number): PieceId[][] | null {
  const next = groups.flatMap((group, i) =>
    i === at ? [[...group, ...(groups[i + 1] ?? [])]] : i === at + 1 ? [] : [[...group]],
  )
  return next.length > 1 ? next : null
}

/** The group taken apart: each piece in a place of its own, in the order in which they are named. */
export function parted(groups: readonly (readonly PieceId[])[], at: number): PieceId[][] {
  return groups.flatMap((group, i) => (i === at ? group.map(id => [id]) : [[...group]]))
}

/**
 * The fewest pairs that say the same order, what comes first said first: no pair that follows from others. Null for one
 * that contradicts itself.
 */
export function fewestPairs(before: OrderKey['before']): [PieceId, PieceId][] | null {
  const after = closure(before)
  return after && covering(after)
}

function covering(after: ReadonlyMap<PieceId, ReadonlySet<PieceId>>): [PieceId, PieceId][] {
  const followed = [...after].toSorted(([, a], [, b]) => b.size - a.size)
  return followed.flatMap(([a, followers]) =>
    [...followers]
      .filter(b => ![...followers].some(between => after.get(between)!.has(b)))
      .map((b): [PieceId, PieceId] => [a, b]),
  )
}

/**
 * The order with one more pair, in its fewest pairs. Null where the opposite is said already, a piece would stand
 * before itself, or a key can't hold so many.
 */
export function withPair(before: OrderKey['before'], pair: readonly [PieceId, PieceId]): [PieceId, PieceId][] | null {
  const pairs = fewestPairs([...before, [...pair]])
  return pairs && pairs.length <= MOST_PAIRS ? pairs : null
}

/**
 * Two pieces that stand next to each other in the order may stand in either: all else that the order says stays said.
 * Null for a pair that follows from others, and where nothing would be left.
 */
export function withoutPair(before: OrderKey['before'], [a, b]: readonly [PieceId, PieceId]) {
  const after = closure(before)
  const pairs = after && covering(after)
  if (!pairs?.some(([x, y]) => x === a && y === b)) return null
  after!.get(a)!.delete(b)
  const left = covering(after!)
  return left.length && left.length <= MOST_PAIRS ? left : null
}
