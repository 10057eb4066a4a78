import Fraction from 'fraction.js'
import { tidyNumber } from './written'

/** An exact number: what children count is never rounded. */
export type Quantity = Fraction

/**
 * Reads a whole number, a decimal (point or comma), a fraction (3/4) or a mixed number (1 1/2), with a hyphen or a true
 * minus sign. Null for anything else, and for a denominator of zero: never NaN, never a guess.
 */
export function readQuantity(text: string): Quantity | null {
  const tidy = tidyNumber(text)
  return tidy === null ? null : new Fraction(tidy)
}

/** A quantity that the schema has let through. Throws for any other text. */
export function quantity(text: string): Quantity {
  const read = readQuantity(text)
  if (!read) throw new Error(`not a number: ${text}`)
  return read
}

/** Zero for none. */
export function sum(values: Iterable<Quantity>): Quantity {
  let total = new Fraction(0)
  for (const value of values) total = total.add(value)
  return total
}

/** A decimal where that is exact with at most three places (0.25), else a mixed number (1 1/3). A true minus sign. */
export function quantityText(value: Quantity): string {
  const thousand = value.mul(1000)
  const text = thousand.d === 1n ? String(Number(thousand.s * thousand.n) / 1000) : value.toFraction(true)
  return text.replace('-', '−')
}
