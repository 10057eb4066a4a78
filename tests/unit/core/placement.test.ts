import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import type { Place } from '../../../core/board/place'
import { makeEdition } from '../../../core/board/edition'
import { area, areaInside } from '../../../core/geometry/area'
import { ellipseInside } from '../../../core/geometry/ellipse'
import { corners, outline } from '../../../core/geometry/outline'
import type { Box, Point } from '../../../core/geometry/shape'
import { turnedAround } from '../../../core/geometry/turned'
import { freeSpot, clampPiece } from '../../../core/placement/freeSpot'
import { placePieces, SURELY_IN, SURELY_OUT } from '../../../core/placement/placement'
import { progress } from '../../../core/placement/tasks'
import { emptySlate, withPieces, type SlateState } from '../../../core/slate/state'
import { snapped } from '../../../core/placement/snap'
import { masterId, pieceId, placeId, shore, shoreEdition, sortBoard } from '../../boards'
import { boardOf, slateOf } from '../../keyBoards'

/** Intersection by the library polygon-clipping (Martinez, Rueda and Feito 2009), which shares no code with ours. */
function referenceArea(polygon: readonly Point[], box: Box): number {
  const ring = (points: readonly Point[]): [number, number][] => points.map(p => [p.x, p.y])
  const shared = polygonClipping.intersection([ring(polygon)], [ring(corners(box))])
  return shared.reduce((sum, [outer, ...holes]) => {
    const size = (r: [number, number][]) => area(r.map(([x, y]) => ({ x, y })))
    return sum + size(outer!) - holes.reduce((s, h) => s + size(h), 0)
  }, 0)
}

/**
 * Simple polygons, mostly reentrant: a random distance in each of n directions around a middle. The corners are rounded
 * to whole points, since the reference library gives up ("Unable to complete output ring") on corners a rounding error
 * apart.
 */
const anyPolygon = fc
  .tuple(
    fc.array(fc.integer({ min: 5, max: 200 }), { minLength: 3, maxLength: 14 }),
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: -50, max: 50 }),
  )
  .map(([radii, x, y]) =>
    radii.map((r, i) => ({
      x: x + Math.round(r * Math.cos((2 * Math.PI * i) / radii.length)),
      y: y + Math.round(r * Math.sin((2 * Math.PI * i) / radii.length)),
    })),
  )
const anyBox = fc.record({
  x: fc.integer({ min: -200, max: 150 }),
  y: fc.integer({ min: -200, max: 150 }),
  width: fc.integer({ min: 1, max: 200 }),
  height: fc.integer({ min: 1, max: 200 }),
})

describe('areas', () => {
  it('of any polygon in any box agree with a reference library', () => {
    fc.assert(
      fc.property(anyPolygon, anyBox, (polygon, box) => {
        expect(areaInside(polygon, box)).toBeCloseTo(referenceArea(polygon, box), 6)
      }),
      { numRuns: 3000 },
    )
  })

  it('of an ellipse is πab (handbook formula)', () => {
    expect(area(outline({ kind: 'ellipse', x: 10, y: 20, width: 300, height: 120 }))).toBeCloseTo(Math.PI * 150 * 60, 6)
  })

  it('of an ellipse in any box agree with the reference library on its outline', () => {
    fc.assert(
      fc.property(
        fc.record({ width: fc.integer({ min: 2, max: 300 }), height: fc.integer({ min: 2, max: 300 }) }),
        anyBox,
        ({ width, height }, box) => {
          const ellipse = { x: -80, y: -60, width, height }
          // An outline of 128 sides strays from its ellipse by at most a thousandth of the whole.
          expect(
            Math.abs(ellipseInside(ellipse, box) - referenceArea(outline({ kind: 'ellipse', ...ellipse }), box)),
          ).toBeLessThan(width * height * 0.001)
        },
      ),
      { numRuns: 1000 },
    )
  })

  it('of a segment of a circle are r²/2 · (θ − sin θ) (handbook formula)', () => {
    const [r, theta] = [100, (2 * Math.PI) / 3]
    const above = { x: -200, y: -200, width: 400, height: 200 - r * Math.cos(theta / 2) }
    expect(ellipseInside({ x: -r, y: -r, width: 2 * r, height: 2 * r }, above)).toBeCloseTo(
      ((r * r) / 2) * (theta - Math.sin(theta)),
      6,
    )
    expect(ellipseInside({ x: 0, y: 0, width: 40, height: 0 }, above)).toBe(0)
  })

  it('of a line or of nothing is zero', () => {
    expect(area([])).toBe(0)
    expect(
      areaInside(
        [
          { x: 0, y: 0 },
          { x: 10, y: 10 },
        ],
        { x: 0, y: 0, width: 5, height: 5 },
      ),
    ).toBe(0)
  })
})

describe('placement', () => {
  const board = shore()
  const edition = makeEdition(board)
  const page = board.pages[0]!
  const zone = page.places[0]!.shape as Box
  const card = board.masters[0]!
  const at = (x: number, y = 200): SlateState => withPieces(emptySlate, [[pieceId('c0'), { x, y, z: 1 }]])
  const sharesAt = (x: number) => placePieces(at(x), page, edition)[0]!.shares.filter(s => s.place === 'z0')

  it('is in, unsure or out by the share of the card that lies in the zone', () => {
    const edge = zone.x + zone.width
    const centreFor = (share: number) => edge + card.width / 2 - share * card.width
    expect(sharesAt(centreFor(1))).toMatchObject([{ place: 'z0', share: expect.closeTo(1, 9), certainty: 'in' }])
    expect(sharesAt(centreFor(SURELY_IN + 0.001))).toMatchObject([{ certainty: 'in' }])
    expect(sharesAt(centreFor(SURELY_IN - 0.001))).toMatchObject([{ certainty: 'unsure' }])
    expect(sharesAt(centreFor(SURELY_OUT + 0.001))).toMatchObject([{ certainty: 'unsure' }])
    expect(sharesAt(centreFor(SURELY_OUT - 0.001))).toEqual([])
  })

  it('shares a card over two zones that touch, and the shares add up to one', () => {
    const touching = structuredClone(board)
    touching.pages[0]!.places[1]!.shape = { ...zone, kind: 'rectangle', x: zone.x + zone.width }
    const shares = placePieces(at(zone.x + zone.width), touching.pages[0]!, makeEdition(touching))[0]!.shares
    expect(shares.map(s => s.certainty)).toEqual(['unsure', 'unsure'])
    expect(shares.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 10)
  })

  it('counts as placed only what lies in a place', () => {
    expect(progress(emptySlate, edition)).toEqual({ placed: 0, of: 6 })
    expect(progress(at(zone.x + zone.width / 2), edition)).toEqual({ placed: 1, of: 6 })
    expect(progress(at(zone.x + zone.width / 2, 5), edition)).toEqual({ placed: 0, of: 6 })
  })
})

describe('a free spot', () => {
  it('lies wholly in the zone and on no other card, until the zone is full; then still on the page', () => {
    const board = sortBoard(
      ['One', 'Two', 'Three'],
      Array.from({ length: 40 }, (_, i) => `word ${i}`),
    )
    const edition = makeEdition(board)
    const page = board.pages[0]!
    let state = emptySlate
    for (const { id } of page.pieces) {
      const spot = freeSpot({ state, piece: id, place: page.places[0]!, page, edition })
      state = withPieces(state, [[id, { ...spot, z: 1 }]])
      expect(spot.x).toBeGreaterThanOrEqual(0)
      expect(spot.y).toBeLessThanOrEqual(page.height)
    }
    const sure = placePieces(state, page, edition).filter(
      p => p.shares[0]?.certainty === 'in' && p.shares[0].place === 'z0',
    )
    expect(sure).toHaveLength(40)
    const spots = new Set(
      Object.values(state.pieces)
        .slice(0, 10)
        .map(p => `${p.x} ${p.y}`),
    )
    expect(spots.size).toBe(10)
  })

  it('keeps a dragged card wholly on the page', () => {
    const page = shoreEdition().board.pages[0]!
    expect(clampPiece({ x: -50, y: 1e6 }, { width: 100, height: 40 }, page)).toEqual({ x: 50, y: page.height - 20 })
  })
})

describe('progress', () => {
  const where = (board: Board, work: Parameters<typeof slateOf>[1]) =>
    progress(slateOf(board, work), makeEdition(board))
  const card = (id: string) => ({ kind: 'card' as const, id: pieceId(id), master: masterId('card'), text: id })

  it('counts what is written and drawn, each gap for itself', () => {
    const places: Place[] = [
      {
        kind: 'writing',
        id: placeId('w'),
        heading: 'W',
        lines: 'one',
        textSize: 18,
        shape: { kind: 'rectangle', x: 0, y: 0, width: 200, height: 40 },
      },
      {
        kind: 'gaps',
        id: placeId('g'),
        heading: '',
        text: 'a __ b __',
        textSize: 18,
        typed: true,
        gap: { width: 60, height: 30 },
        shape: { kind: 'rectangle', x: 0, y: 60, width: 400, height: 80 },
      },
      {
        kind: 'drawing',
        id: placeId('d'),
        heading: '',
        shape: { kind: 'rectangle', x: 0, y: 200, width: 400, height: 80 },
      },
    ]
    const board = boardOf(places, [], { kind: 'write', answers: { w: { accepts: ['x'] } } })
    expect(where(board, {})).toEqual({ placed: 0, of: 4 })
    expect(where(board, { texts: { w: ' ', 'g:1': 'y' }, strokes: [{ place: 'd', points: [[1, 210]] }] })).toEqual({
      placed: 2,
      of: 4,
    })
  })

  it('counts pieces with an arrow, and on a page without places those that were moved', () => {
    const web = boardOf(
      [],
      [card('a'), card('b'), card('c')],
      { kind: 'arrows', arrows: [['a', 'b']] },
      { arrows: true, staged: { a: { x: 50, y: 50 }, b: { x: 200, y: 50 } } },
    )
    const staged = { a: { x: 50, y: 50 }, b: { x: 200, y: 50 } }
    expect(where(web, { pieces: staged })).toEqual({ placed: 0, of: 3 })
    expect(where(web, { pieces: { ...staged, c: { x: 400, y: 50 } }, arrows: [['a', 'b']] })).toEqual({
      placed: 3,
      of: 3,
    })
  })

  it('counts places instead of copies where there are bins', () => {
    const zones: Place[] = ['y', 'z'].map((id, i) => ({
      kind: 'zone',
      id: placeId(id),
      heading: id,
      shape: { kind: 'rectangle', x: i * 300, y: 0, width: 280, height: 280 },
    }))
    const board = boardOf(zones, [{ ...card('t'), bin: true }], { kind: 'vote', places: ['y', 'z'] })
    expect(where(board, { pieces: { 't~aaaa': { x: 100, y: 100 }, 't~bbbb': { x: 150, y: 100 } } })).toEqual({
      placed: 1,
      of: 2,
    })
  })
})

describe('tiles let go near each other', () => {
  const bars = ['a', 'b'].map(id => ({
    kind: 'tile' as const,
    id: pieceId(id),
    master: masterId('m'),
    text: id,
    value: '1',
    turns: true,
  }))
  const tiles = makeEdition(boardOf([], bars, { kind: 'match', sets: [['a', 'b']], where: [] }))
  const [{ width, height }] = [tiles.pieces.get(pieceId('a'))!.master]
  const state = withPieces(emptySlate, [[pieceId('a'), { x: 200, y: 100, z: 1 }]])
  const put = (x: number, y: number) =>
    snapped({ state, piece: pieceId('b'), centre: { x, y }, page: tiles.board.pages[0]!, edition: tiles })

  it('come to lie edge to edge and in line, without a gap and without an overlap', () => {
    expect(put(200 + width + 5, 104)).toEqual({ x: 200 + width, y: 100 })
    expect(put(203, 100 - height - 6)).toEqual({ x: 200, y: 100 - height })
    expect(put(200 + width - 6, 100 + height + 3)).toEqual({ x: 200 + width, y: 100 + height })
  })

  it('stay where they are let go when nothing is near, and lie with their turned edges', () => {
    expect(put(500, 300)).toEqual({ x: 500, y: 300 })
    const turned = withPieces(state, [[pieceId('b'), { x: 0, y: 0, z: 2, turn: 90 }]])
    expect(
      snapped({
        state: turned,
        piece: pieceId('b'),
        centre: { x: 200 + width / 2 + height / 2 + 4, y: 120 },
        page: tiles.board.pages[0]!,
        edition: tiles,
      }).x,
    ).toBe(200 + width / 2 + height / 2)
  })
})

describe('a piece that lies aslant', () => {
  const bar = { kind: 'tile' as const, id: pieceId('a'), master: masterId('m'), text: '', value: '1', turns: true }
  const zone = {
    kind: 'zone' as const,
    id: placeId('z'),
    heading: 'Z',
    shape: { kind: 'rectangle' as const, x: 100, y: 100, width: 300, height: 300 },
  }
  const aslant = makeEdition(boardOf([zone], [bar], { kind: 'total', place: 'z', target: '1' }))
  const { width, height } = aslant.pieces.get(pieceId('a'))!.master

  it('lies in a zone by the share of its own turned area, as a reference library cuts it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 440, noNaN: true }),
        fc.double({ min: 60, max: 440, noNaN: true }),
        fc.integer({ min: 1, max: 359 }),
        (x, y, turn) => {
          const placed = placePieces(
            withPieces(emptySlate, [[pieceId('a'), { x, y, z: 1, turn }]]),
            aslant.board.pages[0]!,
            aslant,
          )[0]!
          const turned = [
            [-1, -1],
            [1, -1],
            [1, 1],
            [-1, 1],
          ].map(([sx, sy]): [number, number] => {
            const { x: px, y: py } = turnedAround(
              { x, y },
              { x: x + (sx! * width) / 2, y: y + (sy! * height) / 2 },
              turn,
            )
            return [px, py]
          })
          const cut = polygonClipping.intersection(
            [turned],
            [
              [
                [100, 100],
                [400, 100],
                [400, 400],
                [100, 400],
              ],
            ],
          )
          const share =
            cut.reduce((sum, polygon) => sum + area(polygon[0]!.slice(0, -1).map(([px, py]) => ({ x: px, y: py }))), 0)
            / (width * height)
          fc.pre(Math.abs(share - 0.25) > 1e-6 && Math.abs(share - 0.75) > 1e-6)
          expect(placed.shares[0]?.certainty ?? 'out').toBe(share >= 0.75 ? 'in' : share > 0.25 ? 'unsure' : 'out')
          if (placed.shares[0]) expect(placed.shares[0].share).toBeCloseTo(share, 6)
        },
      ),
      { numRuns: 500 },
    )
  })
})
