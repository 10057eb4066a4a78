import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Board } from '../../../core/board/board'
import type { Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { builtOn, canBeCalled, readCall, waysOf, type Called } from '../../../core/lesson/callOut'
import type { SlateState } from '../../../core/slate/state'
import { placeId } from '../../boards'
import { boardOf, box, card, slateOf, tile } from '../../keyBoards'

const zone = (id: string, x: number): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 20, 280, 400),
})
const MAT = [zone('hundreds', 20), zone('tens', 320), zone('ones', 620)]
const TENS = [tile('h', '100', { bin: true }), tile('t', '10', { bin: true }), tile('o', '1', { bin: true })]

/** Copies from bins, so many of each, laid side by side in a place whose left edge is at x. */
function laid(counts: Record<string, number>, x = 20): SlateState['pieces'] {
  const ids = Object.entries(counts).flatMap(([bin, count]) =>
    Array.from({ length: count }, (_, i) => `${bin}~copy${String(i).padStart(4, '0')}`),
  )
  return Object.fromEntries(
    ids.map((id, i) => [id, { x: x + 30 + 44 * (i % 6), y: 50 + 24 * Math.floor(i / 6), z: i }]),
  )
}
function call(board: Board, text: string, language = 'en-GB'): Called {
  const read = readCall(text, board.pages[0]!, language)
  if (!read.ok) throw new Error(read.reason)
  return read.value
}
const refused = (board: Board, text: string) => {
  const read = readCall(text, board.pages[0]!, 'en-GB')
  return read.ok ? null : read.reason
}
const built = (board: Board, text: string, work: Parameters<typeof slateOf>[1]) =>
  builtOn(call(board, text), board.pages[0]!, slateOf(board, work), makeEdition(board))

describe('a number that is called', () => {
  const board = boardOf(MAT, TENS, null)
  it('is there when the tiles make it, each way told by its tiles (342, common practice, no source)', () => {
    expect(built(board, '342', { pieces: laid({ h: 3, t: 4, o: 2 }) })).toEqual({
      is: 'there',
      way: '3 × 100 + 4 × 10 + 2 × 1',
    })
    expect(built(board, '342', { pieces: laid({ h: 2, t: 14, o: 2 }) })).toEqual({
      is: 'there',
      way: '2 × 100 + 14 × 10 + 2 × 1',
    })
    expect(built(board, '342', { pieces: laid({ h: 3, t: 4 }) })).toEqual({ is: 'not-yet', way: '3 × 100 + 4 × 10' })
    expect(built(board, '342', {})).toEqual({ is: 'not-yet', way: '' })
    // Ten tens make 100 (common practice, no source).
    expect(built(board, '100', { pieces: laid({ t: 10 }) }).is).toBe('there')
  })
  it('counts what lies in places alone, and is unsure where a tile on the edge decides', () => {
    const beside = { x: 480, y: 470, z: 9 }
    expect(built(board, '100', { pieces: { ...laid({ h: 1 }), 't~copy0001': beside } }).is).toBe('there')
    const edge = { x: 320, y: 300, z: 9 }
    expect(built(board, '110', { pieces: { ...laid({ h: 1 }), 't~copy0001': edge } }).is).toBe('unsure')
    expect(built(board, '300', { pieces: { ...laid({ h: 1 }), 't~copy0001': edge } }).is).toBe('not-yet')
  })
  it('can’t be called where no tiles make it, or where it is none; that is said before', () => {
    const few = boardOf(MAT, [tile('a', '5'), tile('b', '5'), tile('c', '2')], null)
    expect([refused(few, '12'), refused(few, '13'), refused(few, '11'), refused(few, 'whale')]).toEqual([
      null,
      'cannot-be-made',
      'cannot-be-made',
      'not-read',
    ])
    expect(refused(board, '0.5')).toBe('cannot-be-made')
    expect(refused(boardOf(MAT, [], null), '7')).toBe('nothing-to-build-with')
    expect([canBeCalled(board.pages[0]!), canBeCalled(boardOf(MAT, [], null).pages[0]!)]).toEqual([true, false])
  })
  it('is told in a moment whether it can be made, whatever the tiles and however much is called', () => {
    const bins = (...values: string[]) =>
      boardOf(
        MAT,
        values.map((value, i) => tile(`b${i}`, value, { bin: true })),
        null,
      )
    // More tiles than a page holds make no answer.
    expect([refused(bins('1', '10', '100'), '9999'), refused(bins('1', '10', '100'), '999999999')]).toEqual([
      null,
      'cannot-be-made',
    ])
    expect(refused(bins('1/7', '1/11', '1/13', '1/17', '1/19'), '99')).toBeNull()
    const signed = Array.from({ length: 18 }, (_, i) =>
      tile(`s${i}`, `${3 ** i}`, { other: { text: '−', value: `-${3 ** i}` } }),
    )
    expect(refused(boardOf(MAT, signed, null), '2')).toBeNull()
    const few = ['3', '-3', '5'].map((value, i) => tile(`f${i}`, value))
    expect([
      refused(boardOf(MAT, few, null), '0'),
      refused(boardOf(MAT, few, null), '2'),
      refused(boardOf(MAT, few, null), '1'),
    ]).toEqual([null, null, 'cannot-be-made'])
  })
  it('may be a fraction, an amount of money or in the board’s own way of writing', () => {
    const parts = boardOf(
      [zone('whole', 20)],
      [tile('half', '1/2', { bin: true }), tile('third', '1/3', { bin: true })],
      null,
    )
    expect(built(parts, '5/6', { pieces: laid({ half: 1, third: 1 }) })).toEqual({ is: 'there', way: '1/2 + 1/3' })
    expect(refused(parts, '1/4')).toBe('cannot-be-made')
    const read = readCall('1.234', boardOf(MAT, [...TENS, tile('k', '1000', { bin: true })], null).pages[0]!, 'de')
    expect(read.ok && read.value.kind === 'amount' && read.value.amount.toFraction()).toBe('1234')
  })
  it('is there for whatever tiles add up to it, and for nothing else', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.nat(9), fc.nat(9), fc.integer({ min: 1, max: 700 }), (h, t, o, target) => {
        const made = 100 * h + 10 * t + o
        fc.pre(made > 0)
        const { is } = built(board, String(target), { pieces: laid({ h, t, o }) })
        expect(is).toBe(made === target ? 'there' : 'not-yet')
        expect(built(board, String(made), { pieces: laid({ h, t, o }) }).is).toBe('there')
      }),
      { numRuns: 25 },
    )
  })
})

describe('an expression that is called', () => {
  const term = (id: string, text: string, more: object = {}): Piece =>
    tile(id, '1', { text, term: text, bin: true, other: { text: `−${text}`, value: '-1' }, ...more })
  const board = boardOf([zone('mat', 20)], [term('q', 'x^2'), term('x', 'x'), term('n', '1')], null)
  it('is there when the tiles come to it, a tile and its negative making nothing (common practice, no source)', () => {
    expect(built(board, 'x² + 2x + 1', { pieces: laid({ q: 1, x: 2, n: 1 }) })).toEqual({
      is: 'there',
      way: 'x² + 2 × x + 1',
    })
    const flipped = Object.fromEntries(
      Object.entries(laid({ n: 1 }, 200)).map(([id, at]) => [`${id}f`, { ...at, y: 300, flipped: true }]),
    )
    expect(built(board, 'x', { pieces: { ...laid({ x: 1, n: 1 }), ...flipped } }).is).toBe('there')
    expect(built(board, 'x + 1', { pieces: laid({ x: 1 }) }).is).toBe('not-yet')
  })
  it('can’t be called with letters that no tile has, or for what is none', () => {
    expect([refused(board, 'x + y'), refused(board, '2(x'), refused(board, 'x^2 - 3x')]).toEqual([
      'cannot-be-made',
      'not-read',
      null,
    ])
    const few = boardOf([zone('mat', 20)], [term('x', 'x', { bin: false }), term('n', '1')], null)
    expect([refused(few, 'x + 4'), refused(few, '2x')]).toEqual([null, 'cannot-be-made'])
  })
})

describe('a word that is called', () => {
  const letters = ['t', 'i', 'd', 'e', 's', 'sh'].map((text, i) => card(`l${i}`, { text }))
  const board = boardOf(
    [{ kind: 'lane', id: placeId('lane'), heading: '', direction: 'row', shape: box(20, 20, 800, 60) }],
    letters,
    null,
  )
  const line = (...ids: number[]) => ({
    pieces: Object.fromEntries(ids.map((id, i) => [`l${id}`, { x: 70 + 90 * i, y: 50 + (i % 2), z: i }])),
  })
  it('is read from left to right, whatever its capitals', () => {
    expect(built(board, 'Tide', line(0, 1, 2, 3))).toEqual({ is: 'there', way: 'tide' })
    expect(built(board, 'tide', line(0, 2, 1, 3))).toEqual({ is: 'not-yet', way: 'tdie' })
  })
  it('can be spelt with cards of several letters, and only with those that there are', () => {
    expect([
      refused(board, 'dish'),
      refused(board, 'ships'),
      refused(board, 'titi'),
      refused(board, 'two words'),
    ]).toEqual([null, 'cannot-be-made', 'cannot-be-made', 'not-read'])
    const bins = boardOf(
      [],
      ['a', 'b', 'aa'].map(text => card(text, { text, bin: true })),
      null,
    )
    expect([refused(bins, 'ab'.repeat(30)), refused(bins, 'aab'.repeat(18) + 'c')]).toEqual([null, 'cannot-be-made'])
  })
})

describe('a page', () => {
  it('of words and not of letters has nothing to build with, though one of them is short', () => {
    const words = boardOf(
      [zone('sea', 20)],
      ['goby', 'sea urchin'].map((text, i) => card(`w${i}`, { text })),
      null,
    )
    expect([canBeCalled(words.pages[0]!), refused(words, 'goby')]).toEqual([false, 'nothing-to-build-with'])
  })
})

describe('cells that are called', () => {
  const grid: Place = {
    kind: 'grid',
    id: placeId('chart'),
    heading: '',
    shape: box(20, 20, 400, 80),
    rows: 2,
    columns: 10,
    printed: Array.from({ length: 20 }, (_, i) => String(i + 1)),
  }
  const cover: Piece = {
    kind: 'cover',
    id: card('c').id,
    master: 'cover' as Piece['master'],
    text: '',
    alt: 'counter',
    bin: true,
  }
  const board = boardOf([grid], [cover], null)
  const covering = (...numbers: number[]) => ({
    pieces: Object.fromEntries(
      numbers.map((n, i) => [
        `c~copy${String(i).padStart(4, '0')}`,
        { x: 40 + 40 * ((n - 1) % 10), y: 40 + 40 * Math.floor((n - 1) / 10), z: i },
      ]),
    ),
  })
  it('are there when those are covered and no others (counting on in fives, common practice, no source)', () => {
    expect(built(board, '5, 10, 15, 20', covering(20, 5, 15, 10))).toEqual({ is: 'there', way: '5, 10, 15, 20' })
    expect(built(board, '5 10 15 20', covering(5, 10, 15)).is).toBe('not-yet')
    expect(built(board, '5 10', covering(5, 10, 11)).is).toBe('not-yet')
    expect(built(board, '20;5', covering(5, 20)).is).toBe('there')
    expect(refused(board, '5, 21')).toBe('not-read')
  })
})

describe('ways of building', () => {
  it('are gathered, the commonest first, of those who have it alone', () => {
    const there = (slate: string, way: string) => ({ slate, built: { is: 'there' as const, way } })
    expect(
      waysOf([
        there('a', '2 × 5'),
        there('b', '10'),
        { slate: 'c', built: { is: 'not-yet', way: '10' } },
        there('d', '10'),
      ]),
    ).toEqual([
      { way: '10', slates: ['b', 'd'] },
      { way: '2 × 5', slates: ['a'] },
    ])
    expect(waysOf([])).toEqual([])
  })
})
