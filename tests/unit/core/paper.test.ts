import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { BoardOrderSchema } from '../../../core/paper/boardOrder'
import { BOARD_PAPERS } from '../../../core/paper/boardPapers'
import { CUT_GAP, packed } from '../../../core/paper/packing'
import { pairsOf } from '../../../core/paper/pairs'
import { fitted, inside, MM, OVERLAP, poster, SHEET_EDGE, SHEETS, turnedFor } from '../../../core/paper/sheets'
import { exampleBoards } from '../../examples'

const things = fc.array(
  fc.record({ width: fc.integer({ min: 10, max: 500 }), height: fc.integer({ min: 10, max: 300 }) }),
  { maxLength: 80 },
)
/** Half a thousandth of a point is nothing that scissors meet. */
const ROUNDING = 5e-4

describe('sheets', () => {
  it('are as large as the standards say (ISO 216; ANSI Y14.1: 8.5 × 11 inches), and lie where that has more room', () => {
    expect(SHEETS.a4.width / MM).toBeCloseTo(210)
    expect(SHEETS.a3.height / MM).toBeCloseTo(420)
    // Two A4 make an A3.
    expect(SHEETS.a3.width / SHEETS.a4.height).toBeCloseTo(1, 5)
    expect([SHEETS.letter.width, SHEETS.letter.height]).toEqual([612, 792])
    expect(turnedFor('a4', { width: 960, height: 540 }).width).toBe(SHEETS.a4.height)
    expect(turnedFor('a4', { width: 540, height: 540 }).width).toBe(SHEETS.a4.width)
  })
  it('hold a page true to size where there is room, else as large as it fits', () => {
    const box = { x: 10, y: 20, width: 400, height: 300 }
    expect(fitted({ width: 200, height: 100 }, box)).toEqual({ x: 110, y: 120, scale: 1 })
    expect(fitted({ width: 800, height: 300 }, box)).toEqual({ x: 10, y: 95, scale: 0.5 })
  })
})

describe('a poster', () => {
  it('shows every point of the page, its sheets reach over each other by as much as is promised, and no part is larger than its sheet', () => {
    fc.assert(
      fc.property(
        fc.record({ width: fc.integer({ min: 100, max: 2000 }), height: fc.integer({ min: 100, max: 2000 }) }),
        fc.constantFrom('a4', 'a3', 'letter'),
        fc.integer({ min: 25, max: 400 }),
        (page, name, percent) => {
          const scale = percent / 100
          const made = poster(page, name, scale)
          const room = inside(made.sheet)
          expect(made.tiles).toHaveLength(made.columns * made.rows)
          for (const { part } of made.tiles) {
            expect(part.width * scale).toBeLessThanOrEqual(room.width + ROUNDING)
            expect(part.height * scale).toBeLessThanOrEqual(room.height + ROUNDING)
            expect(part.width).toBeGreaterThan(0)
          }
          const last = made.tiles.at(-1)!.part
          expect(last.x + last.width).toBeCloseTo(page.width, 3)
          expect(last.y + last.height).toBeCloseTo(page.height, 3)
          if (made.columns > 1) {
            const [a, b] = made.tiles
            expect((a!.part.x + a!.part.width - b!.part.x) * scale).toBeCloseTo(OVERLAP, 3)
          }
        },
      ),
    )
  })
  it('is one sheet where one is enough, and takes them lying where that are fewer', () => {
    expect(poster({ width: 200, height: 100 }, 'a4', 1).tiles).toHaveLength(1)
    const wide = poster({ width: 780, height: 500 }, 'a4', 1)
    expect([wide.columns, wide.rows, wide.sheet.width > wide.sheet.height]).toEqual([1, 1, true])
  })
})

describe('pieces to cut out', () => {
  it('lie on the sheets once each, apart, inside what printers reach, and the waste is what is left', () => {
    fc.assert(
      fc.property(things, given => {
        const { sheet, sheets, tooLarge, waste } = packed(given, 'a4')
        const room = inside(sheet)
        const all = [...sheets.flat().map(one => one.thing), ...tooLarge]
        expect(all).toHaveLength(given.length)
        expect(new Set(all).size).toBe(new Set(given).size)
        for (const laid of sheets) {
          for (const one of laid) {
            expect(one.x).toBeGreaterThanOrEqual(SHEET_EDGE - ROUNDING)
            expect(one.x + one.width).toBeLessThanOrEqual(room.x + room.width + ROUNDING)
            expect(one.y + one.height).toBeLessThanOrEqual(room.y + room.height + ROUNDING)
          }
          laid.forEach((a, i) =>
            laid.slice(i + 1).forEach(b => {
              const apart =
                a.x + a.width + CUT_GAP <= b.x + ROUNDING
                || b.x + b.width + CUT_GAP <= a.x + ROUNDING
                || a.y + a.height + CUT_GAP <= b.y + ROUNDING
                || b.y + b.height + CUT_GAP <= a.y + ROUNDING
              expect(apart).toBe(true)
            }),
          )
        }
        const used = sheets.flat().reduce((sum, one) => sum + one.width * one.height, 0)
        const area = sheets.length * room.width * room.height
        expect(waste).toBeCloseTo(area ? 1 - used / area : 0, 9)
        for (const thing of tooLarge) expect(thing.width > room.width || thing.height > room.height).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
  it('need no more than the bound of this way of packing: 1.7 times the best height and the tallest (Coffman and others 1980)', () => {
    fc.assert(
      fc.property(things, given => {
        const small = given.filter(one => one.width <= 400 && one.height <= 200)
        const { sheets } = packed(small, 'a4')
        const room = inside(SHEETS.a4)
        const gaps = (one: { width: number; height: number }) => (one.width + CUT_GAP) * (one.height + CUT_GAP)
        // No packing is lower than the area; on sheets each may lose at its foot as much as the tallest is high.
        const best = small.reduce((sum, one) => sum + gaps(one), 0) / (room.width + CUT_GAP)
        const tallest = Math.max(0, ...small.map(one => one.height + CUT_GAP))
        const bound = 1.7 * best + tallest
        const height = room.height + CUT_GAP
        expect(Math.max(0, sheets.length - 1)).toBeLessThanOrEqual(Math.ceil(bound / (height - tallest)))
      }),
    )
  })
  it('are none on no sheet', () => {
    expect(packed([], 'a4')).toMatchObject({ sheets: [], tooLarge: [], waste: 0 })
  })
})

describe('cards with two sides', () => {
  it('have what the key says belongs together: what is matched, and what has one home with that home’s heading', () => {
    const named = (title: string) => makeEdition(exampleBoards.find(board => board.title.startsWith(title))!)
    const words = named('Harbour words')
    const text = (edition: typeof words, piece: string) => edition.pieces.get(piece as never)!.piece.text
    expect(
      pairsOf(words).map(({ front, back }) => [
        text(words, front),
        'piece' in back ? text(words, back.piece) : back.words,
      ]),
    ).toContainEqual(['moor', 'tie up a boat'])
    const sorted = pairsOf(named('How do they hold on?'))
    expect(sorted.every(({ back }) => 'words' in back && back.words.length > 0)).toBe(true)
    expect(pairsOf(named('Make twelve'))).toEqual([])
  })
})

describe('an order', () => {
  it('is read from the words of a query, with what is usual where nothing is said, and refused where it is nonsense', () => {
    for (const what of BOARD_PAPERS) expect(v.safeParse(BoardOrderSchema, { what }).success).toBe(true)
    expect(v.parse(BoardOrderSchema, { what: 'cut-out', sets: '4', numbers: '1' })).toEqual({
      what: 'cut-out',
      sheet: 'a4',
      grey: false,
      sets: 4,
      numbers: true,
      headings: 0,
    })
    for (const wrong of [
      {},
      { what: 'poem' },
      { what: 'cut-out', sets: '99' },
      { what: 'cut-out', sets: '-1' },
      { what: 'poster', percent: '1e9' },
      { what: 'pages', sheet: ['a4', 'a3'] },
      { what: 'pages', grey: 'yes' },
    ])
      expect(v.safeParse(BoardOrderSchema, wrong).success, JSON.stringify(wrong)).toBe(false)
  })
})
