import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { answerSlate } from '../../../core/keys/answerSlate'
import { keysByDoing } from '../../../core/keys/keep'
import type { KeyKind } from '../../../core/keys/key'
import { markSlate } from '../../../core/keys/mark'
import { closure, longestRun, pairsKept } from '../../../core/keys/partialOrder'
import { keyId, masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, slateOf, verdicts, type Spots } from '../../keyBoards'

const bin = (id: string) => card(id, { bin: true })
const zone = (id: string, x: number): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 50, 280, 380),
})
const slots: Place[] = [0, 1, 2].map(i => ({
  kind: 'slot',
  id: placeId(`s${i}`),
  heading: '',
  shape: box(50 + i * 150, 50, 100, 60),
}))
const inSlot = (i: number): [number, number] => [100 + i * 150, 80]
const lane: Place = { kind: 'lane', id: placeId('l'), heading: '', direction: 'row', shape: box(20, 20, 900, 84) }

describe('copies from a bin are pieces like any other', () => {
  it('in a sort, each for itself; of a bin of which nothing was taken it is said that it waits', () => {
    const board = boardOf([zone('y', 20), zone('n', 400)], [bin('yes'), card('no')], {
      kind: 'sort',
      homes: { yes: ['y'], no: ['n'] },
    })
    expect(verdicts(mark(board, {}))).toEqual({ yes: 'not-placed', no: 'not-placed' })
    expect(verdicts(mark(board, { 'yes~aaaa': [160, 200], 'yes~bbbb': [540, 200], no: [540, 300] }))).toEqual({
      'yes~aaaa': 'right',
      'yes~bbbb': 'wrong',
      no: 'right',
    })
  })

  it('in slots: a bin that is accepted fills as many as it likes', () => {
    const board = boardOf(slots, [bin('a'), bin('b')], { kind: 'slots', fits: { s0: ['a'], s1: ['b'], s2: ['a'] } })
    expect(verdicts(mark(board, { 'a~aaaa': inSlot(0), 'b~aaaa': inSlot(1), 'a~bbbb': inSlot(2) }))).toEqual({
      s0: 'right',
      s1: 'right',
      s2: 'right',
    })
    expect(verdicts(mark(board, { 'a~aaaa': inSlot(1), 'b~aaaa': inSlot(0) }))).toEqual({
      s0: 'wrong',
      s1: 'wrong',
      s2: 'not-placed',
    })
    const alike = boardOf(slots, [bin('a'), bin('b')], {
      kind: 'slots',
      fits: { s0: ['a'], s1: ['b'] },
      alike: [['s0', 's1']],
    })
    expect(verdicts(mark(alike, { 'b~aaaa': inSlot(0), 'a~aaaa': inSlot(1) }))).toEqual({ s0: 'right', s1: 'right' })
  })

  it('as labels, on a scale, as ends of arrows', () => {
    const pin: Place = {
      kind: 'pin',
      id: placeId('p'),
      heading: 'p',
      shape: { kind: 'ellipse', x: 300, y: 190, width: 20, height: 20 },
    }
    const label: Piece = {
      kind: 'label',
      id: pieceId('leaf'),
      master: masterId('label'),
      text: 'leaf',
      tip: 'right',
      bin: true,
    }
    const labelled = boardOf([pin], [label], { kind: 'label', pins: { leaf: ['p'] } })
    expect(verdicts(mark(labelled, { 'leaf~aaaa': [258, 200] }))).toEqual({ 'leaf~aaaa': 'right' })
    const scale: Place = {
      kind: 'scale',
      id: placeId('s'),
      heading: '',
      least: '0',
      most: '10',
      step: '1',
      shape: box(100, 100, 500, 60),
    }
    const scaled = boardOf([scale], [bin('five')], {
      kind: 'scale',
      scale: 's',
      values: { five: '5' },
      tolerance: '1/2',
    })
    expect(verdicts(mark(scaled, { 'five~aaaa': [350, 130], 'five~bbbb': [450, 130] }))).toEqual({
      'five~aaaa': 'right',
      'five~bbbb': 'wrong',
    })
    const web = boardOf([], [bin('a'), card('b')], { kind: 'arrows', arrows: [['a', 'b']] }, { arrows: true })
    expect(mark(web, { 'a~aaaa': [100, 100], b: [300, 100] }, { arrows: [['a~aaaa', 'b']] })[0]).toMatchObject({
      verdict: 'right',
    })
  })

  it('in an order each of them must stand right', () => {
    const board = boardOf([lane], [bin('a'), card('b'), card('c')], {
      kind: 'order',
      lane: 'l',
      before: [
        ['a', 'b'],
        ['b', 'c'],
      ],
      credit: 'all',
    })
    const at = (...ids: string[]) =>
      Object.fromEntries(ids.map((id, i): [string, [number, number]] => [id, [80 + i * 100, 60]]))
    expect(mark(board, at('a~aaaa', 'a~bbbb', 'b', 'c'))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, at('a~aaaa', 'b', 'a~bbbb', 'c'))[0]).toMatchObject({ verdict: 'wrong' })
    expect(mark(board, at('b', 'c'))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'order-unfinished' } })
  })

  it('in a match any copy will do, one for each set', () => {
    const rows: Place = {
      kind: 'grid',
      id: placeId('g'),
      heading: '',
      rows: 3,
      columns: 3,
      shape: box(20, 20, 600, 300),
    }
    const at = (row: number, column: number): [number, number] => [120 + column * 200, 70 + row * 100]
    const board = boardOf([rows], [card('cat'), card('dog'), bin('animal')], {
      kind: 'match',
      sets: [
        ['cat', 'animal'],
        ['dog', 'animal'],
      ],
      where: ['g'],
    })
    expect(
      verdicts(mark(board, { cat: at(0, 0), 'animal~aaaa': at(0, 1), dog: at(1, 0), 'animal~bbbb': at(1, 2) })),
    ).toEqual({ cat: 'right', dog: 'right' })
    expect(
      verdicts(mark(board, { cat: at(0, 0), 'animal~aaaa': at(0, 1), 'animal~bbbb': at(0, 2), dog: at(1, 0) })),
    ).toEqual({ cat: 'wrong', dog: 'wrong' })
  })

  it.each<[KeyKind, Place[], Piece[], Spots]>([
    ['sort', [zone('y', 20), zone('n', 400)], [bin('a'), card('b')], { 'a~aaaa': [160, 200], b: [540, 200] }],
    ['slots', slots, [bin('a'), card('b')], { 'a~aaaa': inSlot(0), 'a~bbbb': inSlot(2), b: inSlot(1) }],
    ['order', [lane], [bin('a'), card('b')], { 'a~aaaa': [80, 60], b: [200, 60] }],
    [
      'match',
      [{ kind: 'grid', id: placeId('g'), heading: '', rows: 2, columns: 2, shape: box(20, 20, 400, 200) }],
      [bin('a'), card('b')],
      { 'a~aaaa': [120, 70], b: [320, 70] },
    ],
  ])('are kept in a key of kind %s by doing, and laid out again', (kind, places, pieces, at) => {
    const board = boardOf(places, pieces, null)
    const done = slateOf(board, {
      pieces: Object.fromEntries(Object.entries(at).map(([id, [x, y]], z) => [id, { x, y, z }])),
    })
    const { keys } = keysByDoing({
      kind,
      page: board.pages[0]!,
      state: done,
      edition: makeEdition(board),
      newId: () => keyId('new'),
    })
    const edition = makeEdition({ ...board, keys: [...keys] })
    for (const state of [done, answerSlate(board.pages[0]!, edition)]) {
      const marks = markSlate(state, edition).flatMap(m => m.items)
      expect(marks.length).toBeGreaterThan(0)
      expect(marks.map(m => m.verdict)).toEqual(marks.map(() => 'right'))
    }
  })
})

describe('a match', () => {
  it('is spoiled by a card of no set, but not by what was given out there', () => {
    const touch = boardOf([], [card('cat'), card('felt'), card('stray')], {
      kind: 'match',
      sets: [['cat', 'felt']],
      where: [],
    })
    expect(mark(touch, { cat: [100, 100], felt: [188, 100] })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(touch, { cat: [100, 100], felt: [188, 100], stray: [276, 100] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'match-mixed', words: { with: { pieces: ['stray'] } } },
    })
    expect(mark(touch, { cat: [100, 100], felt: [188, 100], stray: [500, 300] })[0]).toMatchObject({ verdict: 'right' })
    const headed = boardOf(
      [],
      [card('cat'), card('felt'), card('head')],
      { kind: 'match', sets: [['cat', 'felt']], where: [] },
      { staged: { head: { x: 276, y: 100 } } },
    )
    expect(mark(headed, { cat: [100, 100], felt: [188, 100], head: [276, 100] })[0]).toMatchObject({ verdict: 'right' })
  })
})

describe('partial orders', () => {
  /**
   * Any order of up to eight items: pairs that go from lower to higher in some hidden row never contradict each other.
   */
  const anyOrder = fc
    .tuple(
      fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { minLength: 1, maxLength: 14 }),
      fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6, 7]),
    )
    .map(([pairs, sequence]) => ({
      before: pairs.filter(([a, b]) => a !== b).map(([a, b]): [number, number] => (a < b ? [a, b] : [b, a])),
      sequence,
    }))
    .filter(({ before }) => before.length > 0)

  it('have the longest run that trying every choice finds', () => {
    fc.assert(
      fc.property(anyOrder, ({ before, sequence }) => {
        const after = closure(before)!
        const sound = (choice: readonly number[]) =>
          choice.every((a, i) => choice.slice(i + 1).every(b => !after.get(b)?.has(a)))
        const longest = Array.from({ length: 2 ** sequence.length }, (_, bits) =>
          sequence.filter((_, i) => bits & (2 ** i)),
        ).reduce((most, choice) => (choice.length > most && sound(choice) ? choice.length : most), 0)
        expect(longestRun(sequence, after)).toBe(longest)
      }),
      { numRuns: 500 },
    )
  })

  it('find the run of a long row in next to no time, and keep pairs with copies only where all stand right', () => {
    const row = Array.from({ length: 60 }, (_, i) => i)
    const after = closure(row.slice(1).map((b, i): [number, number] => [i, b]))!
    expect(longestRun(row, after)).toBe(60)
    expect(longestRun(row.toReversed(), after)).toBe(1)
    expect(pairsKept(['a', 'b', 'a'], closure([['a', 'b']])!)).toEqual({ kept: 0, of: 1 })
    expect(pairsKept(['a', 'a', 'b'], closure([['a', 'b']])!)).toEqual({ kept: 1, of: 1 })
  })
})

describe('what is right because nothing should be there', () => {
  it('earns nothing on a page on which nothing was done, and its point from then on', () => {
    const sort = boardOf([zone('y', 20)], [card('a'), card('odd')], { kind: 'sort', homes: { a: ['y'], odd: [] } })
    expect(verdicts(mark(sort, {}))).toEqual({ a: 'not-placed', odd: 'not-placed' })
    expect(verdicts(mark(sort, { a: [160, 200] }))).toEqual({ a: 'right', odd: 'right' })
    const staged = boardOf(
      [zone('y', 20)],
      [card('a'), card('odd')],
      { kind: 'sort', homes: { a: ['y'], odd: [] } },
      { staged: { a: { x: 160, y: 200 } } },
    )
    expect(verdicts(mark(staged, { a: [160, 200] })).odd).toBe('not-placed')
    const slotted = boardOf(slots, [card('a'), card('b')], { kind: 'slots', fits: { s0: ['a'], s1: [] } })
    expect(verdicts(mark(slotted, {}))).toEqual({ s0: 'not-placed', s1: 'not-placed' })
    expect(verdicts(mark(slotted, { a: inSlot(0) }))).toEqual({ s0: 'right', s1: 'right' })
  })
})

it('an answer slate leaves no slot empty that can be filled', () => {
  const board = boardOf(slots, [card('a'), card('b'), card('c')], {
    kind: 'slots',
    fits: { s0: ['a', 'b'], s1: ['a'], s2: ['b', 'c'] },
  })
  const edition = makeEdition(board)
  expect(markSlate(answerSlate(board.pages[0]!, edition), edition)[0]).toMatchObject({ points: 3, of: 3 })
})
