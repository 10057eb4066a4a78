import Fraction from 'fraction.js'
import { describe, expect, it } from 'vitest'
import { fillByRules, fits, isPrime, rounded, ruleFault, type SortRule } from '../../../core/keys/rule'
import { quantity } from '../../../core/exact/quantity'
import { keepKey } from '../../../core/design/answers'
import type { PlaceId } from '../../../core/board/ids'
import type { Piece } from '../../../core/board/piece'
import { soundsOf } from '../../../server/sound/dictionary'
import { keyId, masterId, pageId, pieceId, placeId, sortBoard } from '../../boards'

const fill = (words: string[], ...rules: SortRule[]) => {
  const board = sortBoard(
    rules.map((_, i) => `Zone ${i}`),
    words,
  )
  const filled = fillByRules(board, pageId('page'), new Map(rules.map((rule, i) => [placeId(`z${i}`), rule])))
  const name = (id: string) => board.pages[0]!.pieces.find(p => p.id === id)!.text
  const inZone = (i: number) =>
    Object.entries(filled.homes)
      .filter(([, homes]) => homes.includes(placeId(`z${i}`)))
      .map(([id]) => name(id))
  return {
    zones: rules.map((_, i) => inZone(i)),
    none: filled.none.map(name),
    several: filled.several.map(name),
    unknown: filled.unknown.map(name),
  }
}

const card = (text: string): Piece => ({ kind: 'card', id: pieceId('x'), master: masterId('m'), text })

describe('rules for words', () => {
  it('go by beginning, ending and what they contain, without regard to case', () => {
    expect(
      fill(['Shell', 'ship', 'fish', 'crab'], { test: 'starts', value: 'sh' }, { test: 'ends', value: 'SH' }),
    ).toEqual({ zones: [['Shell', 'ship'], ['fish']], none: ['crab'], several: [], unknown: [] })
    expect(fill(['boat', 'coast', 'rope'], { test: 'contains', value: 'oa' }).zones).toEqual([['boat', 'coast']])
  })

  it('count letters, accents and all, but neither spaces nor hyphens', () => {
    expect(
      fill(
        ['tide', 'Zoe\u0308', 'sea-star', 'sea star'],
        { test: 'letters', value: '4' },
        { test: 'letters', value: '7' },
      ).zones,
    ).toEqual([['tide'], ['sea-star', 'sea star']])
  })
})

describe('rules for numbers', () => {
  const upTo100 = Array.from({ length: 101 }, (_, i) => String(i))

  it('know the 25 primes below 100 (table of primes, e.g. Abramowitz and Stegun, table 24.9; from memory)', () => {
    const primes = [2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89, 97].map(
      String,
    )
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
    expect(
      fill(['2', '3', '6', '7', '12'], { test: 'multiple', value: '2' }, { test: 'multiple', value: '3' }),
    ).toMatchObject({ several: ['6', '12'], none: ['7'] })
  })

  it('take a range with both its ends, exactly', () => {
    expect(fill(['0.1', '1/3', '0.34', '1/2', '0.51'], { test: 'between', value: '1/3', to: '1/2' }).zones[0]).toEqual([
      '1/3',
      '0.34',
      '1/2',
    ])
  })

  it('round halves away from nought (common practice, no source)', () => {
    expect(['14', '15', '24', '25', '-15'].map(n => rounded(quantity(n), quantity('10')).toString())).toEqual([
      '10',
      '20',
      '20',
      '30',
      '-20',
    ])
    expect(fill(['4.4', '4.5', '5.49', '5.5'], { test: 'rounds', value: '5', nearest: '1' }).zones[0]).toEqual([
      '4.5',
      '5.49',
    ])
  })

  it('say nothing of words, and never guess', () => {
    expect(fill(['7', 'seven'], { test: 'odd' })).toMatchObject({ zones: [['7']], none: [], unknown: ['seven'] })
    expect(fits({ test: 'prime' }, card('9'.repeat(20)))).toBeNull()
  })
})

describe('places without a rule', () => {
  it('keep the answers that they have; those with one are filled afresh', () => {
    const board = keepKey(sortBoard(['Short', 'Other'], ['net', 'harbour', 'boat']), {
      kind: 'sort',
      id: keyId('k'),
      page: pageId('page'),
      homes: { [pieceId('c0')]: [placeId('z1')], [pieceId('c1')]: [placeId('z1')], [pieceId('c2')]: [placeId('z0')] },
    })
    const { homes, none, several } = fillByRules(
      board,
      pageId('page'),
      new Map([[placeId('z0'), { test: 'letters', value: '3' }]]),
    )
    expect(homes).toEqual({ c0: ['z0', 'z1'], c1: ['z1'], c2: [] })
    expect([none, several]).toEqual([['c2'], ['c0']])
  })
})

describe("a rule that can't be asked", () => {
  it.each<[SortRule, string | null]>([
    [{ test: 'starts', value: ' ' }, 'no-value'],
    [{ test: 'multiple', value: '0' }, 'not-a-number'],
    [{ test: 'multiple', value: 'x' }, 'not-a-number'],
    [{ test: 'between', value: '1', to: '' }, 'not-a-number'],
    [{ test: 'rounds', value: '5', nearest: '0' }, 'not-a-number'],
    [{ test: 'letters', value: 'four' }, 'not-a-number'],
    [{ test: 'even' }, null],
    [{ test: 'between', value: '1', to: '2' }, null],
  ])('%j: %s', (rule, fault) => {
    expect(ruleFault(rule)).toBe(fault)
  })
})

describe('rules by digit', () => {
  it('look at one place of a number: 342 is 3 hundreds, 4 tens, 2 ones (common practice, no source)', () => {
    for (const [value, at] of [
      ['3', '100'],
      ['4', '10'],
      ['2', '1'],
      ['0', '1000'],
      ['0', '0.1'],
    ] as const)
      expect(fits({ test: 'digit', value, at }, card('342')), at).toBe(true)
    expect(fits({ test: 'digit', value: '5', at: '0.1' }, card('−2.57'))).toBe(true)
    expect(fits({ test: 'digit', value: '7', at: '0.1' }, card('−2.57'))).toBe(false)
    expect(ruleFault({ test: 'digit', value: '12', at: '10' })).toBe('not-a-digit')
    expect(ruleFault({ test: 'digit', value: '1', at: '20' })).toBe('not-a-digit')
  })
})

describe('rules by sound', async () => {
  const { dictionary } = await import('cmu-pronouncing-dictionary')
  const words =
    'boat coat note moon spoon soon net jet ship shop chip anchor harbour harbor pebble octopus jellyfish cormorant gull bath trap path palm father dog log lot car far fire tide knot knee gnat phone tomato'.split(
      ' ',
    )
  const sounds = await soundsOf([...words, 'limpet'])

  it('take what the open dictionary says, variants included, and know when it says nothing', () => {
    for (const word of words) expect(sounds.get(word)?.[0], word).toBe(dictionary[word])
    expect(sounds.get('tomato')).toHaveLength(2)
    expect(sounds.has('limpet')).toBe(false)
    expect(fits({ test: 'syllables', value: '2' }, card('limpet'), sounds)).toBeNull()
    expect(fits({ test: 'rhymes', value: 'limpet' }, card('boat'), sounds)).toBeNull()
    expect(ruleFault({ test: 'vowel', value: 'limpet' }, sounds)).toBe('unknown-word')
  })

  it('count the syllables that the dictionary marks', () => {
    const counts = { boat: 1, gull: 1, anchor: 2, harbour: 2, pebble: 2, octopus: 3, jellyfish: 3, cormorant: 3 }
    for (const [word, n] of Object.entries(counts))
      expect(fits({ test: 'syllables', value: String(n) }, card(word), sounds), word).toBe(true)
    expect(fits({ test: 'syllables', value: '3' }, card('harbour boat'), sounds)).toBe(true)
  })

  it('find vowels, rhymes and onsets by sound, not by spelling', () => {
    expect(fits({ test: 'vowel', value: 'boat' }, card('note'), sounds)).toBe(true)
    expect(fits({ test: 'rhymes', value: 'moon' }, card('Spoon'), sounds)).toBe(true)
    expect(fits({ test: 'rhymes', value: 'boat' }, card('note'), sounds)).toBe(true)
    expect(fits({ test: 'rhymes', value: 'boat' }, card('boat'), sounds)).toBe(false)
    expect(fits({ test: 'onset', value: 'net' }, card('knot'), sounds)).toBe(true)
    expect(fits({ test: 'onset', value: 'net' }, card('gnat'), sounds)).toBe(true)
    expect(fits({ test: 'onset', value: 'ship' }, card('chip'), sounds)).toBe(false)
    expect(fits({ test: 'onset', value: 'far' }, card('phone'), sounds)).toBe(true)
  })

  it('show where British and American English differ instead of guessing (Wells 1982, from memory)', () => {
    expect(fits({ test: 'vowel', value: 'trap' }, card('bath'), sounds)).toBe('differs')
    expect(fits({ test: 'vowel', value: 'palm' }, card('lot'), sounds)).toBe('differs')
    expect(fits({ test: 'rhymes', value: 'log' }, card('dog'), sounds)).not.toBe(false)
    expect(fits({ test: 'rhymes', value: 'car' }, card('far'), sounds)).toBe(true)
    const board = sortBoard(['Like trap', 'Like moon'], ['path', 'soon', 'limpet'])
    const filled = fillByRules(
      board,
      pageId('page'),
      new Map<PlaceId, SortRule>([
        [placeId('z0'), { test: 'vowel', value: 'trap' }],
        [placeId('z1'), { test: 'vowel', value: 'moon' }],
      ]),
      sounds,
    )
    expect([filled.homes, filled.differs, filled.unknown]).toEqual([{ c1: ['z1'] }, ['c0'], ['c2']])
  })

  it("hear an r in a vowel, and don't take it for the plain one (Wells 1982, from memory)", async () => {
    const more = await soundsOf(
      'air bed chair hair sit near ear book poor car hot for dog her bird very fairy sat bear'.split(' '),
    )
    const like = (value: string, word: string) => fits({ test: 'vowel', value }, card(word), more)
    for (const [plain, coloured] of [
      ['bed', 'air'],
      ['bed', 'chair'],
      ['sit', 'near'],
      ['sit', 'ear'],
      ['book', 'poor'],
      ['hot', 'car'],
      ['sat', 'bear'],
    ] as const) {
      expect(like(plain, coloured), `${plain} ${coloured}`).toBe(false)
    }
    expect([like('air', 'hair'), like('near', 'ear'), like('her', 'bird')]).toEqual([true, true, true])
    // Before a vowel the dictionary doesn't tell "very" from "fairy".
    expect(like('bed', 'very')).not.toBe(false)
    expect(like('bed', 'fairy')).not.toBe(true)
  })

  it('ask the teacher about words that British speakers split otherwise (Wells 1982, from memory)', async () => {
    const more = await soundsOf(
      'secretary territory dictionary cemetery ordinary trap baths glasses plants gas hand asking romance boat'.split(
        ' ',
      ),
    )
    for (const word of ['secretary', 'territory', 'dictionary', 'ordinary']) {
      const answers = [3, 4].map(n => fits({ test: 'syllables', value: String(n) }, card(word), more))
      expect(answers, word).toEqual(['differs', 'differs'])
    }
    for (const word of ['baths', 'glasses', 'plants', 'asking'])
      expect(fits({ test: 'vowel', value: 'trap' }, card(word), more), word).toBe('differs')
    for (const word of ['gas', 'hand'])
      expect(fits({ test: 'vowel', value: 'trap' }, card(word), more), word).toBe(true)
  })

  it('begin with the first sound or with all the consonants, as the teacher picks', async () => {
    const more = await soundsOf('stop star sun string ship apple ant'.split(' '))
    const begins = (test: 'onset' | 'initial', value: string, word: string) => fits({ test, value }, card(word), more)
    expect([begins('initial', 'sun', 'stop'), begins('onset', 'sun', 'stop')]).toEqual([true, false])
    expect([
      begins('initial', 'star', 'stop'),
      begins('onset', 'star', 'stop'),
      begins('onset', 'star', 'string'),
    ]).toEqual([true, true, false])
    expect([
      begins('initial', 'sun', 'ship'),
      begins('initial', 'apple', 'ant'),
      begins('initial', 'sun', 'apple'),
    ]).toEqual([false, true, false])
  })
})

describe('rules on what stands on cards as people write it', () => {
  it('know every apostrophe and hyphen, thousands, decimals, and a range from either end', () => {
    expect(fits({ test: 'contains', value: "'" }, card('don’t'))).toBe(true)
    expect(fits({ test: 'starts', value: 'well-' }, card('well‑being'))).toBe(true)
    expect(fits({ test: 'even' }, card('1,250'))).toBe(true)
    expect(fits({ test: 'even' }, card('1 250'))).toBe(true)
    expect(fits({ test: 'between', value: '30', to: '20' }, card('25'))).toBe(true)
    expect(fits({ test: 'between', value: '1,000', to: '2,000' }, card('1,500'))).toBe(true)
    expect(fits({ test: 'multiple', value: '0,5' }, card('1,5'), undefined, 'de-DE')).toBe(true)
    expect(fits({ test: 'between', value: '1.000', to: '2.000' }, card('1.500'), undefined, 'de-DE')).toBe(true)
  })
})
