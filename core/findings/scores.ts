import type { KeyId } from '../board/ids'
import { decisionName, withDecisions, type Decisions } from '../keys/mark'
import type { KeyMark, Verdict } from '../keys/outcome'
import type { ItemKind } from '../keys/reason'

/** What the keys and the teacher say of one slate. */
export interface MarkedSlate {
  readonly slate: string
  readonly keys: readonly KeyMark[]
  readonly decisions: Decisions
}
/** One thing that is marked, by the name under which a teacher decides on it. */
export interface ScoredItem {
  readonly name: string
  readonly key: KeyId
  readonly item: string
  readonly is: ItemKind
  /** The most points that it gives. */
  readonly of: number
}
/** Slates × items. What is on the line and undecided, or not among a slate's items, is null: nobody can say. */
export interface Scores {
  readonly slates: readonly string[]
  readonly items: readonly ScoredItem[]
  /** Points, one row a slate. */
  readonly points: readonly (readonly (number | null)[])[]
  readonly verdicts: readonly (readonly (Verdict | null)[])[]
}

/**
 * The points of slates, item by item, in the order of the slates and of the items as they first come. Items that are
 * only counted, or give no points, are left out.
 */
export function scoresOf(slates: readonly MarkedSlate[]): Scores {
  const items = new Map<string, ScoredItem>()
  const rows = slates.map(({ keys, decisions }) => {
    const row = new Map<string, { points: number | null; verdict: Verdict }>()
    for (const { key, items: marks } of withDecisions(keys, decisions))
      for (const { item, is, verdict, points, of } of marks) {
        if (verdict === 'noted' || of === 0) continue
        const name = decisionName(key, item)
        if (!items.has(name)) items.set(name, { name, key, item, is, of })
        row.set(name, { points: verdict === 'on-the-line' ? null : points, verdict })
      }
    return row
  })
  const all = [...items.values()]
  return {
    slates: slates.map(one => one.slate),
    items: all,
    points: rows.map(row => all.map(({ name }) => row.get(name)?.points ?? null)),
    verdicts: rows.map(row => all.map(({ name }) => row.get(name)?.verdict ?? null)),
  }
}

/** The points of each slate together; what nobody can say counts as nought. */
export const totalsOf = ({ points }: Scores): number[] =>
  points.map(row => row.reduce<number>((sum, one) => sum + (one ?? 0), 0))
