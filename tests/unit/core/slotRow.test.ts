import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyBoard, type Board } from '../../../core/board/board'
import type { FigureId } from '../../../core/board/ids'
import type { Place } from '../../../core/board/place'
import { group, moveItems, setBoxes } from '../../../core/design/items'
import { withPage } from '../../../core/design/lookup'
import { newPlaces } from '../../../core/design/newPlaces'
import { addPlaces } from '../../../core/design/places'
import { MOST_SLOTS_IN_ROW, setSlotCount, slotsOf } from '../../../core/design/slotRow'
import { boxOf } from '../../../core/geometry/outline'
import { pageId, placeId } from '../../boards'

const page = pageId('page')
let made = 0
const fresh = () => placeId(`s${made++}`)

function rowed(): Board {
  const empty = emptyBoard('Row', page, 1)
  const slots = newPlaces('slots', empty.pages[0]!, fresh)
  return group(
    addPlaces(empty, page, slots),
    page,
    slots.map(slot => slot.id),
  )
}
const slotsIn = (board: Board) => slotsOf(board.pages[0]!, [board.pages[0]!.places[0]!.id])
const counted = (board: Board, count: number) =>
  setSlotCount({ board, pageId: page, ids: slotsIn(board).map(slot => slot.id), count, fresh })

describe('a row of slots', () => {
  it('has as many as are asked for, all alike, evenly apart, on the page, and in one group', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: MOST_SLOTS_IN_ROW }), { minLength: 1, maxLength: 4 }), counts => {
        const board = counts.reduce(counted, rowed())
        const boxes = slotsIn(board).map(boxOf)
        // A group of one is none; the slot is still there.
        expect(board.pages[0]!.places).toHaveLength(counts.at(-1)!)
        if (counts.at(-1)! > 1) expect(boxes).toHaveLength(counts.at(-1)!)
        for (const [i, box] of boxes.entries()) {
          expect(box.width).toBeCloseTo(boxes[0]!.width, 6)
          expect(box.x + box.width).toBeLessThanOrEqual(board.pages[0]!.width)
          if (i > 1) expect(box.x - boxes[i - 1]!.x).toBeCloseTo(boxes[1]!.x - boxes[0]!.x, 6)
          if (i) expect(box.x).toBeGreaterThanOrEqual(boxes[i - 1]!.x + boxes[i - 1]!.width)
        }
      }),
    )
  })
  it('refuses what is no count, and changes nothing then', () => {
    const board = rowed()
    for (const count of [0, -1, 2.5, Number.NaN, MOST_SLOTS_IN_ROW + 1, 3]) expect(counted(board, count)).toBe(board)
  })
  it('keeps the headings it had', () => {
    const named = withPage(rowed(), page, p => ({
      ...p,
      places: p.places.map((place, i) => ({ ...place, heading: `${i}` })),
    }))
    expect(slotsIn(counted(named, 5)).map(slot => slot.heading)).toEqual(['0', '1', '2', '', ''])
    expect(slotsIn(counted(named, 2)).map(slot => slot.heading)).toEqual(['0', '1'])
  })
  it('is none where anything else is among what is chosen', () => {
    const board = rowed()
    const other = newPlaces('lane', board.pages[0]!, fresh)
    const both = addPlaces(board, page, other)
    expect(slotsOf(both.pages[0]!, [...slotsIn(both).map(slot => slot.id), other[0]!.id])).toEqual([])
    expect(slotsOf(both.pages[0]!, [])).toEqual([])
  })
})

describe('lines that are printed between places', () => {
  const slot = (id: string, x: number, y: number, heading = ''): Place => ({
    kind: 'slot',
    id: placeId(id),
    heading,
    shape: { kind: 'rectangle', x, y, width: 100, height: 60 },
  })
  const line = (id: string, from: [number, number], to: [number, number]) => ({
    id: id as FigureId,
    from: { x: from[0], y: from[1] },
    to: { x: to[0], y: to[1] },
    colour: '#333333',
    thickness: 2,
    points: 'one' as const,
  })
  const board = withPage(emptyBoard('Flow', page, 1), page, p => ({
    ...p,
    places: [slot('a', 50, 100), slot('b', 300, 100), slot('c', 300, 350, 'End')],
    backdrop: {
      ...p.backdrop,
      lines: [
        line('ab', [152, 130], [298, 130]),
        line('bc', [350, 162], [350, 308]),
        line('alone', [600, 20], [700, 20]),
      ],
    },
  }))
  const linesOf = (b: Board) => Object.fromEntries(b.pages[0]!.backdrop.lines!.map(l => [l.id, [l.from, l.to]]))
  const move = (ids: readonly string[], dx: number, dy: number) =>
    linesOf(moveItems({ board, pageId: page, ids, dx, dy }))
  const before = linesOf(board)
  it('follow the place they lead to, at either end, over its heading too', () => {
    const lines = move(['b'], 40, 20)
    expect(lines.ab).toEqual([before.ab![0], { x: 338, y: 150 }])
    expect(lines.bc).toEqual([{ x: 390, y: 182 }, before.bc![1]])
    expect(lines.alone).toEqual(before.alone)
    expect(move(['c'], 0, 30).bc).toEqual([before.bc![0], { x: 350, y: 338 }])
  })
  it('go along whole where both ends do, and stay where they were moved themselves', () => {
    expect(move(['a', 'b'], 10, 5).ab).toEqual([
      { x: 162, y: 135 },
      { x: 308, y: 135 },
    ])
    // With a place and its line selected, each is moved once.
    expect(move(['b', 'ab'], 10, 0).ab).toEqual([
      { x: 162, y: 130 },
      { x: 308, y: 130 },
    ])
  })
  it('keep to their share of the rim when a place grows', () => {
    const grown = setBoxes(board, page, new Map([['b', { x: 300, y: 100, width: 200, height: 120 }]]))
    expect(linesOf(grown).ab![1]).toEqual({ x: 298, y: 160 })
    expect(linesOf(grown).bc![0]).toEqual({ x: 400, y: 222 })
  })
})
