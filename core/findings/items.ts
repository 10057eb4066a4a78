import { correlation, mean } from './statistics'
import type { ScoredItem, Scores } from './scores'

/** How an item did in a class. */
export interface ItemFinding {
  readonly item: ScoredItem
  /** Slates of which it can be said. */
  readonly count: number
  readonly right: number
  readonly wrong: number
  readonly notPlaced: number
  readonly undecided: number
  /** The mean share of its points, from 0 (nobody) to 1 (all); null where it can be said of nobody. */
  readonly facility: number | null
  /** How it goes with the other items together, from -1 to 1; null where one of both is alike for all. */
  readonly discrimination: number | null
  /** The difference of its facility between the upper and the lower group; null for fewer than four slates. */
  readonly upperLower: number | null
}

/** T. L. Kelley, "The selection of upper and lower groups for the validation of test items", 1939. */
const KELLEY = 0.27
const FEWEST_TO_SPLIT = 4

/**
 * Facility, discrimination and the split by halves of each item, in the order of the items. Discrimination is the
 * point-biserial correlation of the item with the total of all others (the item itself left out, or it would go with
 * itself): J. C. Flanagan 1939 and after him every handbook; for items with parts it is Pearson's correlation, which
 * the point-biserial is a case of. What can't be said of a slate is left out for that item.
 */
export function itemFindings(scores: Scores): ItemFinding[] {
  return scores.items.map((item, i) => {
    const rows = scores.points.flatMap((row, s) => {
      const points = row[i]
      if (points === null || points === undefined) return []
      const others = row.reduce<number>((sum, one, j) => sum + (j === i ? 0 : (one ?? 0)), 0)
      return [{ slate: s, share: points / item.of, others, total: others + points }]
    })
    const shares = rows.map(row => row.share)
    const verdicts = scores.verdicts.map(row => row[i])
    const count = (verdict: string) => verdicts.filter(one => one === verdict).length
    return {
      item,
      count: rows.length,
      right: count('right'),
      wrong: count('wrong'),
      notPlaced: count('not-placed'),
      undecided: count('on-the-line'),
      facility: mean(shares),
      discrimination: correlation(
        shares,
        rows.map(row => row.others),
      ),
      upperLower: upperLower(rows),
    }
  })
}

/**
 * Kelley's upper and lower 27 % by the total. Of those with the same total at the edge of a group all have the same
 * part in it, so that nothing hangs on the order of students.
 */
function upperLower(rows: readonly { readonly share: number; readonly total: number }[]): number | null {
  if (rows.length < FEWEST_TO_SPLIT) return null
  const size = Math.max(1, Math.round(KELLEY * rows.length))
  const totals = [...new Set(rows.map(row => row.total))].toSorted((a, b) => a - b)
  const facilityOf = (fromBelow: boolean): number => {
    let [left, all] = [size, 0]
    for (const total of fromBelow ? totals : totals.toReversed()) {
      const those = rows.filter(row => row.total === total)
      const taken = Math.min(left, those.length)
      all += (mean(those.map(row => row.share)) ?? 0) * taken
      left -= taken
      if (left === 0) break
    }
    return all / size
  }
  return facilityOf(false) - facilityOf(true)
}
