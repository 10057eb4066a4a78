import Fraction from 'fraction.js'
import { ratioText } from './ratio'
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

/** As `ratioText` writes it. */
export const quantityText = (value: Quantity): string => ratioText({ top: value.s * value.n, bottom: value.d })
