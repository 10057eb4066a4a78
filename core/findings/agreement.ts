import { sum } from './statistics'

const pairs = (n: number) => (n * (n - 1)) / 2
const counted = <T>(values: readonly T[]): number[] => {
  const counts = new Map<T, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  return [...counts.values()]
}

/**
 * How far two sorts of the same pieces agree, by the names of the groups in which each piece lies: 1 for the same
 * sort, about 0 for sorts that have nothing to do with each other. L. Hubert and P. Arabie, "Comparing partitions",
 * Journal of Classification 2, 1985. Null for lists of other lengths, and for fewer than two pieces. Where both make
 * one heap, or both lay each piece alone, they agree: 1.
 */
export function adjustedRand(one: readonly string[], other: readonly string[]): number | null {
  if (one.length !== other.length || one.length < 2) return null
  const together = counted(one.map((group, i) => JSON.stringify([group, other[i]])))
  const [index, a, b] = [together, counted(one), counted(other)].map(counts => sum(counts.map(pairs))) as [
    number,
    number,
    number,
  ]
  const expected = (a * b) / pairs(one.length)
  const most = (a + b) / 2
  return most === expected ? 1 : (index - expected) / (most - expected)
}

/**
 * How far many agree on where things belong, beyond chance: each row is a thing, with how many put it in each place; of
 * all rows the same number. J. L. Fleiss, "Measuring nominal scale agreement among many raters", Psychological Bulletin
 * 76, 1971. Null for fewer than two students or two things (chance is read from the same rows, and of one row tells
 * nothing), and for rows of other numbers. All in one place: 1.
 */
export function fleissKappa(rows: readonly (readonly number[])[]): number | null {
  const [raters] = rows.map(sum)
  if (raters === undefined || raters < 2 || rows.length < 2 || rows.some(row => sum(row) !== raters)) return null
  const each = rows.map(row => (sum(row.map(n => n * n)) - raters) / (raters * (raters - 1)))
  const observed = sum(each) / rows.length
  const shares = rows[0]!.map((_, place) => sum(rows.map(row => row[place] ?? 0)) / (rows.length * raters))
  const expected = sum(shares.map(share => share * share))
  return expected >= 1 ? 1 : (observed - expected) / (1 - expected)
}

/**
 * How far many agree on an order, from 0 to 1: each row is a student's ranks, the same things in each; things that
 * stand alike have the mean of their ranks. Corrected for ties. M. G. Kendall and B. Babington Smith, "The problem of
 * m rankings", Annals of Mathematical Statistics 10, 1939; ties after M. G. Kendall, "Rank correlation methods", 1948.
 * Null for fewer than two students or things, and where all have ranked everything alike.
 */
export function kendallsW(ranks: readonly (readonly number[])[]): number | null {
  const [students, things] = [ranks.length, ranks[0]?.length ?? 0]
  if (students < 2 || things < 2 || ranks.some(row => row.length !== things)) return null
  const totals = ranks[0]!.map((_, thing) => sum(ranks.map(row => row[thing]!)))
  const middle = (students * (things + 1)) / 2
  const deviation = sum(totals.map(total => (total - middle) ** 2))
  const ties = sum(ranks.flatMap(row => counted(row).map(t => t ** 3 - t)))
  const most = (students ** 2 * (things ** 3 - things) - students * ties) / 12
  return most <= 0 ? null : deviation / most
}

/** The ranks of values from the least, 1; those that are alike share the mean of theirs. */
export function ranksOf(values: readonly number[]): number[] {
  return values.map(value => {
    const [less, same] = [values.filter(one => one < value).length, values.filter(one => one === value).length]
    return less + (same + 1) / 2
  })
}
