import fc from 'fast-check'
import Fraction from 'fraction.js'
import { evaluate as evaluateText, unit } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { quantity, readQuantity } from '../../../core/exact/quantity'
import { ratio, ratioText } from '../../../core/exact/ratio'
import { floating } from '../../../core/exact/written'
import { measureText, readMeasure } from '../../../core/exact/measure'
import {
  equalPolynomials,
  evaluate,
  multiply,
  polynomial,
  polynomialText,
  readPolynomial,
  readTerm,
  type Polynomial,
} from '../../../core/exact/polynomial'

const small = fc.integer({ min: -9, max: 9 })
const anyText = fc
  .array(fc.tuple(small, fc.constantFrom('', 'x', 'y', 'x^2', 'x*y', 'y^3')), { minLength: 1, maxLength: 5 })
  .map(terms => terms.map(([n, letters], i) => `${i > 0 && n >= 0 ? '+' : ''}${n}${letters}`).join(' '))
const anyPolynomial = anyText.map(text => polynomial(text.replaceAll('x*y', 'xy')))

describe('polynomials', () => {
  it('have the value that a mathematics library gives their text', () => {
    fc.assert(
      fc.property(anyText, small, small, (text, x, y) => {
        const value = evaluate(polynomial(text.replaceAll('x*y', 'xy')), { x: new Fraction(x), y: new Fraction(y) })!
        expect(value.valueOf()).toBeCloseTo(
          evaluateText(text.replaceAll(/(\d)([xy])/g, '$1*$2'), { x, y }) as number,
          6,
        )
      }),
    )
  })

  it('multiply as their values do', () => {
    fc.assert(
      fc.property(anyPolynomial, anyPolynomial, small, small, (a, b, x, y) => {
        const at = (p: Polynomial) => evaluate(p, { x: new Fraction(x), y: new Fraction(y) })!
        expect(at(multiply(a, b)).equals(at(a).mul(at(b)))).toBe(true)
      }),
    )
  })

  it('are read back from their own text, with zero pairs cancelled', () => {
    fc.assert(
      fc.property(anyPolynomial, p => {
        expect(equalPolynomials(polynomial(polynomialText(p)), p)).toBe(true)
      }),
    )
    expect(polynomialText(polynomial('x^2 + 6x + 9 - 6x'))).toBe('x² + 9')
    expect(polynomialText(polynomial('x - x'))).toBe('0')
  })

  it('are refused where the text is none, and terms are written one way', () => {
    for (const text of ['', '+', 'x +', '2 x y z w', 'x^', '1/0x', '(x+1)(x+2)', 'x**2', 'x = 4', '3 4'])
      expect(readPolynomial(text), text).toBeNull()
    expect(['yx', 'xx', 'x²', '1', 'x^10', '2x', ''].map(readTerm)).toEqual(['xy', 'x^2', 'x^2', '1', null, null, null])
  })
})

describe('amounts', () => {
  it('in mixed units are what a library of units makes of their parts (its own definitions of the SI)', () => {
    const parts = fc.tuple(fc.nat(9999), fc.nat(99), fc.nat(999))
    fc.assert(
      fc.property(parts, ([m, cm, mm]) => {
        expect(readMeasure(`${m} m ${cm} cm ${mm} mm`)!.amount.valueOf()).toBeCloseTo(
          unit(m, 'm').toNumber('mm') + unit(cm, 'cm').toNumber('mm') + mm,
          6,
        )
        expect(readMeasure(`${m} h ${cm} min ${mm} s`)!.amount.valueOf()).toBeCloseTo(
          unit(m, 'hour').toNumber('s') + unit(cm, 'minute').toNumber('s') + mm,
          6,
        )
      }),
    )
  })

  it('come back from their own text', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5_000_000 }),
        fc.constantFrom('length' as const, 'mass' as const, 'capacity' as const, 'time' as const),
        (amount, dimension) => {
          expect(readMeasure(measureText(new Fraction(amount), dimension))).toMatchObject({ dimension })
          expect(readMeasure(measureText(new Fraction(amount), dimension))!.amount.equals(amount)).toBe(true)
        },
      ),
    )
  })

  it("may be fractions; what doesn't go together, or stands twice, is refused", () => {
    expect(readMeasure('1/2 h')!.amount.equals(1800)).toBe(true)
    expect(readMeasure('1 1/2 kg')!.amount.equals(1500)).toBe(true)
    expect(readMeasure('12')).toMatchObject({ dimension: 'number' })
    for (const text of ['', 'm', '1 m 2 kg', '1 m 2 m', '5 smiles', '1 metre long', '1m2m', '1/0 m', 'x'.repeat(50)])
      expect(readMeasure(text), text).toBeNull()
  })

  it('are read as floating numbers just as exactly as those can be, in every form', () => {
    const sign = fc.constantFrom('', '-', '−', '- ', '+')
    const whole = fc.nat(9999).map(String)
    const form = fc.oneof(
      whole,
      fc.tuple(whole, fc.constantFrom('.', ','), fc.nat(999)).map(([w, point, d]) => `${w}${point}${d}`),
      fc.tuple(fc.nat(99), fc.integer({ min: 1, max: 99 })).map(([t, u]) => `${t}/${u}`),
      fc.tuple(fc.nat(99), fc.nat(99), fc.integer({ min: 1, max: 99 })).map(([w, t, u]) => `${w} ${t} / ${u}`),
      fc.nat(99).map(d => `.${d}`),
    )
    fc.assert(
      fc.property(sign, form, (s, text) => {
        expect(floating(s + text)).toBeCloseTo(quantity(s + text).valueOf(), 9)
      }),
      { numRuns: 500 },
    )
    for (const text of ['', '1/0', 'x', '1 2', '--1']) expect(() => floating(text)).toThrow('not a number')
  })
})

describe('a number that is only read and written', () => {
  it('is the one that is reckoned with, in every form', () => {
    const whole = fc.bigInt({ min: 0n, max: 10n ** 12n })
    const form = fc.oneof(
      whole.map(String),
      fc.tuple(whole, fc.stringMatching(/^\d{1,6}$/)).map(([n, places]) => `${n}.${places}`),
      fc
        .tuple(
          whole,
          whole.filter(n => n > 0n),
        )
        .map(([top, bottom]) => `${top}/${bottom}`),
      fc
        .tuple(
          whole,
          whole,
          whole.filter(n => n > 0n),
        )
        .map(([n, top, bottom]) => `${n} ${top}/${bottom}`),
    )
    fc.assert(
      fc.property(form, fc.boolean(), (size, negative) => {
        const text = negative ? `−${size}` : size
        const { top, bottom } = ratio(text)
        const reckoned = new Fraction(text.replace('−', '-'))
        expect(reckoned.equals(new Fraction(top, bottom)), text).toBe(true)
        const written = ratioText({ top, bottom })
        expect(reckoned.equals(readQuantity(written)!), `${text} as ${written}`).toBe(true)
      }),
      { numRuns: 1000 },
    )
    for (const text of ['', 'x', '1/0', '--1']) expect(() => ratio(text), text).toThrow('not a number')
  })
})
