import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Box } from '../../../core/geometry/shape'
import { overlaps } from '../../../core/geometry/outline'
import { align, ALIGNMENTS, around, moveAll, sameSize, spaceEvenly, tidy } from '../../../core/layout/arrange'
import { guided } from '../../../core/layout/guides'

const PAGE = { width: 960, height: 480 }
const anyBox = fc.record({
  x: fc.integer({ min: 0, max: 800 }),
  y: fc.integer({ min: 0, max: 400 }),
  width: fc.integer({ min: 10, max: 140 }),
  height: fc.integer({ min: 10, max: 70 }),
})
const anyBoxes = (min: number, max: number) =>
  fc.array(anyBox, { minLength: min, maxLength: max }).map(all => new Map(all.map((box, i) => [`b${i}`, box])))
const onPage = ({ x, y, width, height }: Box) =>
  x >= -1e-9 && y >= -1e-9 && x + width <= PAGE.width + 1e-9 && y + height <= PAGE.height + 1e-9

describe('putting things in line', () => {
  it('brings one edge or middle of all to the same place, and moves nothing along the other axis', () => {
    fc.assert(
      fc.property(anyBoxes(2, 12), fc.constantFrom(...ALIGNMENTS), (boxes, to) => {
        const lined = align(boxes, to)
        const [at, size, other] = ['left', 'centre', 'right'].includes(to)
          ? (['x', 'width', 'y'] as const)
          : (['y', 'height', 'x'] as const)
        const share = { left: 0, top: 0, centre: 0.5, middle: 0.5, right: 1, foot: 1 }[to]
        const lines = [...lined.values()].map(b => b[at] + share * b[size])
        for (const line of lines) expect(line).toBeCloseTo(lines[0]!, 6)
        for (const [id, box] of lined) expect(box[other]).toBe(boxes.get(id)![other])
      }),
    )
  })

  it('makes equal gaps equal to a hundredth of a point, and leaves the outer edges where they are', () => {
    fc.assert(
      fc.property(anyBoxes(3, 12), fc.constantFrom('across' as const, 'down' as const), (boxes, axis) => {
        const [at, size] = axis === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const)
        const order = [...boxes].toSorted(([, a], [, b]) => a[at] + a[size] / 2 - b[at] - b[size] / 2).map(([id]) => id)
        const spaced = spaceEvenly(boxes, axis)
        const gaps = order
          .slice(1)
          .map((id, i) => spaced.get(id)![at] - spaced.get(order[i]!)![at] - spaced.get(order[i]!)![size])
        for (const gap of gaps) expect(Math.abs(gap - gaps[0]!)).toBeLessThan(0.01)
        // Where they overlap, a long one in the middle may reach beyond the outer ones.
        if (gaps[0]! >= 0)
          expect(around(spaced.values())).toMatchObject({
            [at]: expect.closeTo(around(boxes.values())[at], 6),
            [size]: expect.closeTo(around(boxes.values())[size], 6),
          })
      }),
    )
  })

  it('tidies into rows: nothing overlaps, nothing leaves the page, all gaps are equal', () => {
    // 40 of at most 140 by 70 can't all stand on one page; 18 of the largest can (6 columns, 3 rows and more).
    fc.assert(
      fc.property(anyBoxes(2, 18), boxes => {
        const tidied = [...tidy(boxes, PAGE, 12).values()]
        expect(tidied.every(onPage)).toBe(true)
        tidied.forEach((a, i) =>
          tidied
            .slice(i + 1)
            .forEach(b =>
              expect(
                overlaps({ ...a, x: a.x + 1e-6, y: a.y + 1e-6, width: a.width - 2e-6, height: a.height - 2e-6 }, b),
              ).toBe(false),
            ),
        )
        const middles = [...new Set(tidied.map(b => Math.round((b.x + b.width / 2) * 100)))].toSorted((a, b) => a - b)
        const steps = middles.slice(1).map((m, i) => m - middles[i]!)
        for (const step of steps) expect(Math.abs(step - steps[0]!)).toBeLessThanOrEqual(1)
      }),
    )
  })

  it('keeps four in the two rows in which they stood', () => {
    const four = new Map(
      (
        [
          [20, 20],
          [210, 28],
          [24, 180],
          [200, 170],
        ] as const
      ).map(([x, y], i) => [`b${i}`, { x, y, width: 100, height: 50 }]),
    )
    const tidied = tidy(four, PAGE, 16)
    expect(tidied.get('b1')).toMatchObject({ x: 136, y: 20 })
    expect(tidied.get('b2')).toMatchObject({ x: 20, y: 86 })
  })

  it('moves a selection as far as the page allows, without changing how its parts stand to each other', () => {
    fc.assert(
      fc.property(
        anyBoxes(1, 10),
        fc.integer({ min: -2000, max: 2000 }),
        fc.integer({ min: -2000, max: 2000 }),
        (boxes, dx, dy) => {
          const moved = moveAll(boxes, dx, dy, PAGE)
          expect([...moved.values()].every(onPage)).toBe(true)
          const shifts = [...moved].map(([id, box]) => [box.x - boxes.get(id)!.x, box.y - boxes.get(id)!.y])
          for (const shift of shifts)
            expect(shift.map(n => Math.round(n * 1e6))).toEqual(shifts[0]!.map(n => Math.round(n * 1e6)))
        },
      ),
    )
  })

  it('makes all as large as one, on the page', () => {
    fc.assert(
      fc.property(anyBoxes(2, 10), boxes => {
        const same = [...sameSize(boxes, { width: 200, height: 90 }, PAGE).values()]
        expect(same.every(b => b.width === 200 && b.height === 90 && onPage(b))).toBe(true)
      }),
    )
  })
})

describe('guides', () => {
  const box = (x: number, y: number, width = 100, height = 60): Box => ({ x, y, width, height })

  it('pull to an edge that is near, and say where it is', () => {
    expect(guided(box(303, 200), [box(300, 40)], PAGE, 6)).toMatchObject({
      dx: -3,
      dy: 0,
      guides: [{ kind: 'line', axis: 'across', at: 300 }],
    })
  })

  it('pull to the middle of the page', () => {
    expect(guided(box(427, 207), [], PAGE, 6)).toMatchObject({ dx: 3, dy: 3 })
  })

  it('pull to the gap that two neighbours keep, on either side and between', () => {
    const two = [box(100, 100), box(230, 100)]
    expect(guided(box(357, 128), two, PAGE, 6)).toMatchObject({ dx: 3 })
    const between = guided(box(223, 128, 60), [box(100, 100), box(300, 100)], PAGE, 6)
    expect(between).toMatchObject({ dx: -3 })
    expect(between.guides.filter(g => g.kind === 'gap').map(g => g.to - g.from)).toEqual([20, 20])
  })

  it('never pull further than they reach', () => {
    fc.assert(
      fc.property(anyBox, fc.array(anyBox, { maxLength: 8 }), (moving, others) => {
        const { dx, dy } = guided(moving, others, PAGE, 6)
        expect(Math.max(Math.abs(dx), Math.abs(dy))).toBeLessThanOrEqual(6)
      }),
    )
  })
})
