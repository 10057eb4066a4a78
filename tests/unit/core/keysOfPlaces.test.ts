import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { withoutAnswers } from '../../../core/board/edition'
import type { Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { quantity, quantityText } from '../../../core/exact/quantity'
import { nearest } from '../../../core/keys/scale/kind'
import { matching } from '../../../core/matching/bipartite'
import { scaleMarks } from '../../../core/layout/scaleMarks'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, mark, tile, verdicts } from '../../keyBoards'

describe('slots and grids', () => {
  const slots: Place[] = ['p', 'q', 'r'].map((id, i) => ({
    kind: 'slot',
    id: placeId(id),
    heading: id.toUpperCase(),
    shape: box(i * 100, 0, 60, 40),
  }))
  const at = (i: number, dx = 0): [number, number] => [i * 100 + 30 + dx, 20]
  const product = boardOf(
    slots,
    ['3', '4', '12', '6'].map(n => tile(`n${n}`, n)),
    { kind: 'slots', fits: { p: ['n3', 'n4'], q: ['n3', 'n4'], r: ['n12'] }, alike: [['p', 'q']] },
  )

  it('take alternatives and let like slots change places, each piece once', () => {
    expect(verdicts(mark(product, { n3: at(0), n4: at(1), n12: at(2) }))).toEqual({
      p: 'right',
      q: 'right',
      r: 'right',
    })
    expect(verdicts(mark(product, { n4: at(0), n3: at(1), n6: at(2) }))).toEqual({ p: 'right', q: 'right', r: 'wrong' })
    expect(verdicts(mark(product, { n4: at(0) }))).toEqual({ p: 'right', q: 'not-placed', r: 'not-placed' })
  })

  it('like slots with answers of their own still take each answer wherever it stands', () => {
    const pair = boardOf(
      slots.slice(0, 2),
      ['3', '4', '6'].map(n => tile(`n${n}`, n)),
      { kind: 'slots', fits: { p: ['n3'], q: ['n4'] }, alike: [['p', 'q']] },
    )
    expect(verdicts(mark(pair, { n4: at(0), n3: at(1) }))).toEqual({ p: 'right', q: 'right' })
    expect(verdicts(mark(pair, { n4: at(0), n6: at(1) }))).toEqual({ p: 'right', q: 'wrong' })
  })

  it('say when two are in one, and when one is not quite in', () => {
    expect(mark(product, { n3: at(0), n4: at(0, 3) })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'two-in-slot' },
    })
    expect(mark(product, { n12: at(2, 30) })[2]).toMatchObject({ verdict: 'on-the-line' })
  })

  it('name the cells of a grid by row and column: 3 rows of 4 are a 3 × 4 array (common practice, no source)', () => {
    const grid: Place = {
      kind: 'grid',
      id: placeId('g'),
      heading: 'Array',
      rows: 3,
      columns: 4,
      shape: box(0, 0, 400, 180),
    }
    const pieces = Array.from({ length: 12 }, (_, i) => tile(`x${i}`, '1'))
    const fits = Object.fromEntries(pieces.map((p, i) => [`g:${Math.floor(i / 4)},${i % 4}`, [p.id]]))
    const board = boardOf([grid], pieces, { kind: 'slots', fits })
    const all = Object.fromEntries(
      pieces.map((p, i) => [p.id, [50 + (i % 4) * 100, 30 + Math.floor(i / 4) * 60] as [number, number]]),
    )
    expect(mark(board, all).every(m => m.verdict === 'right')).toBe(true)
    expect(verdicts(mark(board, { ...all, x0: all.x1!, x1: all.x0! }))).toMatchObject({
      'g:0,0': 'wrong',
      'g:0,1': 'wrong',
      'g:2,3': 'right',
    })
  })
})

describe('matching', () => {
  it("places everybody exactly when Hall's condition holds (P. Hall, 1935), by trying every group", () => {
    fc.assert(
      fc.property(fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 4 })), { minLength: 1, maxLength: 6 }), fits => {
        let hall = true
        for (let group = 1; group < 2 ** fits.length; group++) {
          const members = fits.filter((_, i) => group & (1 << i))
          if (new Set(members.flat()).size < members.length) hall = false
        }
        const partners = matching(fits)
        expect(partners.every(p => p !== null)).toBe(hall)
        const used = partners.filter(p => p !== null)
        expect(new Set(used).size).toBe(used.length)
        partners.forEach((p, i) => p === null || expect(fits[i]).toContain(p))
      }),
      { numRuns: 500 },
    )
  })
})

describe('a scale', () => {
  const scale = (extra: object = {}): Place => ({
    kind: 'scale',
    id: placeId('s'),
    heading: 'Line',
    least: '0',
    most: '1',
    step: '1/4',
    shape: box(100, 100, 800, 100),
    ...extra,
  })
  const board = (extra: object = {}, key: object = {}) =>
    boardOf([scale(extra)], [tile('half', '1/2'), tile('third', '1/3')], {
      kind: 'scale',
      scale: 's',
      values: { half: '1/2', third: '1/3' },
      tolerance: '1/20',
      ...key,
    })

  it('takes a place within the tolerance, its edge included, leaves a little more to the teacher, and no more', () => {
    const at = (value: number): [number, number] => [100 + 800 * value, 150]
    expect(verdicts(mark(board(), { half: at(0.5), third: at(1 / 3) }))).toEqual({ half: 'right', third: 'right' })
    expect(verdicts(mark(board(), { half: at(0.55) })).half).toBe('right')
    expect(verdicts(mark(board(), { half: at(0.56) })).half).toBe('on-the-line')
    expect(mark(board(), { half: at(0.75) })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { words: { stands: '0.75', wanted: '0.5' } },
    })
    expect(mark(board(), { half: [500, 400] })[0]).toMatchObject({
      verdict: 'not-placed',
      reason: { code: 'off-scale' },
    })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'on-ledge' } })
  })

  it('that stands runs upwards', () => {
    const upright = board({ shape: box(100, 40, 100, 400) })
    expect(verdicts(mark(upright, { third: [150, 40 + (400 * 2) / 3] })).third).toBe('right')
  })

  it('names the nearest step exactly: counting on in fives 5, 10, 15, 20, 25 (common practice, no source)', () => {
    expect([4, 11, 14.9, 18, 25].map(v => quantityText(nearest(v, quantity('5'), quantity('0'))))).toEqual([
      '5',
      '10',
      '15',
      '20',
      '25',
    ])
    expect(nearest(0.3, quantity('1/3'), quantity('0')).equals('1/3')).toBe(true)
  })

  it('draws a mark at every step and leaves numbers out where they would collide', () => {
    const line = scale({ least: '0', most: '100', step: '1' }) as Extract<Place, { kind: 'scale' }>
    const marks = scaleMarks(line, 15)
    expect(marks).toHaveLength(101)
    expect(marks.filter(m => m.text).length).toBeLessThan(40)
    expect(scaleMarks(scale({ step: '1/3' }) as typeof line, 15).map(m => m.text)).toEqual(['0', '1/3', '2/3', '1'])
  })

  it('with its ends the wrong way round, or with a step of nothing, is refused', () => {
    for (const bad of [{ least: '5', most: '1' }, { step: '0' }, { step: '-1' }, { least: '1/0' }])
      expect(() => board(bad)).toThrow(/schema/)
  })
})

describe('labels', () => {
  const pin = (id: string, x: number): Place => ({
    kind: 'pin',
    id: placeId(id),
    heading: id,
    shape: { kind: 'ellipse', x: x - 20, y: 180, width: 40, height: 40 },
  })
  const label: Piece = { kind: 'label', id: pieceId('keel'), master: masterId('m'), text: 'keel', tip: 'right' }
  const board = boardOf([pin('keelpin', 300), pin('mastpin', 500)], [label], {
    kind: 'label',
    pins: { keel: ['keelpin'] },
  })
  /** Where the label's middle must be for its tip to be at x: half its width and the tip's length to the left. */
  const tipAt = (x: number): Record<string, [number, number]> => ({ keel: [x - 20 - 12, 200] })

  it("are right where the tip is within the pin's radius, wherever the box lies", () => {
    expect(mark(board, tipAt(300))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, tipAt(319.9))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, { keel: [300, 200] })[0]).not.toMatchObject({ verdict: 'right' })
  })

  it('are on the line a little farther off, explain a mix-up, and point at nothing elsewhere', () => {
    expect(mark(board, tipAt(325))[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board, tipAt(500))[0]).toMatchObject({
      verdict: 'wrong',
      reason: {
        code: 'points-elsewhere',
        words: { place: { anyPlace: ['mastpin'] }, home: { anyPlace: ['keelpin'] } },
      },
    })
    expect(mark(board, tipAt(400))[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'points-nowhere' } })
  })
})

describe("what a student's device gets", () => {
  it('has pins without their names', () => {
    const pins: Place[] = [
      {
        kind: 'pin',
        id: placeId('p'),
        heading: 'Keel',
        shape: { kind: 'ellipse', x: 10, y: 10, width: 40, height: 40 },
      },
    ]
    const board = boardOf(pins, [{ kind: 'label', id: pieceId('l'), master: masterId('m'), text: 'keel', tip: 'up' }], {
      kind: 'label',
      pins: { l: ['p'] },
    })
    expect(JSON.stringify(withoutAnswers(board))).not.toContain('Keel')
  })
})

describe('rings', () => {
  const ring = (id: string, x: number): Place => ({
    kind: 'zone',
    id: placeId(id),
    heading: id,
    shape: { kind: 'ellipse', x, y: 40, width: 400, height: 400 },
  })
  const two = [ring('A', 100), ring('B', 350)]
  const homes = { onlyA: ['A'], both: ['A', 'B'], onlyB: ['B'], outside: [] }
  const board = boardOf(
    two,
    Object.keys(homes).map(id => tile(id, '1')),
    { kind: 'sort', homes, regions: true },
  )
  const spots: Record<string, [number, number]> = {
    onlyA: [200, 240],
    both: [425, 240],
    onlyB: [650, 240],
    outside: [880, 60],
  }

  it('make four regions of two, the outside included, and each is an answer of its own', () => {
    expect(Object.values(verdicts(mark(board, spots)))).toEqual(['right', 'right', 'right', 'right'])
    for (const piece of Object.keys(homes)) {
      for (const [region, spot] of Object.entries(spots))
        expect(verdicts(mark(board, { [piece]: spot }))[piece], `${piece} in ${region}`).toBe(
          piece === region ? 'right' : 'wrong',
        )
    }
    expect(verdicts(mark(board, {})).outside).toBe('not-placed')
  })

  it('leave a piece on a rim to the teacher where a reading of it is right', () => {
    expect(verdicts(mark(board, { onlyA: [350, 240] })).onlyA).toBe('on-the-line')
    expect(verdicts(mark(board, { outside: [350, 240] })).outside).toBe('wrong')
  })

  it('make eight regions of three', () => {
    const three = [
      ring('A', 100),
      ring('B', 350),
      { ...ring('C', 225), shape: { kind: 'ellipse' as const, x: 225, y: 200, width: 400, height: 400 } } as Place,
    ]
    const all = boardOf(three, [tile('t', '1')], { kind: 'sort', homes: { t: [] }, regions: true })
    const seen = new Set<string>()
    for (let x = 20; x < 960; x += 10) {
      for (let y = 10; y < 480; y += 10) {
        const [first] = mark(all, { t: [x, y] })
        const { code, words } = first!.reason
        const lies = (words.place ?? words.lies) as { allPlaces: string[] } | undefined
        if (code === 'right-region' || code === 'wrong-region') seen.add(lies!.allPlaces.join(' + '))
      }
    }
    expect([...seen].toSorted()).toEqual(['', 'A', 'A + B', 'A + B + C', 'A + C', 'B', 'B + C', 'C'])
  })
})
