import Fraction from 'fraction.js'
import * as v from 'valibot'
import { quantityText, readQuantity, sum, type Quantity } from './quantity'

/**
 * A polynomial as its terms: "x^2", "xy", "x", and "1" for the plain number; terms that are worth nothing are absent.
 */
export type Polynomial = ReadonlyMap<string, Quantity>

const LETTERS = /^(?:[a-z](?:\^?[2-9]|[²³])?){0,3}$/
const TERM = /^([-+−])?\s*(\d+(?:[.,]\d+)?(?:\s*\/\s*\d+)?)?\s*\*?\s*((?:[a-z](?:\^[2-9]|[²³])?)*)\s*/i

/**
 * The letters of a term in one way of writing: in alphabetical order, powers with ^, "1" for none. Null if it isn't
 * one.
 */
export function readTerm(text: string): string | null {
  const plain = text.trim().toLowerCase()
  if (plain === '1') return '1'
  if (!LETTERS.test(plain) || plain === '') return null
  const powers = new Map<string, number>()
  for (const [, letter, power] of plain.matchAll(/([a-z])\^?([2-9²³])?/g)) {
    const n = power === '²' ? 2 : power === '³' ? 3 : Number(power ?? 1)
    powers.set(letter!, (powers.get(letter!) ?? 0) + n)
  }
  return named(powers)
}

export const TermSchema = v.pipe(
  v.string(),
  v.maxLength(9),
  v.check(text => readTerm(text) !== null, 'Not a term: 1, x, x^2 and xy are'),
)

/** Reads "x^2 + 6x + 9". Null for anything else: no brackets, no division by letters. Nothing: null. */
export function readPolynomial(text: string): Polynomial | null {
  let rest = text.trim().replaceAll('²', '^2').replaceAll('³', '^3')
  const terms: [string, Quantity][] = []
  while (rest) {
    const [whole, sign, number, letters] = TERM.exec(rest) ?? []
    // Between two terms there is a sign; and a term has a number or letters.
    if (!whole || (terms.length > 0 && !sign) || (!number && !letters)) return null
    const size = number ? readQuantity(number) : new Fraction(1)
    const term = readTerm(letters || '1')
    if (!size || !term) return null
    terms.push([term, sign === '-' || sign === '−' ? size.neg() : size])
    rest = rest.slice(whole.length)
  }
  return terms.length ? polynomialOf(terms) : null
}

export const PolynomialSchema = v.pipe(
  v.string(),
  v.maxLength(120),
  v.check(text => readPolynomial(text) !== null, 'Not an expression: x^2 + 6x + 9 is'),
)

/** A polynomial that the schema has let through. Throws for any other text. */
export function polynomial(text: string): Polynomial {
  const read = readPolynomial(text)
  if (!read) throw new Error(`not an expression: ${text}`)
  return read
}

/** The terms added up; what cancels is gone (a term and its negative are a zero pair). */
export function polynomialOf(terms: Iterable<readonly [string, Quantity]>): Polynomial {
  const sizes = new Map<string, Quantity>()
  for (const [term, size] of terms) sizes.set(term, (sizes.get(term) ?? new Fraction(0)).add(size))
  return new Map(
    [...sizes].filter(([, size]) => !size.equals(0)).toSorted(([a], [b]) => degree(b) - degree(a) || (a < b ? -1 : 1)),
  )
}

export function multiply(a: Polynomial, b: Polynomial): Polynomial {
  return polynomialOf([...a].flatMap(([s, m]) => [...b].map(([t, n]): [string, Quantity] => [product(s, t), m.mul(n)])))
}

export const equalPolynomials = (a: Polynomial, b: Polynomial) =>
  a.size === b.size && [...a].every(([term, size]) => b.get(term)?.equals(size))

/** The value where each letter stands for a number; null when a letter has none. */
export function evaluate(p: Polynomial, values: Readonly<Record<string, Quantity>>): Quantity | null {
  const parts: Quantity[] = []
  for (const [term, size] of p) {
    let part = size
    for (const [letter, power] of powersOf(term)) {
      const value = values[letter]
      if (!value) return null
      for (let i = 0; i < power; i++) part = part.mul(value)
    }
    parts.push(part)
  }
  return sum(parts)
}

/** "x² + 6x + 9", highest powers first; nought for no terms. */
export function polynomialText(p: Polynomial): string {
  if (p.size === 0) return '0'
  return [...p]
    .map(([term, size], i) => {
      const minus = size.compare(0) < 0
      const many = size.abs()
      const letters = term === '1' ? '' : term.replaceAll('^2', '²').replaceAll('^3', '³')
      const text = letters && many.equals(1) ? letters : `${quantityText(many)}${letters}`
      return i === 0 ? `${minus ? '−' : ''}${text}` : ` ${minus ? '−' : '+'} ${text}`
    })
    .join('')
}

function powersOf(term: string): Map<string, number> {
  const powers = new Map<string, number>()
  for (const [, letter, power] of term.matchAll(/([a-z])(?:\^(\d+))?/g)) powers.set(letter!, Number(power ?? 1))
  return powers
}

function product(a: string, b: string): string {
  const powers = powersOf(a)
  for (const [letter, power] of powersOf(b)) powers.set(letter, (powers.get(letter) ?? 0) + power)
  return named(powers)
}

const named = (powers: ReadonlyMap<string, number>) =>
  [...powers]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([letter, power]) => (power === 1 ? letter : `${letter}^${power}`))
    .join('') || '1'
const degree = (term: string) => [...powersOf(term).values()].reduce((a, b) => a + b, 0)
