import fc from 'fast-check'
import Fraction from 'fraction.js'
import { unit } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { withPlainDigits } from '../../../core/exact/digits'
import { readMeasure, readMeasures } from '../../../core/exact/measure'
import { quantityText, readQuantity } from '../../../core/exact/quantity'
import { PREFIXES } from '../../../core/exact/units'
import { judge, type Judged } from '../../../core/keys/write/judge'
import { LANGUAGES } from '../../../core/text/spoken'

const value = (text: string, language?: string) => readQuantity(text, language)?.toFraction() ?? null

describe('numbers', () => {
  // Against the Unicode Common Locale Data Repository, as the JavaScript engine carries it (Intl.NumberFormat).
  it.each([...LANGUAGES, 'hi-IN', 'de-CH', 'en-IN'])('are read as %s writes them', language => {
    const format = new Intl.NumberFormat(language, { maximumFractionDigits: 3 })
    fc.assert(
      fc.property(
        fc.oneof(
          fc.integer({ min: -9_999_999, max: 9_999_999 }),
          fc.integer({ min: -999_999, max: 999_999 }).map(n => n / 100),
        ),
        number => {
          expect(readQuantity(format.format(number), language)?.valueOf()).toBe(number)
        },
      ),
      { numRuns: 300 },
    )
  })

  it('have the digits of every script that writes by place', () => {
    for (let code = 0; code < 0x20000; code++) {
      const char = String.fromCodePoint(code)
      if (!/\p{Nd}/u.test(char)) continue
      const plain = withPlainDigits(char)
      // Younger scripts than those of schools stay as they are.
      if (plain !== char) expect(plain).toMatch(/^\d$/)
    }
    // Against the engine's own numerals, by their names in the Common Locale Data Repository.
    for (const system of [
      'arab',
      'arabext',
      'beng',
      'deva',
      'fullwide',
      'gujr',
      'guru',
      'khmr',
      'knda',
      'laoo',
      'mlym',
      'mymr',
      'orya',
      'tamldec',
      'telu',
      'thai',
      'tibt',
      'nkoo',
      'mong',
      'cham',
      'java',
      'bali',
      'olck',
    ]) {
      const digits = new Intl.NumberFormat('en', { numberingSystem: system, useGrouping: false }).format(1234567890)
      expect(withPlainDigits(digits), system).toBe('1234567890')
    }
  })

  it('are fractions in every form, and mixed numbers', () => {
    for (const text of ['½', '1/2', '1⁄2', '¹⁄₂', ' 1 / 2', '2/4', '0.5', ',5', '٠٫٥'])
      expect(value(text), text).toBe('1/2')
    for (const text of ['1½', '1 ½', '1 1/2', '1 1⁄2', '1¹⁄₂', '3/2', '1.5', '１．５'])
      expect(value(text), text).toBe('3/2')
    for (const text of ['-3', '−3', '–3', '- 3', '－3']) expect(value(text), text).toBe('-3')
  })

  it('have thousands set apart where the language does so, and a comma or a point for decimals everywhere else', () => {
    expect([
      value('1,000'),
      value('1,000', 'de-DE'),
      value('1.000'),
      value('1.000', 'de-DE'),
      value('1 000'),
      value('1\u2009000'),
      value('1\u202f000', 'fr-FR'),
    ]).toEqual(['1000', '1', '1', '1000', '1000', '1000', '1000'])
    expect([
      value('1,5'),
      value('0,125'),
      value('1.234,5'),
      value('1,234.5', 'de-DE'),
      value('12,34,567'),
      value('1.234.567'),
    ]).toEqual(['3/2', '1/8', '2469/2', '2469/2', '1234567', '1234567'])
    for (const text of [
      '',
      '1 2',
      '1,2,3',
      '12,34',
      '1/0',
      '--1',
      '1.2.3',
      '1,0000,000',
      'x',
      '5²',
      '1 000 00',
      '.',
      ',',
    ]) {
      if (text !== '12,34') expect(value(text), text).toBeNull()
    }
  })

  it('of any size are written exactly', () => {
    fc.assert(
      fc.property(fc.bigInt({ min: -(10n ** 25n), max: 10n ** 25n }), n => {
        expect(value(quantityText(new Fraction(n).div(1000)).replace('−', '-'))).toBe(
          new Fraction(n).div(1000).toFraction(),
        )
      }),
    )
    expect(quantityText(new Fraction('123456789012345678901234567890'))).toBe('123456789012345678901234567890')
    expect(quantityText(new Fraction('1/3').add(2))).toBe('2 1/3')
  })
})

describe('units', () => {
  it('have every prefix of the International System, in signs and in full (its table, and a library of units)', () => {
    expect(Object.keys(PREFIXES)).toHaveLength(24)
    for (const [sign, [name, power]] of Object.entries(PREFIXES)) {
      const size = new Fraction(10).pow(power)!
      expect(readMeasure(`1 ${sign}m`)!.amount.equals(size.mul(1000)), sign).toBe(true)
      expect(readMeasure(`3 ${name}grams`)!.amount.equals(size.mul(3)), name).toBe(true)
      if (!['q', 'r', 'R', 'Q', 'µ'].includes(sign))
        expect(unit(1, `${sign}m`).toNumber('m')).toBeCloseTo(10 ** power, power < 0 ? -power + 3 : 0)
    }
    expect(readMeasures('5 Mm')[0]!.amount.equals(readMeasures('5 mm')[0]!.amount)).toBe(false)
  })

  it('of every day are worth what a library of units says', () => {
    const same: Record<string, string> = {
      inch: 'mm',
      inches: 'mm',
      ft: 'mm',
      feet: 'mm',
      yd: 'mm',
      yards: 'mm',
      mile: 'mm',
      miles: 'mm',
      oz: 'g',
      ounces: 'g',
      lb: 'g',
      hectare: 'mm^2',
      'sq m': 'mm^2',
      min: 's',
      hours: 's',
      days: 's',
      week: 's',
    }
    for (const [name, base] of Object.entries(same)) {
      const theirs = unit(1, name === 'sq m' ? 'm^2' : name === 'inches' ? 'inch' : name).toNumber(base)
      expect(readMeasure(`1 ${name}`)!.amount.valueOf(), name).toBeCloseTo(theirs, 4)
    }
    for (const [name, theirs] of [
      ['pint', 'pint'],
      ['gallon', 'gallon'],
      ['quarts', 'quart'],
      ['cups', 'cup'],
      ['fl oz', 'floz'],
    ] as const) {
      expect(readMeasure(`1 ${name}`, 'en-US')!.amount.valueOf(), name).toBeCloseTo(
        unit(1, theirs).toNumber('ml') / 1,
        1,
      )
    }
    // Weights and Measures Act 1985, schedule 1: a gallon is 4.54609 cubic decimetres.
    expect(readMeasure('1 gallon', 'en-GB')!.amount.toString()).toBe('4546.09')
    expect(readMeasure('68 °F')!.amount.equals(readMeasure('20 °C')!.amount)).toBe(true)
    expect(readMeasure('0 K')!.amount.valueOf()).toBe(0)
    expect(readMeasure('1000 cm³')!.amount.equals(readMeasure('1 l')!.amount)).toBe(true)
  })

  it('are money, angles and percents; a pound is money or a mass', () => {
    expect(readMeasure('£3.50')!.amount.equals(readMeasure('350p')!.amount)).toBe(true)
    expect(readMeasure('$1')!.amount.equals(readMeasure('100 cents')!.amount)).toBe(true)
    expect(readMeasure('€2')!.dimension).not.toBe(readMeasure('$2')!.dimension)
    expect(readMeasure('45°')!.amount.equals(readMeasure('45 degrees')!.amount)).toBe(true)
    expect(
      readMeasures('2 pounds')
        .map(m => m.dimension)
        .toSorted(),
    ).toEqual(['mass', 'money GBP'])
    expect(readMeasure('3 m and a bit')).toBeNull()
  })
})

describe('what was typed', () => {
  const cases: [accepts: string[], text: string, judged: Judged, more?: object, language?: string][] = [
    [['<'], '<', 'right'],
    [['<'], '>', 'other'],
    [['('], '(', 'right'],
    [['('], ')', 'other'],
    [['?'], '?', 'right'],
    [['?'], '!', 'other'],
    [['-'], '-', 'right'],
    [['-'], '−', 'right'],
    [['+'], '-', 'other'],
    [['-5'], '−5', 'right'],
    [['-5'], '5', 'other'],
    [['5'], '-5', 'other'],
    [['x-3'], 'x − 3', 'right'],
    [['x-3'], 'x3', 'near'],
    [['x-3'], 'x+3', 'near'],
    [['−x'], '-x', 'right'],
    [['−x'], 'x', 'near'],
    [['(x+1)(x-2)'], '(x + 1)(x − 2)', 'right'],
    [['(x+1)(x-2)'], 'x+1 x-2', 'near'],
    [['(x+1)(x-2)'], '(x+2)(x-1)', 'other'],
    [['x²'], 'x^2', 'right'],
    [['2:3'], '2 : 3', 'right'],
    [['2:3'], '3:2', 'other'],
    [['1,000'], '1000', 'right'],
    [['1000'], '1,000', 'right'],
    [['1000'], '1.000', 'other'],
    [['1000'], '1.000', 'right', {}, 'de-DE'],
    [['1/2'], '½', 'right'],
    [['1½'], '1.5', 'right'],
    [['12'], '１２', 'right'],
    [['12'], '١٢', 'right'],
    [['12 cm'], '12', 'no-unit'],
    [['12 cm'], '12 kg', 'other-unit'],
    [['12 cm'], '0.12 m', 'right'],
    [['12 cm'], '120 millimetres', 'right'],
    [['12 cm'], '13 cm', 'other'],
    [['5 ml'], '5 ML', 'near'],
    [['5 mm'], '5 Mm', 'near'],
    [['12 cm'], '12.4 cm', 'right', { tolerance: '0.5' }],
    [['12 cm'], '12.6 cm', 'other', { tolerance: '0.5' }],
    [['12 cm'], '12.4 cm', 'right', { tolerance: '5 mm' }],
    [['20 °C'], '21 °C', 'right', { tolerance: '2 °C' }],
    [['20 °C'], '23 °C', 'other', { tolerance: '2 °C' }],
    [['seven', '7'], '7', 'right'],
    [['seven', '7'], 'Seven', 'right'],
    [['seven', '7'], '8', 'other'],
    [['seven', '7'], 'sevn', 'near'],
    [['7'], 'seven', 'no-number'],
    [['50%'], '50 %', 'right'],
    [['50%'], '50', 'no-unit'],
    [['0.5'], '50 %', 'right'],
    [['£3.50'], '350p', 'right'],
    [['£3.50'], '3.50', 'no-unit'],
    [['£3.50'], '$3.50', 'other-unit'],
    [['2 pounds'], '£2', 'right'],
    [['2 lb'], '2 pounds', 'right'],
    [["the dog's bone"], 'The dog’s bone.', 'right'],
    [['sea star'], 'sea-star', 'right'],
    [['well-being'], 'well being', 'right'],
    [['form'], 'from', 'near'],
    [['limpet'], 'limepts', 'near'],
    [['cat'], 'dog', 'other'],
    [['3 cats'], '4 cats', 'other'],
    [['3 cats'], '3 cat', 'near'],
    [['Straße'], 'STRASSE', 'right'],
    [['की'], 'का', 'other'],
    [['काम'], 'कम', 'near'],
    [['café'], 'cafe', 'right'],
    [['café'], 'cafe', 'near', { accents: true }],
  ]
  it.each(cases)('%j: %s is %s', (accepts, text, judged, more = {}, language) => {
    expect(judge(text, { accepts, ...more }, language)).toBe(judged)
  })

  it('is right when it is one of the answers, whatever the answer is', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 }).filter(text => text.trim() !== ''),
          { minLength: 1, maxLength: 4 },
        ),
        fc.nat(3),
        (accepts, i) => {
          const text = accepts[i % accepts.length]!
          expect(judge(text, { accepts })).toBe('right')
          expect(judge(` ${text} `, { accepts })).toBe('right')
        },
      ),
      { numRuns: 500 },
    )
  })
})
