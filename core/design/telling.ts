import type { Board, Page } from '../board/board'
import { neighbours } from '../layout/scramble'
import { groupsIn, toldBy } from './pieces'

const FEWEST = 4
const FEWEST_IN_ORDER = 3

/** Whether the order on the ledge gives the answer away. */
export const ledgeTells = (board: Board, page: Page): boolean => inRuns(board, page) || inOrder(board, page)

/**
 * More neighbours of one home than in two standard deviations above what chance gives (the mean and variance of joins
 * in a random row).
 */
function inRuns(board: Board, page: Page): boolean {
  const groupOf = groupsIn(board, page.id)
  const groups = page.ledge.flatMap(id => groupOf(id) ?? [])
  const n = groups.length
  if (n < FEWEST || new Set(groups).size < 2) return false
  const sizes = [...new Set(groups)].map(g => groups.filter(x => x === g).length)
  const mean = sizes.reduce((sum, m) => sum + m * (m - 1), 0) / n
  // Each home in one run is the answer itself, however few the cards.
  if (sizes.every(m => m > 1) && neighbours(groups) === n - sizes.length) return true
  const variance = joinsVariance(sizes, n)
  return neighbours(groups) > mean + 2 * Math.sqrt(variance)
}

/**
 * Variance of the number of like neighbours in a random row: pairs of seams that share a place and pairs that don't are
 * counted apart (A. M. Mood, "The distribution theory of runs", Annals of Mathematical Statistics 11, 1940).
 */
export function joinsVariance(sizes: readonly number[], n: number): number {
  const falling = (m: number, k: number) => Array.from({ length: k }, (_, i) => m - i).reduce((a, b) => a * b, 1)
  const one = sizes.reduce((s, m) => s + falling(m, 2), 0) / falling(n, 2)
  const shared = sizes.reduce((s, m) => s + falling(m, 3), 0) / falling(n, 3)
  const apart =
    n < 4
      ? 0
      : sizes.reduce(
          (s, a, i) => s + sizes.reduce((t, b, j) => t + (i === j ? falling(a, 4) : falling(a, 2) * falling(b, 2)), 0),
          0,
        ) / falling(n, 4)
  const seams = n - 1
  return Math.max(
    0,
    seams * one + 2 * (n - 2) * shared + (seams * (seams - 1) - 2 * (n - 2)) * apart - (seams * one) ** 2,
  )
}

/** The row is an order that is asked for, or fills the slots one by one. */
const inOrder = (board: Board, page: Page): boolean =>
  page.ledge.length >= FEWEST_IN_ORDER && toldBy(board, page.id, page.ledge) > 0
