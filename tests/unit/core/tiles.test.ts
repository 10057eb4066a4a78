import { describe, expect, it } from 'vitest'
import { contrast } from '../../../core/colour/contrast'
import { emptyBoard, readBoard } from '../../../core/board/board'
import { addFamily, ALGEBRA_X, FAMILIES, tilesOf, UNIT, WHOLE_BAR } from '../../../core/design/tiles'
import { amountOf } from '../../../core/exact/measure'
import { quantity } from '../../../core/exact/quantity'
import { pageId, pieceId, masterId } from '../../boards'

const counter = () => {
  let n = 0
  return { piece: () => pieceId(`p${++n}`), master: () => masterId(`m${++n}`) }
}
const values = (family: (typeof FAMILIES)[number], of = '') =>
  tilesOf(family, of).map(({ piece }) => (piece.kind === 'tile' ? piece.value : piece.text))

describe('families of tiles', () => {
  it('of base ten are as large as they are worth: a ten is as long as ten ones, a hundred is ten tens (common practice, no source)', () => {
    const [one, ten, hundred] = tilesOf('base-ten', '1 10 100').map(t => t.master)
    expect(ten!.height).toBe(10 * one!.height)
    expect(ten!.width).toBe(one!.width)
    expect(hundred!.width * hundred!.height).toBe(10 * ten!.width * ten!.height)
    expect(one!.width).toBe(UNIT['base-ten'])
    expect(values('base-ten', '1, 10, 7, 1000')).toEqual(['1', '10', '1000'])
  })

  it('of fractions: the half is as long as two quarters, three thirds are the whole, and each is worth its share exactly', () => {
    const bars = new Map(
      tilesOf('fraction-bars', '1 2 3 4 5 6 8 10 12').map(({ master, piece }) => [
        piece.kind === 'tile' ? piece.value : '',
        master.width,
      ]),
    )
    expect(bars.get('1/2')).toBe(2 * bars.get('1/4')!)
    expect(3 * bars.get('1/3')!).toBe(WHOLE_BAR)
    for (const [value, width] of bars) expect(width).toBeCloseTo(quantity(value).valueOf() * WHOLE_BAR, 9)
    const circle = tilesOf('fraction-circles', '4')[0]!
    expect(circle.master.look).toEqual({ kind: 'sector', share: '1/4' })
    expect(circle.piece.turns).toBe(true)
  })

  it('of rods are as long as their numbers, and stand for whole numbers alone', () => {
    const rods = tilesOf('rods', '1 5 10 0 2.5 21 x')
    expect(rods.map(r => r.master.width)).toEqual([1, 5, 10].map(n => n * UNIT.rods))
  })

  it('of algebra: a square of x by x, a bar of x by 1, a square of 1; the negative is on the other side, and together they make nothing', () => {
    const [square, bar, one] = tilesOf('algebra', 'x^2 x 1')
    expect([square!.master.width, square!.master.height]).toEqual([ALGEBRA_X, ALGEBRA_X])
    expect([bar!.master.width, bar!.master.height]).toEqual([ALGEBRA_X, UNIT.one])
    expect([one!.master.width, one!.master.height]).toEqual([UNIT.one, UNIT.one])
    expect((ALGEBRA_X / UNIT.one) % 1).not.toBe(0)
    for (const { piece } of [square!, bar!, one!]) {
      if (piece.kind !== 'tile') throw new Error('an algebra tile is a tile')
      expect(amountOf(piece.value).add(amountOf(piece.other!.value)).equals(0)).toBe(true)
    }
    expect(tilesOf('algebra', 'xy y 2x x^3 abc').map(t => t.piece.text)).toEqual(['xy', 'y'])
  })

  it('of counters and money take any exact number, and coins grow with what they are worth', () => {
    expect(values('counters', '1 0.5 1/4 two')).toEqual(['1', '0.5', '1/4'])
    const money = tilesOf('money', '50 20 10 5 2 1')
    expect(money.map(m => m.piece.text)).toEqual(['1', '2', '5', '10', '20', '50'])
    const widths = money.map(m => m.master.width)
    expect(widths).toEqual(widths.toSorted((a, b) => a - b))
  })

  it('of letters and digits are squares of one size', () => {
    expect(new Set(tilesOf('letters', 'a b sh').map(t => `${t.master.width}×${t.master.height}`))).toEqual(
      new Set(['48×48']),
    )
    expect(values('digits', '3 1 12 a')).toEqual(['3', '1'])
  })

  it.each(FAMILIES)(
    '%s make a whole board with their usual numbers, one piece for each kind, black on a colour that is light enough',
    family => {
      const board = addFamily(
        emptyBoard('Tiles', pageId('page'), 1),
        pageId('page'),
        { family, of: '', bins: true, each: 1 },
        counter(),
      )
      expect(readBoard(board).ok).toBe(true)
      expect(board.pages[0]!.pieces).toHaveLength(tilesOf(family, '').length)
      expect(board.pages[0]!.pieces.every(p => p.bin)).toBe(true)
      for (const { colour, kind } of board.masters)
        if (colour && kind === 'tile') expect(contrast('#14191a', colour)).toBeGreaterThan(6)
    },
  )

  it('come as so many of each, and use the styles that the board has already', () => {
    const ids = counter()
    const plan = { family: 'base-ten' as const, of: '1 10', bins: false, each: 3 }
    const once = addFamily(emptyBoard('Tiles', pageId('page'), 1), pageId('page'), plan, ids)
    expect(once.pages[0]!.pieces).toHaveLength(6)
    const twice = addFamily(once, pageId('page'), plan, ids)
    expect(twice.masters).toHaveLength(2)
    expect(twice.pages[0]!.ledge).toEqual(twice.pages[0]!.pieces.map(p => p.id))
  })
})

describe('colours of tiles', () => {
  it('belong to the value: alone, in another order, or beside others it looks the same', () => {
    const sets = [
      ['base-ten', '1 10 100', '100 10'],
      ['fraction-bars', '1 2 3 4', '4 2'],
      ['fraction-circles', '2 3 4', '12 3'],
      ['counters', '1 2 5', '5'],
      ['two-sided', '1 3', '3'],
      ['money', '1 2 5 10 20 50', '50 2 10'],
      ['rods', '1 2 3 4 5 6 7 8 9 10', '9 4'],
    ] as const
    for (const [family, all, some] of sets) {
      const colours = (of: string) =>
        new Map(tilesOf(family, of).map(({ master, piece }) => ['value' in piece && piece.value, master.colour]))
      const whole = colours(all)
      expect(new Set(whole.values()).size, family).toBe(whole.size)
      for (const [value, colour] of colours(some)) if (whole.has(value)) expect(colour, family).toBe(whole.get(value))
    }
  })

  it('are there for amounts and values beyond the usual ones too', () => {
    for (const of of ['7.25', '1000000', '1/3', '12 13 14'])
      for (const { master } of tilesOf('counters', of)) expect(master.colour).toMatch(/^#[0-9a-f]{6}$/)
  })
})
