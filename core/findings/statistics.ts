/** Sums that don't hang on the order of what is summed, beyond the last digits: the smallest first. */
export const sum = (values: readonly number[]): number =>
  values.toSorted((a, b) => Math.abs(a) - Math.abs(b)).reduce((all, one) => all + one, 0)

/** Null of none. */
export const mean = (values: readonly number[]): number | null => (values.length ? sum(values) / values.length : null)

/** Of the values themselves, not of what they are a sample of: divided by their number. Null of none. */
export function variance(values: readonly number[]): number | null {
  const middle = mean(values)
  return middle === null ? null : sum(values.map(one => (one - middle) ** 2)) / values.length
}

/** Less than this is what is left over of nought after adding up. */
const NOUGHT = 1e-12

/**
 * The product-moment correlation of two lists of one length (K. Pearson, "Mathematical contributions to the theory of
 * evolution III", Philosophical Transactions of the Royal Society A 187, 1896). Null where one of them doesn't vary.
 */
export function correlation(xs: readonly number[], ys: readonly number[]): number | null {
  const [mx, my] = [mean(xs), mean(ys)]
  const [vx, vy] = [variance(xs), variance(ys)]
  if (mx === null || my === null || vx === null || vy === null || vx < NOUGHT || vy < NOUGHT) return null
  const together = sum(xs.map((x, i) => (x - mx) * (ys[i]! - my))) / xs.length
  return Math.min(1, Math.max(-1, together / Math.sqrt(vx * vy)))
}

/** The natural logarithm of n!, for whole n from nought. */
function logFactorial(n: number): number {
  let log = 0
  for (let i = 2; i <= n; i++) log += Math.log(i)
  return log
}

/** How likely at most `most` of `of` fair coins fall one way. */
export function halfOrFewer(most: number, of: number): number {
  const all = logFactorial(of)
  const each = Array.from({ length: Math.min(most, of) + 1 }, (_, k) =>
    Math.exp(all - logFactorial(k) - logFactorial(of - k) - of * Math.LN2),
  )
  return Math.min(1, sum(each))
}
