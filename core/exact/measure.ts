import Fraction from 'fraction.js'
import * as v from 'valibot'
import { withPlainDigits } from './digits'
import { quantityText, readQuantity, type Quantity } from './quantity'
import { unitsNamed, type Dimension, type Unit } from './units'

export type { Dimension } from './units'

/** An exact amount in the smallest unit of its dimension; a plain number counts ones. */
export interface Measure {
  readonly dimension: Dimension
  readonly amount: Quantity
  /** What one of the last named unit is; 1 of a plain number. */
  readonly unit: Quantity
}

const LONGEST = 40
const NUMBER =
  /[-−–+]?\s*(?:\d[\d.,\s'’]*?\s+\d+\s*[/⁄∕]\s*\d+|\d+\s*[/⁄∕]\s*\d+|\d[\d.,\s'’]*?\s*[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞⅑⅒]|[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞⅑⅒]|\d(?:[\d.,\s'’]*\d)?|[.,]\d+)/y
const WORD = /\s*(°\s*[CF]|[^\d\s.,+−–½⅓⅔¼¾-]+(?:[²³]|\^[23]|[23](?!\d))?)\s*/y
/** Words that are units only together. */
const TWO_WORDS = /^(fl\.?|sq\.?|square|cubic)$/i

/**
 * Reads a number, or an amount in one unit or several of one dimension, as it is written in a language: "1 m 20 cm",
 * "1/2 h", "750 ml", "£3.50", "5 ft 6 in", "20 °C", "45 degrees". All readings of it, several only where a name is
 * ambiguous (a pound is money and a mass); none for anything else, for units that don't go together, and for a unit
 * named twice.
 */
export function readMeasures(text: string, language?: string): Measure[] {
  const plain = withPlainDigits(text.trim().replace(/[\u00A0\u2009\u202F]/g, ' '))
  const number = readQuantity(plain, language)
  if (number) return [{ dimension: 'number', amount: number, unit: new Fraction(1) }]
  if (plain.length > LONGEST) return []
  const parts = partsOf(plain, language)
  if (!parts) return []
  return parts[0]!.units.flatMap(first => {
    const measure = addedUp(parts, first)
    return measure ? [measure] : []
  })
}

/** The likeliest reading; null for none. */
export const readMeasure = (text: string, language?: string): Measure | null => readMeasures(text, language)[0] ?? null

interface Part {
  readonly value: Quantity
  readonly units: readonly Unit[]
}

/** Numbers, each with its unit behind it, or a sign of money before it. */
function partsOf(text: string, language: string | undefined): Part[] | null {
  const [, minus = '', before = '', rest = ''] = /^([-−]?)\s*([£$€¥₹₺₴]?)(.*)$/s.exec(text)!
  if (before) {
    const [value, units] = [readQuantity(minus + rest, language), unitsNamed(before, language)]
    return value && units.length ? [{ value, units }] : null
  }
  const parts: Part[] = []
  let at = 0
  while (at < text.length) {
    NUMBER.lastIndex = at
    const written = NUMBER.exec(text)
    if (!written) return null
    WORD.lastIndex = NUMBER.lastIndex
    const named = WORD.exec(text)
    if (!named) return null
    at = WORD.lastIndex
    let name = named[1]!.replace(/\s/g, '')
    if (TWO_WORDS.test(name)) {
      WORD.lastIndex = at
      const second = WORD.exec(text)
      if (second) {
        name = `${name.replace('.', '').toLowerCase()} ${second[1]}`
        at = WORD.lastIndex
      }
    }
    const [value, units] = [readQuantity(written[0], language), unitsNamed(name, language)]
    if (!value || units.length === 0) return null
    parts.push({ value, units })
    if (text[at] === '.' && at === text.length - 1) at++
  }
  return parts.length ? parts : null
}

function addedUp(parts: readonly Part[], first: Unit): Measure | null {
  const units = parts.map((part, i) => (i === 0 ? first : part.units.find(one => one.dimension === first.dimension)))
  const seen = new Set<string>()
  let amount = new Fraction(0)
  for (const [i, one] of units.entries()) {
    if (!one || seen.has(one.size.toFraction()) || (one.from && parts.length > 1)) return null
    seen.add(one.size.toFraction())
    amount = amount.add(parts[i]!.value.mul(one.size)).add(one.from ?? 0)
  }
  return { dimension: first.dimension, amount, unit: units.at(-1)!.size }
}

export const AmountSchema = v.pipe(
  v.string(),
  v.maxLength(LONGEST),
  v.check(text => readMeasure(text) !== null, 'Not an amount: 12, 0.5, 3/4, 1 1/2 and 1 m 20 cm are'),
)

/** An amount that the schema has let through. Throws for any other text. */
export function measure(text: string): Measure {
  const read = readMeasure(text)
  if (!read) throw new Error(`not an amount: ${text}`)
  return read
}

/** The exact amount in the smallest unit of its dimension. */
export const amountOf = (text: string): Quantity => measure(text).amount

/** The units that an amount is said in, from the largest; what isn't among them is said in its smallest. */
const SAID: Readonly<Partial<Record<Dimension, readonly (readonly [name: string, size: number])[]>>> = {
  length: [
    ['km', 1_000_000],
    ['m', 1000],
    ['cm', 10],
    ['mm', 1],
  ],
  mass: [
    ['t', 1_000_000],
    ['kg', 1000],
    ['g', 1],
  ],
  capacity: [
    ['l', 1000],
    ['ml', 1],
  ],
  time: [
    ['d', 86_400],
    ['h', 3600],
    ['min', 60],
    ['s', 1],
  ],
}
/** Said with one sign alone, before or behind: how many of the smallest make one of what the sign stands for. */
const SIGNS: Readonly<Record<string, readonly [before: string, behind: string, size: number]>> = {
  percent: ['', ' %', 1],
  angle: ['', '°', 1],
  area: ['', ' mm²', 1],
  speed: ['', ' m/s', 3_600_000],
  temperature: ['', ' K', 1],
  'money GBP': ['£', '', 100],
  'money USD': ['$', '', 100],
  'money EUR': ['€', '', 100],
  'money JPY': ['¥', '', 100],
  'money INR': ['₹', '', 100],
}

/**
 * "1 m 20 cm": whole numbers of the larger units, the rest in the smallest. A plain number as quantities are written.
 */
export function measureText(amount: Quantity, dimension: Dimension): string {
  if (dimension === 'number') return quantityText(amount)
  const sign = amount.compare(0) < 0 ? '−' : ''
  const units = SAID[dimension]
  if (!units) {
    const [before, behind, size] = SIGNS[dimension] ?? [
      '',
      ` ${dimension.split(' ')[1] ?? dimension}`,
      dimension.startsWith('money') ? 100 : 1,
    ]
    return `${sign}${before}${quantityText(amount.abs().div(size))}${behind}`
  }
  const parts: string[] = []
  let left = amount.abs()
  units.forEach(([name, size], i) => {
    const last = i === units.length - 1
    const many = last ? left : left.div(size).floor()
    left = left.sub(many.mul(size))
    if (many.compare(0) > 0) parts.push(`${quantityText(many)} ${name}`)
  })
  return `${sign}${parts.join(' ') || `0 ${units.at(-1)![0]}`}`
}
