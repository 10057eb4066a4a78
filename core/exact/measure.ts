import Fraction from 'fraction.js'
import * as v from 'valibot'
import { quantityText, readQuantity, type Quantity } from './quantity'

/**
 * Units that schools add up, each as a multiple of the smallest of its dimension: lengths, masses and capacities by the
 * prefixes of the International System (BIPM, SI Brochure, 9th edition, table 7), times by its table 8.
 */
const UNITS: Readonly<Record<string, { readonly dimension: Dimension, readonly size: number }>> = {
  km: { dimension: 'length', size: 1_000_000 }, m: { dimension: 'length', size: 1000 }, cm: { dimension: 'length', size: 10 }, mm: { dimension: 'length', size: 1 },
  t: { dimension: 'mass', size: 1_000_000 }, kg: { dimension: 'mass', size: 1000 }, g: { dimension: 'mass', size: 1 },
  l: { dimension: 'capacity', size: 1000 }, cl: { dimension: 'capacity', size: 10 }, ml: { dimension: 'capacity', size: 1 },
  d: { dimension: 'time', size: 86_400 }, h: { dimension: 'time', size: 3600 }, min: { dimension: 'time', size: 60 }, s: { dimension: 'time', size: 1 },
}
export type Dimension = 'number' | 'length' | 'mass' | 'capacity' | 'time'

/** An exact amount in the smallest unit of its dimension; a plain number counts ones. */
export interface Measure { readonly dimension: Dimension, readonly amount: Quantity }

const LONGEST = 40
const PART = /([-−+]?\s*(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|\d+(?:[.,]\d+)?|[.,]\d+))\s*(km|cm|mm|kg|min|ml|cl|m|t|g|l|d|h|s)(?![a-z])\s*/giy

/**
 * Reads a number, or an amount in one unit or several of one dimension: "1 m 20 cm", "1/2 h", "750 ml". Null for
 * anything else, for units that don't go together, and for a unit named twice.
 */
export function readMeasure(text: string): Measure | null {
  const plain = text.trim()
  const number = readQuantity(plain)
  if (number) return { dimension: 'number', amount: number }
  if (plain.length > LONGEST) return null
  let amount = new Fraction(0)
  let dimension: Dimension | null = null
  const seen = new Set<string>()
  PART.lastIndex = 0
  while (PART.lastIndex < plain.length) {
    const part = PART.exec(plain)
    const value = part && readQuantity(part[1]!)
    const unit = part && UNITS[part[2]!.toLowerCase()]
    if (!part || !value || !unit || seen.has(part[2]!.toLowerCase()) || (dimension && dimension !== unit.dimension)) return null
    seen.add(part[2]!.toLowerCase())
    dimension = unit.dimension
    amount = amount.add(value.mul(unit.size))
    if (PART.lastIndex === plain.length) return { dimension, amount }
  }
  return null
}

export const AmountSchema = v.pipe(v.string(), v.maxLength(LONGEST), v.check(text => readMeasure(text) !== null, 'Not an amount: 12, 0.5, 3/4, 1 1/2 and 1 m 20 cm are'))

/** An amount that the schema has let through. Throws for any other text. */
export function measure(text: string): Measure {
  const read = readMeasure(text)
  if (!read) throw new Error(`not an amount: ${text}`)
  return read
}

/** The exact amount in the smallest unit of its dimension. */
export const amountOf = (text: string): Quantity => measure(text).amount

/** "1 m 20 cm": whole numbers of the larger units, the rest in the smallest. A plain number as quantities are written. */
export function measureText(amount: Quantity, dimension: Dimension): string {
  if (dimension === 'number') return quantityText(amount)
  const units = Object.entries(UNITS).filter(([name, unit]) => unit.dimension === dimension && name !== 'cl')
  const parts: string[] = []
  let left = amount.abs()
  units.forEach(([name, { size }], i) => {
    const last = i === units.length - 1
    const many = last ? left : left.div(size).floor()
    left = left.sub(many.mul(size))
    if (many.compare(0) > 0) parts.push(`${quantityText(many)} ${name}`)
  })
  const text = parts.join(' ') || `0 ${units.at(-1)![0]}`
  return amount.compare(0) < 0 ? `−${text}` : text
}
