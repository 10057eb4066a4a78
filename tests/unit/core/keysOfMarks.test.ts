import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PieceId } from '../../../core/board/ids'
import { makeEdition } from '../../../core/board/edition'
import type { Place } from '../../../core/board/place'
import { layoutGaps } from '../../../core/layout/gaps'
import { markSlate } from '../../../core/keys/mark'
import { plain } from '../../../core/keys/write/judge'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, slateOf, tile, verdicts, type Spots } from '../../keyBoards'

const zone = (id: string, x: number, width = 300): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 0, width, 300),
})

describe('covered cells', () => {
  const chart: Place = {
    kind: 'grid',
    id: placeId('g'),
    heading: 'Chart',
    rows: 10,
    columns: 10,
    shape: box(0, 0, 400, 400),
  }
  const bin = { kind: 'cover' as const, id: pieceId('c'), master: masterId('cover'), text: '', bin: true }
  const cell = (n: number): [number, number] => [20 + ((n - 1) % 10) * 40, 20 + Math.floor((n - 1) / 10) * 40]
  const covers = (numbers: readonly number[]): Spots =>
    Object.fromEntries(numbers.map(n => [`c~${String(n).padStart(4, '0')}`, cell(n)]))
  const cells = (numbers: readonly number[]) => numbers.map(n => `${Math.floor((n - 1) / 10)},${(n - 1) % 10}`)
  // The multiples of 7 up to a hundred: OEIS A008589.
  const sevens = [7, 14, 21, 28, 35, 42, 49, 56, 63, 70, 77, 84, 91, 98]
  const board = boardOf([chart], [bin], { kind: 'cover', grid: 'g', cells: cells(sevens) })

  it('are the multiples of seven on a hundred chart, each missing one and each too many counted', () => {
    expect(mark(board, covers(sevens))[0]).toMatchObject({ verdict: 'right', points: 14, of: 14 })
    expect(mark(board, covers(sevens.slice(2)))[0]).toMatchObject({
      verdict: 'wrong',
      points: 12,
      reason: { code: 'cover-missing', words: { missing: { cells: cells([7, 14]) } } },
    })
    expect(mark(board, covers([...sevens, 27]))[0]).toMatchObject({
      verdict: 'wrong',
      points: 13,
      reason: { code: 'cover-over', words: { extra: { cells: cells([27]) } } },
    })
    expect(mark(board, covers(Array.from({ length: 100 }, (_, i) => i + 1)))[0]).toMatchObject({
      verdict: 'wrong',
      points: 0,
    })
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
  })

  it('are on the line while a cover lies between two, and two covers on one cell count once', () => {
    const [x, y] = cell(14)
    expect(mark(board, { ...covers(sevens), 'c~0014': [x + 18, y] })).toMatchObject([
      { item: 'g', verdict: 'right', points: 13, of: 13 },
      { item: 'g:1,3', verdict: 'on-the-line', points: 0, of: 1, reason: { words: { names: { cells: ['1,3'] } } } },
    ])
    expect(mark(board, { ...covers(sevens), 'c~zzzz': cell(14) })[0]).toMatchObject({ verdict: 'right' })
  })

  it('hang each on its own cell: one decision is worth one point, whatever else lies there', () => {
    const [x, y] = cell(14)
    const [u, w] = cell(28)
    const two = {
      ...covers(sevens),
      'c~0014': [x + 18, y] as [number, number],
      'c~0028': [u, w + 18] as [number, number],
    }
    const marks = mark(board, two)
    expect(marks.map(({ item, verdict, of }) => [item, verdict, of])).toEqual([
      ['g', 'right', 12],
      ['g:1,3', 'on-the-line', 1],
      ['g:2,7', 'on-the-line', 1],
    ])
    // The rest is marked as it lies, right or wrong, and never waits for them.
    const { 'c~0007': _, ...without }: Spots = two
    expect(mark(board, without)[0]).toMatchObject({ verdict: 'wrong', points: 11, of: 12 })
    // One that may be too many costs its point only once the teacher has said so.
    const beside = mark(board, { ...covers(sevens), 'c~more': [cell(20)[0] + 18, cell(20)[1] + 18] })
    expect(beside.reduce((sum, item) => sum + item.of, 0)).toBe(14)
    expect(beside[0]).toMatchObject({ verdict: 'right' })
    expect(beside.slice(1).every(item => item.verdict === 'on-the-line' && item.of === 1)).toBe(true)
  })

  it('three rows of four are a 3 × 4 array wherever they stand (common practice, no source)', () => {
    const array = boardOf([chart], [bin], { kind: 'cover', grid: 'g', cells: [], array: { rows: 3, columns: 4 } })
    const block = (rows: number, columns: number, from: number) =>
      covers(Array.from({ length: rows * columns }, (_, i) => from + Math.floor(i / columns) * 10 + (i % columns)))
    expect(mark(array, block(3, 4, 24))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(array, block(4, 3, 24))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'array-wrong', words: { made: '4 × 3' } },
    })
    expect(mark(array, covers([1, 2, 3, 5]))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'no-array' } })
  })
})

describe('arrows', () => {
  const pieces = ['weed', 'limpet', 'crab', 'gull'].map(id => card(id))
  const web = boardOf(
    [],
    pieces,
    {
      kind: 'arrows',
      arrows: [
        ['weed', 'limpet'],
        ['limpet', 'crab'],
        ['crab', 'gull'],
      ],
    },
    { arrows: true },
  )
  const all: Spots = Object.fromEntries(pieces.map((p, i) => [p.id, [100 + i * 120, 100]]))
  const drawn = (...arrows: [string, string][]) => mark(web, all, { arrows })[0]

  it('are a graph against a graph: missing, too many, the wrong way round', () => {
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull'])).toMatchObject({
      verdict: 'right',
      points: 3,
      of: 3,
    })
    expect(drawn(['weed', 'limpet'])).toMatchObject({
      verdict: 'wrong',
      points: 1,
      reason: {
        code: 'arrows-missing',
        words: {
          missing: {
            arrows: [
              ['limpet', 'crab'],
              ['crab', 'gull'],
            ],
          },
        },
      },
    })
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['gull', 'crab'])).toMatchObject({
      points: 1,
      reason: { code: 'arrows-reversed', words: { reversed: { arrows: [['gull', 'crab']] } } },
    })
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull'], ['weed', 'gull'])).toMatchObject({
      verdict: 'wrong',
      points: 2,
      reason: { code: 'arrows-over' },
    })
    expect(drawn()).toMatchObject({ verdict: 'not-placed' })
  })

  it('to a piece on the ledge are not there; where direction is free both ways are one', () => {
    const { gull: _, ...three } = all
    expect(
      mark(web, three, {
        arrows: [
          ['weed', 'limpet'],
          ['limpet', 'crab'],
          ['crab', 'gull'],
        ],
      })[0],
    ).toMatchObject({ points: 2 })
    const free = boardOf([], pieces, { kind: 'arrows', bothWays: true, arrows: [['weed', 'limpet']] }, { arrows: true })
    expect(mark(free, all, { arrows: [['limpet', 'weed']] })[0]).toMatchObject({ verdict: 'right' })
  })
})

describe('typed answers', () => {
  const space = (id: string): Place => ({
    kind: 'writing',
    id: placeId(id),
    heading: id,
    shape: box(0, 0, 300, 40),
    lines: 'one',
    textSize: 18,
  })
  const verdictOf = (text: string, answer: object) =>
    mark(boardOf([space('w')], [], { kind: 'write', answers: { w: answer } }), {}, { texts: { w: text } })[0]!

  it('let case, spaces, accents and punctuation be, unless the key tells them apart', () => {
    const answer = { accepts: ['the café’s door'] }
    for (const text of [
      'The café’s door',
      "  the   cafe's door ",
      'THE CAFES DOOR.',
      'the cafe´s door'.replace('´', "'"),
    ])
      expect(verdictOf(text, answer), text).toMatchObject({ verdict: 'right' })
    expect(verdictOf('The café’s door', { ...answer, capitals: true }).verdict).not.toBe('right')
    expect(verdictOf('the cafe’s door', { ...answer, accents: true }).verdict).not.toBe('right')
    expect(verdictOf('the cafés door', { ...answer, punctuation: true }).verdict).not.toBe('right')
  })

  it('leave a slip to the teacher, not to nought, and tell it from another word', () => {
    const answer = { accepts: ['limpet', 'limpets'] }
    expect(verdictOf('limpets', answer).verdict).toBe('right')
    expect(verdictOf('limpit', answer)).toMatchObject({
      verdict: 'on-the-line',
      points: 0,
      reason: { code: 'written-near' },
    })
    expect(verdictOf('mussel', answer).verdict).toBe('wrong')
    expect(verdictOf('  ', answer).verdict).toBe('not-placed')
    expect(verdictOf('in', { accepts: ['on'] }).verdict).toBe('wrong')
  })

  it('take a number in any form of the same value, within its tolerance, and with its unit', () => {
    for (const text of ['3/4', '0.75', '6/8', ' 0,75 '])
      expect(verdictOf(text, { accepts: ['3/4'] }).verdict, text).toBe('right')
    expect(verdictOf('0.76', { accepts: ['3/4'] }).verdict).toBe('wrong')
    expect(verdictOf('0.76', { accepts: ['3/4'], tolerance: '0.01' }).verdict).toBe('right')
    expect(verdictOf('three quarters', { accepts: ['3/4'] }).verdict).toBe('on-the-line')
    for (const text of ['1.5 m', '150 cm', '1 m 50 cm'])
      expect(verdictOf(text, { accepts: ['1.5 m'] }).verdict, text).toBe('right')
    expect(verdictOf('1.5', { accepts: ['1.5 m'] })).toMatchObject({
      verdict: 'on-the-line',
      reason: { code: 'written-no-unit' },
    })
    expect(verdictOf('1.5 kg', { accepts: ['1.5 m'] })).toMatchObject({
      verdict: 'on-the-line',
      reason: { code: 'written-other-unit' },
    })
  })

  it('compare as a text with nothing told apart does, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 30 }), text => {
        const once = plain(text, {})
        expect(plain(once, {})).toBe(once)
        expect(plain(` ${text} `, {})).toBe(once)
      }),
    )
  })
})

describe('gaps in a text', () => {
  const gaps = (typed: boolean): Place => ({
    kind: 'gaps',
    id: placeId('g'),
    heading: '',
    shape: box(20, 20, 500, 200),
    text: 'The ____ clings to the ____ when\nthe tide goes __.',
    textSize: 20,
    typed,
    gap: { width: 100, height: 48 },
  })
  const bank = ['limpet', 'rock', 'out', 'sky'].map(id => card(id))

  it('take pieces from a word bank; an extra word fits none', () => {
    const board = boardOf([gaps(false)], bank, {
      kind: 'slots',
      fits: { 'g:0,0': ['limpet'], 'g:0,1': ['rock'], 'g:0,2': ['out'] },
    })
    const place = gaps(false) as Extract<Place, { kind: 'gaps' }>
    const middle = layoutGaps(place).gaps.map(({ x, y, width, height }): [number, number] => [
      x + width / 2,
      y + height / 2,
    ])
    expect(middle).toHaveLength(3)
    expect(verdicts(mark(board, { limpet: middle[0]!, sky: middle[1]! }))).toEqual({
      'g:0,0': 'right',
      'g:0,1': 'wrong',
      'g:0,2': 'not-placed',
    })
  })

  it('flow in lines: nothing overlaps, nothing stands beyond the right edge, a full stop stays at its gap', () => {
    fc.assert(
      fc.property(fc.integer({ min: 260, max: 900 }), fc.integer({ min: 12, max: 30 }), (width, textSize) => {
        const place = { ...gaps(true), shape: box(0, 0, width, 300), textSize } as Extract<Place, { kind: 'gaps' }>
        const { gaps: boxes, words, height } = layoutGaps(place)
        for (const b of boxes) expect(b.x >= 0 && b.x + b.width <= width && b.y + b.height <= height).toBe(true)
        boxes.forEach((a, i) =>
          boxes.slice(i + 1).forEach(b => expect(a.x + a.width <= b.x || a.y + a.height <= b.y).toBe(true)),
        )
        const stop = words.find(w => w.text === '.')!
        expect(Math.abs(stop.y - boxes[2]!.y - boxes[2]!.height / 2)).toBeLessThan(1e-9)
        expect(Math.abs(stop.x - boxes[2]!.x - boxes[2]!.width)).toBeLessThan(1e-9)
      }),
    )
  })

  it('take typed words, each gap for itself', () => {
    const board = boardOf([gaps(true)], [], {
      kind: 'write',
      answers: { 'g:0': { accepts: ['limpet'] }, 'g:2': { accepts: ['out'] } },
    })
    expect(verdicts(mark(board, {}, { texts: { 'g:0': 'Limpet', 'g:1': 'anything' } }))).toEqual({
      'g:0': 'right',
      'g:2': 'not-placed',
    })
  })
})

describe('what is counted and never scored', () => {
  it('votes: how many lie in each place', () => {
    const token = { kind: 'token' as const, id: pieceId('t'), master: masterId('cover'), text: '', bin: true }
    const board = boardOf([zone('yes', 0), zone('no', 320)], [token], { kind: 'vote', places: ['yes', 'no'] })
    expect(mark(board, { 't~aaaa': [50, 50], 't~bbbb': [150, 50], 't~cccc': [400, 50] })).toMatchObject([
      { verdict: 'noted', points: 0, of: 0, reason: { words: { count: 2 } } },
      { reason: { words: { count: 1 } } },
    ])
  })

  it('a spectrum: how far along each piece stands, on a scale that has no numbers', () => {
    const scale: Place = {
      kind: 'scale',
      id: placeId('s'),
      heading: '',
      least: '0',
      most: '1',
      step: null,
      ends: ['calm', 'wild'],
      shape: box(100, 100, 400, 100),
    }
    const board = boardOf([scale], [card('me'), card('you')], { kind: 'spectrum', scale: 's', pieces: ['me', 'you'] })
    expect(mark(board, { me: [200, 150] })).toMatchObject([
      { verdict: 'noted', of: 0, reason: { code: 'stands', words: { percent: 25, from: 'calm' } } },
      { reason: { code: 'no-stand' } },
    ])
  })
})

describe('a flipped counter', () => {
  it('is worth what its other side says', () => {
    const counter = tile('c', '1', { bin: true, other: { text: '−1', value: '-1' } })
    const board = boardOf([zone('mat', 0, 900)], [counter], { kind: 'total', place: 'mat', target: '0' })
    const at = { 'c~aaaa': { x: 50, y: 50 }, 'c~bbbb': { x: 100, y: 50, flipped: true } } as Record<PieceId, object>
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(marked(at)).toMatchObject({ verdict: 'right', reason: { words: { made: '0' } } })
    function marked(pieces: object) {
      return markSlate(slateOf(board, { pieces }), makeEdition(board))[0]!.items[0]
    }
  })
})
