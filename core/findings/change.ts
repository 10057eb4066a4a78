import type { Scores } from './scores'
import { halfOrFewer, mean } from './statistics'

/** An item on the slates that have both a before and an after. */
export interface ItemChange {
  readonly name: string
  readonly keptRight: number
  /** Wrong or not placed before, right after. */
  readonly gained: number
  /** Right before, not after. */
  readonly lost: number
  readonly keptWrong: number
  readonly p: number
}
export interface Change {
  /** Slates with both. */
  readonly slates: number
  readonly items: readonly ItemChange[]
  /** Mean shares of all points, from 0 to 1; null for no slates or no points. */
  readonly before: number | null
  readonly after: number | null
  readonly gain: number | null
}

/**
 * What became of each item from a first try to a later one, on the slates that are in both. `p` is McNemar's test in
 * its exact form (Q. McNemar, "Note on the sampling error of the difference between correlated proportions or
 * percentages", Psychometrika 12, 1947): how likely so uneven a split of gained and lost, or a more uneven one, is by
 * chance. 1 where nothing changed: it says nothing then.
 */
export function changeOf(before: Scores, after: Scores): Change {
  const both = before.slates.flatMap((slate, b) => {
    const a = after.slates.indexOf(slate)
    return a < 0 ? [] : [{ a, b }]
  })
  const items = before.items.flatMap((item, b): ItemChange[] => {
    const a = after.items.findIndex(one => one.name === item.name)
    if (a < 0) return []
    const pairs = both.flatMap(at => {
      const [was, is] = [before.points[at.b]![b], after.points[at.a]![a]]
      return was === null || is === null ? [] : [[was === item.of, is === after.items[a]!.of] as const]
    })
    const count = (was: boolean, is: boolean) => pairs.filter(pair => pair[0] === was && pair[1] === is).length
    const [gained, lost] = [count(false, true), count(true, false)]
    return [
      {
        name: item.name,
        keptRight: count(true, true),
        gained,
        lost,
        keptWrong: count(false, false),
        p: mcNemar(gained, lost),
      },
    ]
  })
  const [was, is] = [
    shareOf(
      before,
      both.map(one => one.b),
    ),
    shareOf(
      after,
      both.map(one => one.a),
    ),
  ]
  return { slates: both.length, items, before: was, after: is, gain: normalisedGain(was, is) }
}

/** Two-sided, from the two counts of what changed; 1 where nothing did. */
export function mcNemar(gained: number, lost: number): number {
  const changed = gained + lost
  return changed === 0 ? 1 : Math.min(1, 2 * halfOrFewer(Math.min(gained, lost), changed))
}

/**
 * Of what could be gained the share that was: (after - before) / (1 - before) of the class's means. R. R. Hake,
 * "Interactive-engagement versus traditional methods", American Journal of Physics 66, 1998. Null where nothing could
 * be gained. It says little of few students, and of a class that knew nearly all before.
 */
export const normalisedGain = (before: number | null, after: number | null): number | null =>
  before === null || after === null || before >= 1 ? null : (after - before) / (1 - before)

function shareOf({ points, items }: Scores, rows: readonly number[]): number | null {
  const of = items.reduce((all, item) => all + item.of, 0)
  if (of === 0) return null
  return mean(rows.map(row => points[row]!.reduce<number>((all, one) => all + (one ?? 0), 0) / of))
}
