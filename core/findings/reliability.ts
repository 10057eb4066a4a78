import type { Scores } from './scores'
import { sum, variance } from './statistics'

/**
 * How far the whole tells students apart: *value* from -∞ to 1. *too-few*: a class this small can't say. *alike*: all
 * have the same total, or there is one item. *formula* 20 is Kuder and Richardson's, for items that are right or wrong;
 * *alpha* is for items that earn parts.
 */
export type Reliability =
  | { readonly kind: 'kr-20' | 'alpha'; readonly value: number; readonly slates: number; readonly items: number }
  | { readonly kind: 'too-few' | 'alike'; readonly slates: number; readonly items: number }

/** Below it a reliability is chance's: common practice, no source. */
const FEWEST = 10

/**
 * Formula 20 of G. F. Kuder and M. W. Richardson, "The theory of the estimation of test reliability", Psychometrika 2,
 * 1937; where items earn parts, L. J. Cronbach's alpha ("Coefficient alpha and the internal structure of tests",
 * Psychometrika 16, 1951), which it is a case of. Only slates of which everything can be said count.
 */
export function reliabilityOf({ points, items }: Scores): Reliability {
  const rows = points.filter((row): row is readonly number[] => row.every(one => one !== null))
  const size = { slates: rows.length, items: items.length }
  if (rows.length < FEWEST) return { kind: 'too-few', ...size }
  const whole = variance(rows.map(sum))!
  if (items.length < 2 || whole < 1e-12) return { kind: 'alike', ...size }
  const each = sum(items.map((_, i) => variance(rows.map(row => row[i]!))!))
  const value = (items.length / (items.length - 1)) * (1 - each / whole)
  const twoWays = rows.every(row => row.every((one, i) => one === 0 || one === items[i]!.of))
  const ones = items.every(item => item.of === items[0]!.of)
  return { kind: twoWays && ones ? 'kr-20' : 'alpha', value, ...size }
}
