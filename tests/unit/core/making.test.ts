import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { inkPath } from '../../../core/drawing/ink'
import { makeEdition } from '../../../core/board/edition'
import { TOOLS } from '../../../core/board/tools'
import { setBoardTools, setPageTools, setStepTools } from '../../../core/design/tools'
import { distanceToSegment } from '../../../core/geometry/line'
import { HOLDER } from '../../../core/slate/actor'
import {
  changeMove,
  endsOf,
  FIRST_CHOICE,
  GESTURES,
  hasSize,
  makeMove,
  ownFrom,
  resized,
  takeAwayMove,
  type Gesture,
} from '../../../core/tools/making'
import { apply, type Move } from '../../../core/slate/move'
import { colourId, toolOf, type Own } from '../../../core/slate/own'
import { rubbedAt } from '../../../core/tools/rubbing'
import { withPoint } from '../../../core/slate/stroke'
import { emptySlate, withPieces, type SlateState } from '../../../core/slate/state'
import { pieceId, placeId } from '../../boards'
import { boardOf, box, card } from '../../keyBoards'

const board = setBoardTools(
  boardOf(
    [
      { kind: 'zone', id: placeId('zone'), heading: '', shape: box(0, 0, 400, 300) },
      { kind: 'slot', id: placeId('slot'), heading: '', shape: box(20, 20, 90, 60) },
      { kind: 'grid', id: placeId('grid'), heading: '', rows: 2, columns: 3, shape: box(500, 0, 300, 200) },
      { kind: 'drawing', id: placeId('draw'), heading: '', shape: box(500, 250, 300, 200) },
    ],
    [card('a', { turns: true }), card('b')],
    null,
  ),
  [...TOOLS].reverse(),
)
const edition = makeEdition(board)
const page = board.pages[0]!
const table = (state: SlateState = emptySlate) => ({ state, page, edition })
const spot = (x: number, y: number): Gesture => ({ how: 'spot', at: { x, y } })
const span = (x: number, y: number, toX: number, toY: number): Gesture => ({
  how: 'span',
  from: { x, y },
  to: { x: toX, y: toY },
})
const trace = (...points: [number, number][]): Gesture => ({ how: 'trace', points })
function done(state: SlateState, move: Move): SlateState {
  const result = apply(state, move, { edition, actor: HOLDER })
  if (!result.ok) throw new Error(JSON.stringify(result.reason))
  return result.value
}
const anyGesture = fc.oneof(
  fc.tuple(fc.integer({ min: 0, max: 960 }), fc.integer({ min: 0, max: 480 })).map(([x, y]) => spot(x, y)),
  fc
    .tuple(
      fc.integer({ min: 0, max: 960 }),
      fc.integer({ min: 0, max: 480 }),
      fc.integer({ min: 0, max: 960 }),
      fc.integer({ min: 0, max: 480 }),
    )
    .map(([x, y, a, b]) => span(x, y, a, b)),
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: 960 }), fc.integer({ min: 0, max: 480 })), {
      minLength: 1,
      maxLength: 20,
    })
    .map(points => trace(...points)),
)

describe('what a hand makes with a tool', () => {
  it('is of that tool, and can be made there: by any gesture, or nothing is made', () => {
    const state = withPieces(emptySlate, [[pieceId('a'), { x: 200, y: 200, z: 1, turn: 30 }]])
    fc.assert(
      fc.property(fc.constantFrom(...TOOLS), anyGesture, (tool, gesture) => {
        const own = ownFrom(tool, FIRST_CHOICE, gesture, table(state))
        if (!own) return
        expect([toolOf(own), gesture.how]).toEqual([tool, GESTURES[tool]])
        expect(apply(state, makeMove(own, state.own, 'thing-1234', 'student:1'), { edition, actor: HOLDER }).ok).toBe(
          true,
        )
      }),
    )
  })

  it('a slip of the hand makes neither a line nor a shape', () => {
    for (const tool of ['line', 'arrow', 'shape'] as const)
      expect(ownFrom(tool, FIRST_CHOICE, span(10, 10, 14, 12), table())).toBeNull()
  })

  it('colour goes to the smallest place under the hand, of a grid to the cell; the same again wipes it, another changes it', () => {
    expect(
      [spot(50, 50), spot(300, 200), spot(620, 150), spot(450, 10)].map(at =>
        ownFrom('colour', FIRST_CHOICE, at, table()),
      ),
    ).toMatchObject([{ place: 'slot' }, { place: 'zone' }, { place: 'grid', cell: [1, 1] }, null])
    const colour = (state: SlateState, fill: 'straw' | 'mint') =>
      done(
        state,
        makeMove(
          ownFrom('colour', { ...FIRST_CHOICE, fill }, spot(620, 150), table())!,
          state.own,
          'unused-name',
          'student:1',
        ),
      )
    const name = colourId('grid', [1, 1])
    const once = colour(emptySlate, 'straw')
    expect(once.own[name]).toMatchObject({ fill: 'straw' })
    expect(colour(once, 'mint').own[name]).toMatchObject({ fill: 'mint' })
    const wiped = colour(once, 'straw')
    expect(wiped.own[name]!.gone).toBe(true)
    expect(colour(wiped, 'straw').own[name]!.gone).toBeUndefined()
  })

  it('a line that ends on a piece stays with it, at its rim; on the ledge it ends where it was drawn', () => {
    const at = (x: number, y: number) =>
      withPieces(emptySlate, [
        [pieceId('a'), { x, y, z: 1 }],
        [pieceId('b'), { x, y: y + 200, z: 2 }],
      ])
    const line = ownFrom('arrow', FIRST_CHOICE, span(100, 110, 110, 290), table(at(100, 100))) as Extract<
      Own,
      { kind: 'line' }
    >
    expect([line.from.on, line.to.on, line.head]).toEqual(['a', 'b', true])
    // Cards are 80 × 48: one above the other, the line goes from the lower edge to the upper.
    expect(endsOf(line, table(at(100, 100)))).toEqual({ from: { x: 100, y: 124 }, to: { x: 100, y: 276 } })
    expect(endsOf(line, table(at(400, 50)))).toEqual({ from: { x: 400, y: 74 }, to: { x: 400, y: 226 } })
    expect(endsOf(line, table())).toEqual({ from: { x: 100, y: 110 }, to: { x: 110, y: 290 } })
  })

  it('is changed, sized and taken away, and stays whose it is', () => {
    const own = ownFrom('note', FIRST_CHOICE, spot(300, 200), table())!
    const was = { ...own, by: 'student:3' as const }
    expect(changeMove('thing-1234', was, { ...own, ...resized(own, true, page) })).toMatchObject({
      by: 'student:3',
      as: { width: 180 },
    })
    expect(takeAwayMove('thing-1234', was)).toEqual({
      kind: 'own',
      thing: 'thing-1234',
      as: own,
      by: 'student:3',
      words: 'kept',
      gone: true,
    })
    const words = ownFrom('write', FIRST_CHOICE, spot(300, 200), table())!
    expect(
      [resized(words, true, page), resized(resized(words, true, page), true, page), resized(words, false, page)].map(
        one => 'size' in one && one.size,
      ),
    ).toEqual(['large', 'large', 'small'])
    let small: Own = own
    for (let i = 0; i < 30; i++) small = resized(small, false, page)
    expect(small).toMatchObject({ width: 24, height: 24 })
    expect(hasSize(ownFrom('sign', FIRST_CHOICE, spot(5, 5), table())!)).toBe(false)
  })
})

describe('the rubber', () => {
  it("takes one's own ink and what was drawn in the drawing spaces, each once in a gesture, and nothing else", () => {
    const ink = ownFrom('pen', FIRST_CHOICE, trace([100, 400], [200, 400]), table())!
    let state = done(emptySlate, makeMove(ink, {}, 'mine-1234', 'student:1'))
    state = { ...state, own: { ...state.own, 'bos-12345': { ...ink, by: 'student:2' } } }
    state = done(state, {
      kind: 'draw',
      stroke: 'stroke-1',
      place: placeId('draw'),
      points: [
        [600, 300],
        [700, 300],
      ],
    })
    const gone = new Set<string>()
    const at = (x: number, y: number) =>
      rubbedAt({ state, page: page.id, spaces: ['draw'], at: { x, y }, by: 'student:1', gone })
    expect(at(150, 411)).toEqual([])
    expect(at(150, 409)).toMatchObject([{ kind: 'own', thing: 'mine-1234', gone: true }])
    expect(at(160, 400)).toEqual([])
    expect(at(650, 305)).toEqual([{ kind: 'rub', strokes: ['stroke-1'], gone: true }])
  })
})

describe('ink', () => {
  it('is drawn within its own width and four points more of the line that the hand went', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -25, max: 25 }), fc.integer({ min: -25, max: 25 })), {
          minLength: 3,
          maxLength: 40,
        }),
        fc.constantFrom(2, 4, 8),
        (steps, wide) => {
          const points = steps.reduce<[number, number][]>(
            (all, [dx, dy]) => [...all, [all.at(-1)![0] + dx / 5, all.at(-1)![1] + dy / 5]],
            [[500, 500]],
          )
          const drawn = [...inkPath(points, wide).matchAll(/([\d.-]+) ([\d.-]+)/g)].map(([, x, y]) => ({
            x: Number(x),
            y: Number(y),
          }))
          const far = (p: { x: number; y: number }) =>
            Math.min(
              ...points
                .slice(1)
                .map((to, i) => distanceToSegment(p, { x: points[i]![0], y: points[i]![1] }, { x: to[0], y: to[1] })),
            )
          expect(Math.max(0, ...drawn.map(far))).toBeLessThanOrEqual(wide + 4)
        },
      ),
    )
  })
})

describe('a stroke that is full', () => {
  const MOST = 400
  const drawn = (hand: readonly [number, number][]) =>
    hand.reduce<[number, number][]>((points, point) => withPoint(points, point, MOST), [])
  const along = (points: readonly [number, number][]) => (p: readonly [number, number]) =>
    Math.min(
      ...points
        .slice(1)
        .map((to, i) =>
          distanceToSegment({ x: p[0], y: p[1] }, { x: points[i]![0], y: points[i]![1] }, { x: to[0], y: to[1] }),
        ),
    )
  const spiral = Array.from({ length: 10_000 }, (_, i): [number, number] => [
    480 + (40 + i / 50) * Math.cos(i / 160),
    240 + (40 + i / 50) * Math.sin(i / 160),
  ])
  // Up and down 40 times over a page, slowly: each corner is a point of the hand's line.
  const zigzag = Array.from({ length: 10_000 }, (_, i): [number, number] => [
    100 + i / 13,
    100 + 200 * Math.abs(((i / 125) % 2) - 1),
  ])

  it.each([
    ['a spiral', spiral, 2],
    ['a zigzag', zigzag, 3],
  ] as const)('of ten thousand points, %s, stays where the hand went, from beginning to end', (_, hand, near) => {
    const points = drawn(hand)
    expect(points).toHaveLength(MOST)
    expect([points[0], points.at(-1)]).toEqual([hand[0], hand.at(-1)])
    expect(Math.max(...hand.map(along(points)))).toBeLessThan(near)
  })

  it('holds only points of the hand, in their order, and never more than it may', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 })), {
          minLength: 1,
          maxLength: 80,
        }),
        fc.integer({ min: 2, max: 30 }),
        (hand, most) => {
          const numbered = hand.map(([x, y], i): [number, number, number] => [x, y, i])
          const points = numbered.reduce<[number, number, number][]>((all, point) => withPoint(all, point, most), [])
          expect(points.length).toBe(Math.min(most, hand.length))
          expect(points.map(([, , i]) => i)).toEqual(points.map(([, , i]) => i).toSorted((a, b) => a - b))
          expect(points.every(([x, y, i]) => hand[i]![0] === x && hand[i]![1] === y)).toBe(true)
          expect([points[0], points.at(-1)]).toEqual([numbered[0], numbered.at(-1)])
        },
      ),
    )
  })
})

describe('tools', () => {
  it('are kept in one order, and none is no list', () => {
    expect(board.tools).toEqual([...TOOLS])
    expect(setBoardTools(board, [])).not.toHaveProperty('tools')
    const own = setPageTools(board, page.id, ['pen', 'write'])
    expect(own.pages[0]!.tools).toEqual(['write', 'pen'])
    expect(setPageTools(own, page.id, []).pages[0]!.tools).toEqual([])
    expect(setPageTools(own, page.id, null).pages[0]!).not.toHaveProperty('tools')
    const stepped = {
      ...board,
      pages: [{ ...page, steps: [{ id: 'one', x: 0, y: 0, width: 9, height: 9, instructions: '' }] }],
    } as typeof board
    expect(setStepTools(stepped, page.id, 'one', ['sign']).pages[0]!.steps![0]!.tools).toEqual(['sign'])
    expect(setStepTools(setStepTools(stepped, page.id, 'one', ['sign']), page.id, 'one', null)).toEqual(stepped)
  })
})
