import Fraction from 'fraction.js'
import { describe, expect, it } from 'vitest'
import { fillByRules, fits, isPrime, rounded, ruleFault, type SortRule } from '../../../core/keys/rule'
import { quantity } from '../../../core/exact/quantity'
import { keepKey } from '../../../core/design/answers'
import { keyId, pageId, pieceId, placeId, sortBoard } from '../../boards'

const fill = (words: string[], ...rules: SortRule[]) => {
  const board = sortBoard(rules.map((_, i) => `Zone ${i}`), words)
  const filled = fillByRules(board, pageId('page'), new Map(rules.map((rule, i) => [placeId(`z${i}`), rule])))
  const name = (id: string) => board.pages[0]!.pieces.find(p => p.id === id)!.text
  const inZone = (i: number) => Object.entries(filled.homes).filter(([, homes]) => homes.includes(placeId(`z${i}`))).map(([id]) => name(id))
  return { zones: rules.map((_, i) => inZone(i)), none: filled.none.map(name), several: filled.several.map(name), unknown: filled.unknown.map(name) }
}

describe('rules for words', () => {
  it('go by beginning, ending and what they contain, without regard to case', () => {
    expect(fill(['Shell', 'ship', 'fish', 'crab'], { test: 'starts', value: 'sh' }, { test: 'ends', value: 'SH' })).toEqual({
      zones: [['Shell', 'ship'], ['fish']], none: ['crab'], several: [], unknown: [],
    })
    expect(fill(['boat', 'coast', 'rope'], { test: 'contains', value: 'oa' }).zones).toEqual([['boat', 'coast']])
  })

  it('count letters, accents and all, but neither spaces nor hyphens', () => {
    expect(fill(['tide', 'Zoe\u0308', 'sea-star', 'sea star'], { test: 'letters', value: '4' }, { test: 'letters', value: '7' }).zones).toEqual([['tide'], ['sea-star', 'sea star']])
  })
})

describe('rules for numbers', () => {
  const upTo100 = Array.from({ length: 101 }, (_, i) => String(i))

  it('know the 25 primes below 100 (table of primes, e.g. Abramowitz and Stegun, table 24.9; from memory)', () => {
    const primes = [2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89, 97].map(String)
    expect(fill(upTo100, { test: 'prime' }).zones[0]).toEqual(primes)
    expect(isPrime(new Fraction('999999999989'))).toBe(true)
    expect(isPrime(new Fraction('1000000000001'))).toBeNull()
    expect(isPrime(new Fraction('7/2'))).toBe(false)
  })

  it('part the whole numbers in even and odd, and find multiples, nought and negatives included', () => {
    const { zones, none, several } = fill([...upTo100, '-3', '-4', '1/2'], { test: 'even' }, { test: 'odd' })
    expect([zones[0]!.length, zones[1]!.length, none, several]).toEqual([52, 51, ['1/2'], []])
    expect(fill(upTo100, { test: 'multiple', value: '25' }).zones[0]).toEqual(['0', '25', '50', '75', '100'])
    expect(fill(['0.5', '0.75', '1'], { test: 'multiple', value: '1/2' }).zones[0]).toEqual(['0.5', '1'])
  })

  it('say which numbers fit several rules: multiples of 2 and of 3', () => {
    expect(fill(['2', '3', '6', '7', '12'], { test: 'multiple', value: '2' }, { test: 'multiple', value: '3' })).toMatchObject({ several: ['6', '12'], none: ['7'] })
  })

  it('take a range with both its ends, exactly', () => {
    expect(fill(['0.1', '1/3', '0.34', '1/2', '0.51'], { test: 'between', value: '1/3', to: '1/2' }).zones[0]).toEqual(['1/3', '0.34', '1/2'])
  })

  it('round halves away from nought (common practice, no source)', () => {
    expect(['14', '15', '24', '25', '-15'].map(n => rounded(quantity(n), quantity('10')).toString())).toEqual(['10', '20', '20', '30', '-20'])
    expect(fill(['4.4', '4.5', '5.49', '5.5'], { test: 'rounds', value: '5', nearest: '1' }).zones[0]).toEqual(['4.5', '5.49'])
  })

  it('say nothing of words, and never guess', () => {
    expect(fill(['7', 'seven'], { test: 'odd' })).toMatchObject({ zones: [['7']], none: [], unknown: ['seven'] })
    expect(fits({ test: 'prime' }, { kind: 'card', id: 'x' as never, master: 'm' as never, text: '9'.repeat(20) })).toBeNull()
  })
})

describe('places without a rule', () => {
  it('keep the answers that they have; those with one are filled afresh', () => {
    const board = keepKey(sortBoard(['Short', 'Other'], ['net', 'harbour', 'boat']), {
      kind: 'sort', id: keyId('k'), page: pageId('page'), homes: { [pieceId('c0')]: [placeId('z1')], [pieceId('c1')]: [placeId('z1')], [pieceId('c2')]: [placeId('z0')] },
    })
    const { homes, none, several } = fillByRules(board, pageId('page'), new Map([[placeId('z0'), { test: 'letters', value: '3' }]]))
    expect(homes).toEqual({ c0: ['z0', 'z1'], c1: ['z1'], c2: [] })
    expect([none, several]).toEqual([['c2'], ['c0']])
  })
})

describe('a rule that can\'t be asked', () => {
  it.each<[SortRule, string | null]>([
    [{ test: 'starts', value: ' ' }, 'no-value'], [{ test: 'multiple', value: '0' }, 'not-a-number'], [{ test: 'multiple', value: 'x' }, 'not-a-number'],
    [{ test: 'between', value: '1', to: '' }, 'not-a-number'], [{ test: 'rounds', value: '5', nearest: '0' }, 'not-a-number'], [{ test: 'letters', value: 'four' }, 'not-a-number'],
    [{ test: 'even' }, null], [{ test: 'between', value: '1', to: '2' }, null],
  ])('%j: %s', (rule, fault) => {
    expect(ruleFault(rule)).toBe(fault)
  })
})
