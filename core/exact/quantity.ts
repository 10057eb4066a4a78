import Fraction from 'fraction.js'
import { tidyNumber } from './written'

/** An exact number: what children count is never rounded. */
export type Quantity = Fraction

/**
 * Reads a number as it is written in a language (BCP 47; English where nothing is said): whole, decimal, a fraction or
 * mixed, in any of its forms (`written.ts`). Null for anything else, and for a denominator of zero: never NaN, never a
 * guess.
 */
export function readQuantity(text: string, language?: string): Quantity | null {
  const tidy = tidyNumber(text, language)
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

/**
 * A decimal where that is exact with at most three places (0.25), else a mixed number (1 1/3), of any size exactly. A
 * true minus sign.
 */
export function quantityText(value: Quantity): string {
  const thousand = value.abs().mul(1000)
  const sign = value.compare(0) < 0 ? '−' : ''
  if (thousand.d !== 1n) return sign + value.abs().toFraction(true)
  const places = String(thousand.n % 1000n)
    .padStart(3, '0')
    .replace(/0+$/, '')
  return `${sign}${thousand.n / 1000n}${places && `.${places}`}`
}
