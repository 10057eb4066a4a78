import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { PieceId } from '../../../core/board/ids'
import type { Place } from '../../../core/board/place'
import { takes } from '../../../core/board/whatPlacesTake'
import type { Piece } from '../../../core/board/piece'
import { within } from '../../../core/geometry/area'
import { outline } from '../../../core/geometry/outline'
import type { Point } from '../../../core/geometry/shape'
import { BESIDE, landing, landingAtPoint, litPlaces, nudged } from '../../../core/placement/landing'
import type { Landing, Table } from '../../../core/placement/table'
import {
  finerTarget,
  landingIn,
  LEDGE,
  nextTarget,
  OUTSIDE,
  sameTarget,
  scaleValueText,
  targetsOf,
  type Target,
} from '../../../core/placement/targets'
import { placePieces } from '../../../core/placement/placement'
import { flipMove, joinMove, layMove, shelveMove, turnMove } from '../../../core/slate/acts'
import { HOLDER } from '../../../core/slate/actor'
import { apply, type Move } from '../../../core/slate/move'
import { emptySlate, withPieces, type SlateState } from '../../../core/slate/state'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, tile } from '../../keyBoards'

const zone = (id: string, shape: Place['shape']): Place => ({ kind: 'zone', id: placeId(id), heading: id, shape })
const circle = (x: number, y: number, size: number) => ({ kind: 'ellipse' as const, x, y, width: size, height: size })
const PLACES: Place[] = [
  zone('a', circle(20, 20, 300)),
  zone('b', circle(200, 20, 300)),
  zone('alone', {
    kind: 'polygon',
    points: [
      { x: 540, y: 30 },
      { x: 760, y: 60 },
      { x: 720, y: 300 },
      { x: 560, y: 280 },
    ],
  }),
  { kind: 'slot', id: placeId('slot'), heading: '', shape: box(40, 360, 100, 60) },
  { kind: 'grid', id: placeId('grid'), heading: '', rows: 2, columns: 3, shape: box(180, 350, 300, 120) },
  {
    kind: 'scale',
    id: placeId('scale'),
    heading: '',
    least: '0',
    most: '10',
    step: '1',
    shape: box(520, 360, 400, 70),
  },
  { kind: 'pin', id: placeId('pin'), heading: '', shape: circle(608, 528, 24) },
]
const PIECES: Piece[] = [
  card('card', { turns: true }),
  card('other', { turns: true }),
  tile('tile', '3', { turns: true, other: { text: '-3', value: '-3' } }),
  tile('beside', '3'),
  ...(['left', 'right', 'up', 'down'] as const).map(tip => ({
    kind: 'label' as const,
    id: pieceId(tip),
    master: masterId('label'),
    text: tip,
    tip,
    turns: true,
  })),
]
const board = boardOf(PLACES, PIECES, null, { height: 720, arrows: true })
const edition = makeEdition(board)
const page = board.pages[0]!
const on = (lying: Record<string, Point & { turn?: number }> = {}): SlateState =>
  withPieces(
    emptySlate,
    Object.entries(lying).map(([id, at]) => [id as PieceId, { z: 1, ...at }]),
  )
const table = (state: SlateState = emptySlate): Table => ({ state, page, edition })
function made(state: SlateState, move: Move | null): SlateState {
  const result = apply(state, move!, { edition, actor: HOLDER })
  if (!result.ok) throw new Error(JSON.stringify(result.reason))
  return result.value
}
/** Where the piece really is once that is done. */
const after = (state: SlateState, piece: PieceId, landing: Landing) =>
  placePieces(made(state, layMove(state, piece, landing)), page, edition).find(p => p.piece === piece)!.shares

const anyPiece = fc.constantFrom(...PIECES.map(piece => piece.id))
const anyTurn = fc.constantFrom(0, 15, 45, 90, 180, 200, 270)
const anyPoint = fc.record({
  x: fc.integer({ min: -20, max: page.width + 20 }),
  y: fc.integer({ min: -20, max: page.height + 20 }),
})
const onPage = fc.record({ x: fc.integer({ min: 0, max: page.width }), y: fc.integer({ min: 0, max: page.height }) })
/** The piece lies somewhere, turned, with a neighbour. */
const anyTable = fc
  .tuple(anyPiece, anyTurn, onPage, onPage)
  .map(([piece, turn, at, neighbour]) => ({
    piece,
    state: on({ beside: neighbour, [piece]: { ...at, ...(turn && piece !== 'beside' && { turn }) } }),
  }))

describe('what is lit', () => {
  it('is where the piece will be, whatever it is, however it is turned, and wherever it is let go', () => {
    fc.assert(
      fc.property(anyTable, anyPoint, ({ piece, state }, middle) => {
        const comes = landing(table(state), piece, middle)!
        const shares = after(state, piece, comes)
        expect(comes.shares).toEqual(shares)
        const sure = shares.filter(s => s.certainty === 'in')
        expect(litPlaces(comes)).toEqual((sure.length ? sure : shares).map(s => s.place))
        expect(nudged(table(state), piece, comes.at, { x: 0, y: 0 }).shares).toEqual(shares)
      }),
      { numRuns: 2000 },
    )
  })

  it('is a pin for a label whose tip is on it, whichever way it points and is turned; the pin of its box is not', () => {
    const pin = { x: 620, y: 540 }
    for (const tip of ['left', 'right', 'up', 'down']) {
      for (const turn of [0, 30, 90, 180]) {
        const state = on({ [tip]: { x: 300, y: 300, ...(turn && { turn }) } })
        expect(litPlaces(landingAtPoint(table(state), pieceId(tip), pin))).toEqual(['pin'])
        expect(litPlaces(landing(table(state), pieceId(tip), pin)!)).toEqual([])
      }
    }
  })

  it('is both rings where a card lies in both, and nothing far beside the page', () => {
    expect(litPlaces(landing(table(), pieceId('card'), { x: 260, y: 170 })!)).toEqual(['a', 'b'])
    expect(landing(table(), pieceId('card'), { x: -BESIDE, y: 100 })).toBeNull()
    expect(landing(table(), pieceId('card'), { x: 100, y: page.height + BESIDE })).toBeNull()
    expect(landing(table(), pieceId('card'), { x: 1 - BESIDE, y: 100 })!.at.x).toBe(40)
  })
})

describe('a tap', () => {
  it('gives a piece to what is there, surely, and to nothing else', () => {
    fc.assert(
      fc.property(fc.constantFrom('card', 'tile'), anyTurn, onPage, (name, turn, point) => {
        const piece = pieceId(name)
        const state = turn ? on({ [name]: { x: 900, y: 600, turn } }) : emptySlate
        const there = page.places.filter(place => place.kind !== 'pin' && within(outline(place.shape), point))
        const shares = after(state, piece, landingAtPoint(table(state), piece, point))
        // At its ends a scale has half of the piece; the value is what counts there, as near as the page's edge lets it
        // come.
        if (there[0]?.kind === 'scale') {
          expect(shares[0]!.value).toBeCloseTo((point.x - 520) / 40, 0)
          return
        }
        // A slot or a cell too small for a piece that lies aslant may be in doubt; it is never another's.
        const places = shares
          .filter(s => s.certainty === 'in' || turn % 90)
          .map(s => s.place)
          .toSorted()
        if (there.length) expect(places).toEqual(there.map(place => place.id).toSorted())
      }),
      { numRuns: 800 },
    )
  })

  it('puts it into the very cell, and onto the very value', () => {
    const cell = (x: number, y: number) =>
      after(emptySlate, pieceId('card'), landingAtPoint(table(), pieceId('card'), { x, y }))[0]
    expect(cell(285, 352)).toMatchObject({ place: 'grid', certainty: 'in', cell: { row: 0, column: 1 } })
    expect(cell(479, 469)).toMatchObject({ place: 'grid', certainty: 'in', cell: { row: 1, column: 2 } })
    for (const value of [0, 3, 7, 10])
      expect(cell(520 + 40 * value, 362)).toMatchObject({ place: 'scale', value: expect.closeTo(value, 9) })
  })

  it('lays it beside what lies there, as long as there is room', () => {
    const state = on({ other: { x: 120, y: 170 } })
    const comes = landingAtPoint(table(state), pieceId('card'), { x: 120, y: 170 })
    expect(Math.abs(comes.at.x - 120) >= 80 || Math.abs(comes.at.y - 170) >= 48).toBe(true)
    expect(litPlaces(comes)).toEqual(['a'])
    expect(
      litPlaces(
        landingAtPoint(table(on({ other: { x: 260, y: 170 } })), pieceId('card'), { x: 260, y: 170 }),
      ).toSorted(),
    ).toEqual(['a', 'b'])
  })

  it('where there is no place puts it just there, whole on the page', () => {
    expect(landingAtPoint(table(), pieceId('card'), { x: 300, y: 600 })).toEqual({ at: { x: 300, y: 600 }, shares: [] })
    expect(landingAtPoint(table(), pieceId('card'), { x: 2, y: 600 }).at).toEqual({ x: 40, y: 600 })
  })
})

describe('targets', () => {
  it('are places, their cells and steps, and the regions between rings, in reading order, the ledge last', () => {
    expect(targetsOf(table(), pieceId('card'))).toEqual([
      { places: ['a'] },
      { places: ['a', 'b'] },
      { places: ['b'] },
      { places: ['alone'] },
      { places: ['slot'] },
      ...[0, 1, 2, 3, 4, 5].map(i => ({ places: ['grid'], cell: { row: Math.floor(i / 3), column: i % 3 } })),
      ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map(value => ({ places: ['scale'], value })),
      OUTSIDE,
      LEDGE,
    ])
    expect(targetsOf(table(), pieceId('up'))).toContainEqual({ places: ['pin'] })
  })

  it('each takes a piece surely, where it is given to it: a region for itself alone', () => {
    for (const name of ['card', 'tile']) {
      for (const turn of [0, 90, 180, 270]) {
        const state = on({ other: { x: 120, y: 170 }, ...(turn && { [name]: { x: 900, y: 600, turn } }) })
        for (const target of targetsOf(table(state), pieceId(name)).slice(0, -1)) {
          const sure = after(state, pieceId(name), landingIn(table(state), pieceId(name), target)!).filter(
            s => s.certainty === 'in',
          )
          expect(sure.map(s => s.place).toSorted()).toEqual([...target.places].toSorted())
          expect(sure[0]?.cell).toEqual(target.cell)
          if (target.value !== undefined) expect(sure[0]!.value).toBeCloseTo(target.value, 6)
        }
      }
    }
    expect(landingIn(table(), pieceId('card'), LEDGE)).toBeNull()
  })

  it('of zones that only touch, or whose boxes alone overlap, are the zones', () => {
    const apart = boardOf(
      [
        zone('l', box(0, 50, 200, 200)),
        zone('r', box(200, 50, 200, 200)),
        zone('s', circle(420, 50, 200)),
        zone('t', circle(565, 195, 200)),
      ],
      [card('card')],
      null,
    )
    const other = { state: emptySlate, page: apart.pages[0]!, edition: makeEdition(apart) }
    expect(targetsOf(other, pieceId('card'))).toEqual([
      ...['l', 'r', 's', 't'].map(id => ({ places: [id] })),
      OUTSIDE,
      LEDGE,
    ])
  })

  it('of three rings are seven regions, and a zone inside another is with it', () => {
    const rings = boardOf(
      [
        zone('a', circle(100, 40, 320)),
        zone('b', circle(300, 40, 320)),
        zone('c', circle(200, 220, 320)),
        zone('big', box(640, 40, 300, 300)),
        zone('small', box(700, 100, 150, 150)),
      ],
      [card('card')],
      null,
      { height: 720 },
    )
    const targets = targetsOf(
      { state: emptySlate, page: rings.pages[0]!, edition: makeEdition(rings) },
      pieceId('card'),
    )
    expect(targets.map(target => target.places.toSorted().join('+')).toSorted()).toEqual([
      '',
      '',
      'a',
      'a+b',
      'a+b+c',
      'a+c',
      'b',
      'b+c',
      'big',
      'big+small',
      'c',
    ])
  })

  it('take part in any board: places that take the piece are never missing', () => {
    for (const piece of PIECES) {
      const all = new Set(targetsOf(table(), piece.id).flatMap(target => target.places))
      expect([...all].toSorted()).toEqual(
        page.places
          .filter(place => takes(place, piece))
          .map(place => place.id)
          .toSorted(),
      )
    }
  })
})

describe('arrows', () => {
  const piece = pieceId('card')
  const right = { x: 1, y: 0 }
  const [left, down, up] = [
    { x: -1, y: 0 },
    { x: 0, y: 1 },
    { x: 0, y: -1 },
  ]
  const cell = (row: number, column: number): Target => ({ places: [placeId('grid')], cell: { row, column } })
  const at = (value: number): Target => ({ places: [placeId('scale')], value })
  const next = (from: Target | null, arrow: Point) => nextTarget(table(), piece, from, arrow)

  it('lead across a grid by row and column, and out of it at its edge', () => {
    expect(next(cell(0, 0), right)).toEqual(cell(0, 1))
    expect(next(cell(0, 2), right)).toEqual(cell(1, 0))
    expect(next(cell(0, 1), down)).toEqual(cell(1, 1))
    expect(next(cell(1, 1), up)).toEqual(cell(0, 1))
    expect(next(cell(1, 1), down)).toEqual(at(0))
    expect(next(cell(0, 1), up)).toEqual({ places: ['slot'] })
  })

  it('lead along a scale by its steps, with finer ones between, and across it to what is next', () => {
    expect(next(at(4), right)).toEqual(at(5))
    expect(next(at(10), right)).toEqual(OUTSIDE)
    expect(next(at(4), up)).toEqual(cell(1, 2))
    expect(next(at(4), down)).toEqual(OUTSIDE)
    const finer = finerTarget(table(), at(4), right)!
    expect(finer).toEqual(at(4.1))
    expect(finerTarget(table(), at(0), left)).toEqual(at(0))
    expect(finerTarget(table(), at(4), down)).toBeNull()
    expect(finerTarget(table(), cell(0, 0), right)).toBeNull()
    expect(next(finer, right)).toEqual(at(5))
  })

  it('reach every target, one after the other, from nowhere and round', () => {
    const all = targetsOf(table(), piece)
    const seen: Target[] = []
    for (let now = next(null, right); !seen.some(one => sameTarget(one, now)); now = next(now, right)) seen.push(now)
    expect(seen).toEqual(all)
    expect(next(null, left)).toEqual(LEDGE)
    expect(next(LEDGE, right)).toEqual(all[0])
  })

  it('lay a piece outside every place where there is room for it', () => {
    const comes = landingIn(table(), piece, OUTSIDE)!
    expect(comes.shares).toEqual([])
    expect(after(on({}), piece, comes)).toEqual([])
  })
})

describe('a value of a scale', () => {
  const scale = (least: string, most: string, step: string | null) =>
    ({ kind: 'scale', id: placeId('s'), heading: '', least, most, step, shape: box(0, 0, 100, 20) }) as const
  it.each([
    ['0', '10', '1', 4.5, '4.5'],
    ['0', '10', '1', 4.4999999, '4.5'],
    ['0', '1', '1/4', 0.75, '3/4'],
    ['0', '3', '1/2', 2.5, '2 1/2'],
    ['-1', '1', '1/4', -0.25, '-1/4'],
    ['-3', '0', '1/2', -2.5, '-2 1/2'],
    ['0', '100', '10', 37, '37'],
    ['0', '1', '0.1', 0.30000000000000004, '0.3'],
    ['0', '2', '1/4', 2, '2'],
  ])('from %s to %s by %s: %d is %s', (least, most, step, value, text) => {
    expect(scaleValueText(scale(least, most, step), value)).toBe(text)
  })
})

describe('acts', () => {
  const state = on({ tile: { x: 100, y: 100 }, card: { x: 300, y: 300, turn: 350 } })
  it('are moves that the board lets be, or nothing', () => {
    expect(shelveMove(state, pieceId('other'))).toBeNull()
    expect(made(state, shelveMove(state, pieceId('tile'))).pieces).not.toHaveProperty('tile')
    expect(made(state, turnMove(state, edition, pieceId('card'), 15)).pieces[pieceId('card')]!.turn).toBe(5)
    expect(made(state, turnMove(state, edition, pieceId('tile'), -90)).pieces[pieceId('tile')]!.turn).toBe(270)
    expect([turnMove(state, edition, pieceId('other'), 90), flipMove(state, edition, pieceId('card'))]).toEqual([
      null,
      null,
    ])
    expect(turnMove(on({ beside: { x: 5, y: 5 } }), edition, pieceId('beside'), 90)).toBeNull()
    expect(made(state, flipMove(state, edition, pieceId('tile'))).pieces[pieceId('tile')]!.flipped).toBe(true)
    const joined = made(state, joinMove(state, pieceId('tile'), pieceId('card')))
    expect(made(joined, joinMove(joined, pieceId('tile'), pieceId('card'))).arrows).toEqual({})
    expect(joinMove(state, pieceId('card'), pieceId('card'))).toBeNull()
  })
})
