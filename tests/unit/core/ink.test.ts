import { describe, expect, it } from 'vitest'
import type { Figure } from '../../../core/board/backdrop'
import type { FigureId } from '../../../core/board/ids'
import type { Place } from '../../../core/board/place'
import type { Point, Shape } from '../../../core/geometry/shape'
import { makeEdition } from '../../../core/board/edition'
import { inkIn } from '../../../core/placement/ink'
import { leftToDo, progress } from '../../../core/placement/tasks'
import type { OwnOnSlate } from '../../../core/slate/own'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { placeId } from '../../boards'
import { boardOf, box, mark, polygon, verdicts } from '../../keyBoards'

describe('ink', () => {
  const space: Place = { kind: 'drawing', id: placeId('d'), heading: '', shape: box(0, 0, 960, 480) }
  const figure = (id: string, shape: Shape, text = id): Figure => ({
    id: id as FigureId,
    shape,
    line: '#1d2526',
    fill: null,
    text,
    textSize: 16,
  })
  const figures = [
    figure(
      'kite',
      polygon([
        [200, 50],
        [260, 150],
        [200, 350],
        [140, 150],
      ]),
    ),
    figure(
      'slant',
      polygon([
        [500, 100],
        [660, 100],
        [720, 220],
        [560, 220],
      ]),
    ),
  ]
  const line = (
    from: [number, number],
    to: [number, number],
    wobble = 0,
  ): { place: string; points: [number, number][] } => ({
    place: 'd',
    points: Array.from({ length: 21 }, (_, i): [number, number] => [
      from[0] + ((to[0] - from[0]) * i) / 20 + wobble * Math.sin(i),
      from[1] + ((to[1] - from[1]) * i) / 20,
    ]),
  })
  const ring = ({ x, y }: Point, rx: number, ry: number, share = 1) => ({
    place: 'd',
    points: Array.from({ length: 40 }, (_, i): [number, number] => [
      x + rx * Math.cos((i / 39) * share * 2 * Math.PI),
      y + ry * Math.sin((i / 39) * share * 2 * Math.PI),
    ]),
  })
  const symmetry = boardOf(
    [space],
    [],
    { kind: 'ink', place: 'd', task: { what: 'symmetry', figures: ['kite', 'slant'], find: 'all' } },
    { figures },
  )
  const drawn = (...strokes: object[]) => verdicts(mark(symmetry, {}, { strokes }))

  it('that is drawn along an axis by an unsteady hand is right, and a shape without any is right left alone', () => {
    expect(drawn(line([200, 30], [200, 370], 3))).toEqual({ kite: 'right', slant: 'right' })
    expect(drawn(line([200, 30], [200, 370]), line([610, 80], [610, 240]))).toEqual({ kite: 'right', slant: 'wrong' })
    expect(drawn()).toEqual({ kite: 'not-placed', slant: 'not-placed' })
  })

  it('off the axis is wrong, a little off it on the line, and a scribble or a dash is no line', () => {
    expect(drawn(line([140, 150], [260, 150])).kite).toBe('wrong')
    expect(drawn(line([224, 30], [224, 370])).kite).toBe('on-the-line')
    expect(drawn(ring({ x: 200, y: 200 }, 50, 120)).kite).toBe('wrong')
    expect(drawn(line([200, 180], [200, 220])).kite).toBe('wrong')
  })

  it('one axis is enough where one was asked for, all are needed where all were', () => {
    const square = [figure('square', { kind: 'rectangle', x: 300, y: 100, width: 200, height: 200 })]
    const board = (find: string) =>
      boardOf(
        [space],
        [],
        { kind: 'ink', place: 'd', task: { what: 'symmetry', figures: ['square'], find } },
        { figures: square },
      )
    const four = [
      line([400, 80], [400, 320]),
      line([280, 200], [520, 200]),
      line([290, 90], [510, 310]),
      line([510, 90], [290, 310]),
    ]
    expect(mark(board('one'), {}, { strokes: four.slice(0, 1) })[0]!.verdict).toBe('right')
    expect(mark(board('all'), {}, { strokes: four.slice(0, 3) })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'axis-missing' },
    })
    expect(mark(board('all'), {}, { strokes: four })[0]!.verdict).toBe('right')
  })

  it('rings around the answers, closed or nearly, and around nothing else', () => {
    const options = ['3', '4', '5'].map((text, i) =>
      figure(`o${i}`, { kind: 'rectangle', x: 100 + i * 150, y: 100, width: 60, height: 40 }, text),
    )
    const board = boardOf(
      [space],
      [],
      { kind: 'ink', place: 'd', task: { what: 'circle', figures: ['o0', 'o1', 'o2'], answers: ['o1'] } },
      { figures: options },
    )
    const ringed = (...strokes: object[]) => mark(board, {}, { strokes })[0]!
    expect(ringed(ring({ x: 280, y: 120 }, 50, 35, 0.93)).verdict).toBe('right')
    expect(ringed(ring({ x: 130, y: 120 }, 50, 35))).toMatchObject({
      verdict: 'wrong',
      points: 0,
      reason: { words: { made: { figures: [expect.any(String)] } } },
    })
    expect(ringed(ring({ x: 280, y: 120 }, 50, 35), ring({ x: 130, y: 120 }, 50, 35))).toMatchObject({
      verdict: 'wrong',
      points: 0,
    })
    expect(ringed(line([250, 120], [310, 120])).verdict).toBe('not-placed')
  })

  it('lines that join what belongs together, from either end', () => {
    const words = ['gull', 'crab', 'flies', 'crawls'].map((text, i) =>
      figure(`w${i}`, { kind: 'rectangle', x: i < 2 ? 100 : 500, y: 100 + (i % 2) * 100, width: 80, height: 40 }, text),
    )
    const board = boardOf(
      [space],
      [],
      {
        kind: 'ink',
        place: 'd',
        task: {
          what: 'join',
          pairs: [
            ['w0', 'w2'],
            ['w1', 'w3'],
          ],
        },
      },
      { figures: words },
    )
    expect(mark(board, {}, { strokes: [line([184, 120], [496, 120]), line([498, 220], [182, 220])] })[0]).toMatchObject(
      { verdict: 'right', points: 2 },
    )
    expect(mark(board, {}, { strokes: [line([184, 120], [496, 220])] })[0]).toMatchObject({
      verdict: 'wrong',
      points: 0,
      reason: { words: { extra: { joins: [['w0', 'w3']] } } },
    })
  })

  it('of a hand that slips, lifts the pen or draws dashes is seen for what it is meant', () => {
    const axis = line([200, 30], [200, 370], 2)
    const dashes = Array.from({ length: 9 }, (_, i) => line([200 + (i % 2), 40 + i * 36], [200, 62 + i * 36]))
    const dot = {
      place: 'd',
      points: [
        [230, 150],
        [231, 150],
      ],
    }
    const doodle = ring({ x: 400, y: 420 }, 20, 14)
    expect(drawn(axis, dot).kite).toBe('right')
    expect(drawn(axis, doodle)).toEqual({ kite: 'right', slant: 'right' })
    expect(drawn(...dashes).kite).toBe('right')
    expect(drawn(line([200, 40], [200, 190]), line([200, 200], [200, 360])).kite).toBe('right')
    expect(drawn(axis, ring({ x: 205, y: 200 }, 22, 16)).kite).toBe('on-the-line')
    expect(drawn(axis, line([140, 150], [260, 150])).kite).toBe('wrong')
    // Beside the shape, though it points the right way.
    expect(drawn(line([200, 360], [200, 470])).kite).not.toBe('right')
  })

  it('rings in two strokes, drawn twice, close round the words or not quite closed are rings', () => {
    const options = ['seven', 'eight', 'nine'].map((text, i) =>
      figure(`o${i}`, { kind: 'rectangle', x: 100 + i * 220, y: 100, width: 180, height: 90 }, text),
    )
    const board = boardOf(
      [space],
      [],
      { kind: 'ink', place: 'd', task: { what: 'circle', figures: ['o0', 'o1', 'o2'], answers: ['o1'] } },
      { figures: options },
    )
    const verdict = (...strokes: object[]) => mark(board, {}, { strokes })[0]!.verdict
    const middle = { x: 410, y: 145 }
    const arc = (from: number, to: number, rx = 95, ry = 55) => ({
      place: 'd',
      points: Array.from({ length: 30 }, (_, i): [number, number] => [
        middle.x + rx * Math.cos(from + ((to - from) * i) / 29),
        middle.y + ry * Math.sin(from + ((to - from) * i) / 29),
      ]),
    })
    expect(verdict(arc(0, Math.PI), arc(Math.PI, 2 * Math.PI))).toBe('right')
    expect(verdict(arc(0, Math.PI), arc(2 * Math.PI, Math.PI))).toBe('right')
    expect(verdict(arc(0, 4 * Math.PI))).toBe('right')
    expect(verdict(arc(0, 2 * Math.PI), arc(0.2, 2 * Math.PI))).toBe('right')
    expect(verdict(arc(0, 2 * Math.PI, 34, 18))).toBe('right')
    expect(
      verdict(arc(0, 2 * Math.PI), {
        place: 'd',
        points: [
          [20, 20],
          [21, 21],
        ],
      }),
    ).toBe('right')
    expect(verdict(arc(0.9, 2 * Math.PI - 0.1))).toBe('right')
    expect(verdict(arc(1.3, 2 * Math.PI - 0.9))).toBe('on-the-line')
    expect(verdict(ring({ x: 190, y: 145 }, 95, 55))).toBe('wrong')
    expect(
      verdict({
        place: 'd',
        points: [
          [330, 190],
          [490, 190],
        ],
      }),
    ).toBe('not-placed')
  })

  it('joins that start inside a frame, end a little short or lift the pen are joins', () => {
    const frame = figure('frame', { kind: 'rectangle', x: 80, y: 60, width: 160, height: 260 }, '')
    const words = ['gull', 'crab', 'flies', 'crawls'].map((text, i) =>
      figure(`w${i}`, { kind: 'rectangle', x: i < 2 ? 100 : 500, y: 100 + (i % 2) * 100, width: 80, height: 40 }, text),
    )
    const board = boardOf(
      [space],
      [],
      {
        kind: 'ink',
        place: 'd',
        task: {
          what: 'join',
          pairs: [
            ['w0', 'w2'],
            ['w1', 'w3'],
          ],
        },
      },
      { figures: [frame, ...words] },
    )
    const verdict = (...strokes: object[]) => mark(board, {}, { strokes })[0]!.verdict
    const second = line([182, 220], [498, 220])
    expect(verdict(line([140, 120], [540, 120]), second)).toBe('right')
    expect(verdict(line([184, 120], [330, 130]), line([338, 131], [496, 120]), second)).toBe('right')
    expect(
      verdict(...Array.from({ length: 8 }, (_, i) => line([184 + i * 40, 120], [210 + i * 40, 120])), second),
    ).toBe('right')
    expect(verdict(line([205, 120], [478, 120]), second)).toBe('on-the-line')
    expect(verdict(line([184, 120], [496, 220]), second)).toBe('wrong')
  })

  it('of five hundred strokes is read in a moment', () => {
    const many = Array.from({ length: 400 }, (_, i) =>
      line([(i * 37) % 900, (i * 53) % 440], [((i * 37) % 900) + 30, ((i * 53) % 440) + 10]),
    )
    for (const task of [
      { what: 'circle', figures: ['kite', 'slant'], answers: ['kite'] },
      { what: 'join', pairs: [['kite', 'slant']] },
      { what: 'symmetry', figures: ['kite', 'slant'], find: 'all' },
    ]) {
      expect(
        mark(boardOf([space], [], { kind: 'ink', place: 'd', task }, { figures }), {}, { strokes: many })[0]!.verdict,
      ).not.toBe('right')
    }
  }, 20_000)
})

describe('one ink', () => {
  const spaces: Place[] = [0, 1].map(i => ({
    kind: 'drawing',
    id: placeId(`d${i}`),
    heading: '',
    shape: box(20 + 460 * i, 40, 440, 400),
  }))
  const board = { ...boardOf(spaces, [], null), tools: ['pen' as const, 'highlighter' as const, 'line' as const] }
  const edition = makeEdition(board)
  const page = edition.board.pages[0]!
  const penned = (points: [number, number][], more: object = {}): OwnOnSlate => ({
    kind: 'ink',
    page: page.id,
    wide: 'medium',
    points,
    pen: { tip: 'pen', ink: 'graphite' },
    by: 'student:1',
    ...more,
  })
  const lineTo = (from: Point, to: Point, more: object = {}): OwnOnSlate => ({
    kind: 'line',
    page: page.id,
    ink: 'graphite',
    wide: 'thin',
    head: false,
    from,
    to,
    by: 'student:1',
    ...more,
  })
  const withOwn = (...things: OwnOnSlate[]): SlateState => ({
    ...emptySlate,
    own: Object.fromEntries(things.map((thing, i) => [`thing-${i}-0000`, thing])),
  })
  const drawn = (state: SlateState) => spaces.map(({ id }) => inkIn(state, id, page).length)
  const across = (from: number, to: number): [number, number][] => [
    [from, 200],
    [to, 200],
  ]

  it('whatever pen it is, ink is of the space in which most of it lies', () => {
    expect(drawn(withOwn(penned(across(100, 300))))).toEqual([1, 0])
    expect(drawn(withOwn(penned(across(500, 900), { pen: { tip: 'highlighter', fill: 'straw' } })))).toEqual([0, 1])
    expect(drawn(withOwn(lineTo({ x: 50, y: 60 }, { x: 300, y: 400 })))).toEqual([1, 0])
    // A little over the edge of one that has the rest of it.
    expect(drawn(withOwn(penned(across(100, 530))))).toEqual([1, 0])
    expect(drawn(withOwn(penned([[100, 200]])))).toEqual([1, 0])
  })

  it('a line that crosses several is shared out: each has what lies in it', () => {
    const crossing = withOwn(penned(across(150, 800)))
    const xs = spaces.map(({ id }) => inkIn(crossing, id, page).map(line => line.map(point => point.x)))
    expect(xs.map(runs => runs.length)).toEqual([1, 1])
    spaces.forEach(({ shape }, i) => {
      const { x, width } = shape as { x: number; width: number }
      expect(Math.min(...xs[i]![0]!)).toBeGreaterThanOrEqual(x)
      expect(Math.max(...xs[i]![0]!)).toBeLessThanOrEqual(x + width)
    })
    // There and back again it is two runs of the space it left.
    const back = withOwn(penned([...across(150, 800), [800, 220], [150, 220]]))
    expect(drawn(back)).toEqual([2, 1])
  })

  it('a line through many spaces is in each of them, though it has but a little of it', () => {
    const cells = Array.from({ length: 8 }, (_, i): Place => ({
      kind: 'drawing',
      id: placeId(`cell-${i}`),
      heading: '',
      shape: box(i * 100, 50, 90, 90),
    }))
    const many = { ...page, places: cells }
    const through = withOwn(
      penned([
        [5, 95],
        [795, 95],
      ]),
    )
    expect(cells.map(({ id }) => inkIn(through, id, many).length)).toEqual(cells.map(() => 1))
  })

  it('what is gone, hidden, or mostly elsewhere isn’t, nor an arrow, nor a line that joins cards', () => {
    expect(
      drawn(withOwn(penned(across(100, 300), { gone: true }), penned(across(100, 300), { hidden: true }))),
    ).toEqual([0, 0])
    expect(
      drawn(
        withOwn(
          penned([
            [455, 445],
            [465, 479],
          ]),
          lineTo({ x: 50, y: 60 }, { x: 300, y: 400 }, { head: true }),
        ),
      ),
    ).toEqual([0, 0])
  })

  it('counts as done, for progress and before handing in', () => {
    const state = withOwn(penned(across(100, 300)))
    expect(progress(state, edition)).toEqual({ placed: 1, of: 2 })
    expect(leftToDo(state, edition)).toMatchObject([{ spaces: ['d1'] }])
  })
})
