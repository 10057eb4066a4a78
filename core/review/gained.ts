import { decisionName } from '../keys/mark'
import type { ItemMark, KeyMark } from '../keys/outcome'

/** The same, with what the items are called by alone: what a student may be told. */
export type NamedGains = { readonly [What in keyof Gains]: readonly Pick<ItemMark, 'item' | 'is'>[] }

export const GAINS = ['gained', 'lost', 'keptWrong'] as const satisfies readonly (keyof Gains)[]

export const namedGains = (gains: Gains): NamedGains => {
  const named = (items: readonly ItemMark[]) => items.map(({ item, is }) => ({ item, is }))
  return { gained: named(gains.gained), lost: named(gains.lost), keptWrong: named(gains.keptWrong) }
}

/** What became of the answers of one slate from a try to the next; each item as it is now, in the order of the keys. */
export interface Gains {
  /** Not right before, right now. */
  readonly gained: readonly ItemMark[]
  /** Right before, not now. */
  readonly lost: readonly ItemMark[]
  /** Right neither before nor now. */
  readonly keptWrong: readonly ItemMark[]
}

/**
 * Of items that are in both. What is on the line on either side is left out: nobody can say what became of it. What is
 * only counted isn't right or wrong.
 */
export function gainsOf(before: readonly KeyMark[], after: readonly KeyMark[]): Gains {
  const was = new Map(
    before.flatMap(({ key, items }) => items.map(item => [decisionName(key, item.item), item.verdict] as const)),
  )
  const pairs = after.flatMap(({ key, items }) =>
    items.flatMap(item => {
      const then = was.get(decisionName(key, item.item))
      const said = [then, item.verdict].every(one => one === 'right' || one === 'wrong' || one === 'not-placed')
      return said ? [{ item, was: then === 'right', is: item.verdict === 'right' }] : []
    }),
  )
  const those = (wasRight: boolean, isRight: boolean) =>
    pairs.filter(pair => pair.was === wasRight && pair.is === isRight).map(pair => pair.item)
  return { gained: those(false, true), lost: those(true, false), keptWrong: those(false, false) }
}
