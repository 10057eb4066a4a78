import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Gaps, Place } from '../../../core/board/place'
import { rescrambled } from '../../../core/design/pieces'
import { layoutGaps } from '../../../core/layout/gaps'
import { CARD_LOWEST, CARD_PADDING, CARD_WIDEST, cardSize } from '../../../core/layout/cardSize'
import { seeded, shuffled } from '../../../core/layout/random'
import { neighbours, scramble } from '../../../core/layout/scramble'
import { breakLines } from '../../../core/text/lines'
import { textWidth } from '../../../core/text/measure'
import { placeId } from '../../boards'
import { boardOf, box, card } from '../../keyBoards'

const anyText = fc.oneof(
  fc.string({ maxLength: 60 }),
  fc.lorem({ maxCount: 8 }),
  fc.string({ unit: 'grapheme', maxLength: 30 }),
)

describe('lines', () => {
  it('fit the width, unless one character alone is too wide, and lose nothing but spaces', () => {
    fc.assert(
      fc.property(anyText, fc.integer({ min: 20, max: 300 }), (text, width) => {
        const lines = breakLines(text, width, 18)
        for (const line of lines)
          expect(textWidth(line, 18) <= width || [...new Intl.Segmenter().segment(line)].length === 1).toBe(true)
        const bare = (s: string) => s.replace(/\s/g, '')
        expect(bare(lines.join(''))).toBe(bare(text))
      }),
    )
  })

  it('break at spaces and after hyphens, never before a minus', () => {
    const wide = textWidth('well-', 18) + 1
    expect(breakLines('well-known', wide, 18)[0]).toBe('well-')
    expect(breakLines('sea star', textWidth('sea sta', 18), 18)).toEqual(['sea', 'star'])
    expect(breakLines('-5', textWidth('-5', 18) + 1, 18)).toEqual(['-5'])
    expect(breakLines('', 100, 18)).toEqual([''])
    expect(breakLines('a\nb', 100, 18)).toEqual(['a', 'b'])
  })

  it('break a word of 80 letters, and Chinese between characters', () => {
    expect(breakLines('x'.repeat(80), 100, 18).length).toBeGreaterThan(5)
    expect(breakLines('海边的岩石', 40, 18).every(line => [...line].length <= 2)).toBe(true)
  })
})

describe('the size of cards', () => {
  it('is the one that the longest text needs: every text fits', () => {
    fc.assert(
      fc.property(
        fc.array(fc.lorem({ maxCount: 6 }), { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 10, max: 30 }),
        (texts, size) => {
          const card = cardSize(texts, size)
          expect(card.width).toBeLessThanOrEqual(CARD_WIDEST)
          for (const text of texts) {
            const lines = breakLines(text, card.width - 2 * CARD_PADDING.x, size)
            expect(lines.length * 1.3 * size + 2 * CARD_PADDING.y).toBeLessThanOrEqual(card.height)
          }
        },
      ),
    )
  })

  it('is never too small for a finger, not even without a text', () => {
    expect(cardSize([], 18).height).toBe(CARD_LOWEST)
  })
})

describe('the scramble', () => {
  it('has everything once, is the same for the same seed, and leaves nothing where it stood', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.nat(), (n, seed) => {
        const items = Array.from({ length: n }, (_, i) => i)
        const order = scramble(items, () => undefined, seed)
        expect(order.toSorted((a, b) => a - b)).toEqual(items)
        expect(scramble(items, () => undefined, seed)).toEqual(order)
        expect(order.some((item, i) => item === i)).toBe(false)
      }),
    )
  })

  it('does not put cards of one home side by side more often than chance', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 5 }), fc.integer({ min: 3, max: 8 }), fc.nat(), (groups, each, seed) => {
        const items = Array.from({ length: groups * each }, (_, i) => i)
        const groupOf = (i: number) => String(Math.floor(i / each))
        const order = scramble(items, groupOf, seed)
        const chance = Math.ceil((groups * each * (each - 1)) / (groups * each))
        expect(neighbours(order.map(groupOf))).toBeLessThanOrEqual(chance)
      }),
    )
  })

  it('gives one item and no items back', () => {
    expect(scramble(['a'], () => 'g', 1)).toEqual(['a'])
    expect(scramble([], () => 'g', 1)).toEqual([])
  })

  it('draws each of the six orders of three about equally often (chi-square, 5 degrees of freedom, 0.1 %: 20.5, from a table, by memory)', () => {
    const random = seeded(12345)
    const counts = new Map<string, number>()
    for (let i = 0; i < 6000; i++) {
      const order = shuffled(['a', 'b', 'c'], random).join('')
      counts.set(order, (counts.get(order) ?? 0) + 1)
    }
    const chi = [...counts.values()].reduce((sum, n) => sum + (n - 1000) ** 2 / 1000, 0)
    expect(counts.size).toBe(6)
    expect(chi).toBeLessThan(20.5)
  })
})

describe('a scramble of few', () => {
  const cards = (n: number) => Array.from({ length: n }, (_, i) => card(`c${i}`))
  const lane: Place = { kind: 'lane', id: placeId('l'), heading: '', direction: 'row', shape: box(20, 20, 900, 84) }
  const chain = (order: string[]) => order.slice(1).map((id, i): [string, string] => [order[i]!, id])

  it('never stands in the order that is asked for, however it was typed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 6 }), fc.nat(), fc.nat(), (n, seed, turn) => {
        const names = Array.from({ length: n }, (_, i) => `c${i}`)
        const order = shuffled(names, seeded(turn))
        const board = boardOf([lane], cards(n), { kind: 'order', lane: 'l', before: chain(order), credit: 'all' })
        expect(rescrambled(board, board.pages[0]!.id, seed).pages[0]!.ledge).not.toEqual(order)
      }),
      { numRuns: 300 },
    )
  })

  it('is no bank in the order of its gaps, and has partners side by side no more often than chance', () => {
    const slots: Place[] = [0, 1, 2, 3].map(i => ({
      kind: 'slot',
      id: placeId(`s${i}`),
      heading: '',
      shape: box(20 + i * 120, 50, 100, 60),
    }))
    const fits = { s0: ['c2'], s1: ['c0'], s2: ['c3'], s3: ['c1'] }
    const bank = boardOf(slots, cards(4), { kind: 'slots', fits })
    const pairs = boardOf([], cards(4), {
      kind: 'match',
      sets: [
        ['c0', 'c1'],
        ['c2', 'c3'],
      ],
      where: [],
    })
    let together = 0
    for (let seed = 0; seed < 400; seed++) {
      expect(rescrambled(bank, bank.pages[0]!.id, seed).pages[0]!.ledge).not.toEqual(['c2', 'c0', 'c3', 'c1'])
      const row = rescrambled(pairs, pairs.pages[0]!.id, seed)
        .pages[0]!.ledge.map(id => (id < 'c2' ? 'a' : 'b'))
        .join('')
      if (row === 'aabb' || row === 'bbaa') together++
    }
    // Of the 24 rows of two pairs 8 have both together (counted by hand).
    expect(together / 400).toBeLessThanOrEqual(8 / 24)
  })

  it('gives each of the rows that tell nothing about as often as the others', () => {
    const rows = new Map<string, number>()
    for (let seed = 0; seed < 900; seed++) {
      const row = scramble(['a', 'b', 'c', 'd'], () => undefined, seed).join('')
      rows.set(row, (rows.get(row) ?? 0) + 1)
    }
    // The derangements of four: D₄ = 9 (handbook value). Each 100 times; beyond five standard deviations it isn't
    // chance.
    expect(rows.size).toBe(9)
    for (const count of rows.values()) expect(Math.abs(count - 100)).toBeLessThan(5 * Math.sqrt(100))
  })
})

describe('emoji', () => {
  // Sequences of Unicode Technical Standard 51 (RGI_Emoji), as the engine's own property of strings knows them.
  const sequences = ['👨‍👩‍👧‍👦', '👍🏽', '🇬🇧', '🏴󠁧󠁢󠁳󠁣󠁴󠁿', '1️⃣', '#️⃣', '❤️', '🧑🏾‍🚀', '🏳️‍🌈', '👁️‍🗨️', '🤦🏼‍♀️']
  it('are as wide as one picture each, however many characters they are written with', () => {
    for (const sequence of sequences) {
      expect(new RegExp('^\\p{RGI_Emoji}$', 'v').test(sequence), sequence).toBe(true)
      expect(textWidth(sequence, 20), sequence).toBe(textWidth('😀', 20))
      expect(textWidth(`a${sequence}b${sequence}`, 20), sequence).toBeCloseTo(
        textWidth('ab', 20) + 2 * textWidth('😀', 20),
        9,
      )
    }
    expect(textWidth('12#*', 20)).toBeGreaterThan(textWidth('1', 20) * 3)
  })
})

describe('a text with gaps', () => {
  const place = (text: string, width: number, height: number): Gaps => ({
    kind: 'gaps',
    id: placeId('g'),
    heading: '',
    text,
    textSize: 20,
    typed: true,
    gap: { width: 90, height: 30 },
    shape: { kind: 'rectangle', x: 40, y: 30, width, height },
  })
  const words = fc
    .array(fc.constantFrom('The', 'limpet', '____', 'clings.', 'to__it', 'averyverylongwordthatnolineholds', '__,'), {
      minLength: 1,
      maxLength: 12,
    })
    .map(all => `${all.join(' ')} ____`)

  it('flows from the right where it is read so', () => {
    const { gaps, words: set, fromRight } = layoutGaps(place('הכלב ____ בבית', 500, 200))
    expect(fromRight).toBe(true)
    expect(set[0]!.x).toBeGreaterThan(gaps[0]!.x)
    expect(gaps[0]!.x).toBeGreaterThan(set[1]!.x)
    expect(set[0]!.x + set[0]!.width).toBeCloseTo(40 + 500 - 12, 9)
    expect(layoutGaps(place('The ____ clings', 500, 200)).fromRight).toBe(false)
  })

  it('never runs out of its place, whatever its words, as long as that has room for it at all', () => {
    fc.assert(
      fc.property(
        words,
        fc.integer({ min: 130, max: 700 }),
        fc.integer({ min: 260, max: 500 }),
        (text, width, height) => {
          const { gaps, words: set, height: high } = layoutGaps(place(text, width, height))
          for (const { x, width: wide } of [...gaps, ...set]) {
            expect(x).toBeGreaterThanOrEqual(40 - 1e-6)
            expect(x + wide).toBeLessThanOrEqual(40 + width + 1e-6)
          }
          expect(high).toBeLessThanOrEqual(height + 1e-6)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('lines in every script', () => {
  it('never begin with what belongs to the line before (rules LB13 and LB16 of UAX 14), and lose nothing', () => {
    const text = fc
      .array(fc.constantFrom('日', '本', '語', 'の。', 'は、', '「文」', 'テー', 'word', ' '), {
        minLength: 1,
        maxLength: 30,
      })
      .map(all => all.join(''))
    fc.assert(
      fc.property(text, fc.integer({ min: 110, max: 240 }), (written, width) => {
        const lines = breakLines(written, width, 18)
        for (const line of lines.slice(1)) expect(line).not.toMatch(/^[。、」]/)
        for (const line of lines.slice(0, -1)) expect(line).not.toMatch(/「$/)
        expect(lines.join('').replaceAll(' ', '')).toBe(written.replaceAll(' ', ''))
      }),
      { numRuns: 300 },
    )
  })

  it('keep together what a no-break space, a no-break hyphen or an abbreviation joins', () => {
    expect(breakLines('no\u00A0break here', 60, 18)[0]).not.toBe('no')
    expect(breakLines('e\u2011mail goes', 60, 18)[0]).toBe('e\u2011mail')
    expect(breakLines('sea-star', 60, 18)).toEqual(['sea-', 'star'])
  })
})
