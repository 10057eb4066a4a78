import { polygon } from '../../keyBoards'
import fc from 'fast-check'
import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { angleBetween, distanceToLine, evenly, lineThrough } from '../../../core/geometry/line'
import type { Shape } from '../../../core/geometry/shape'
import { axesOf, centroid } from '../../../core/geometry/symmetry'
import { common, unionArea } from '../../../core/geometry/union'

const regular = (n: number, turn = 0): Shape =>
  polygon(
    Array.from({ length: n }, (_, i) => [
      200 + 100 * Math.cos(turn + (i * 2 * Math.PI) / n),
      200 + 100 * Math.sin(turn + (i * 2 * Math.PI) / n),
    ]),
  )

describe('lines of symmetry', () => {
  // A regular polygon has as many as corners (its symmetry group is the dihedral group D_n): H. S. M. Coxeter, "Regular
  // Polytopes", 1.5, from memory.
  it.each([3, 4, 5, 6, 7, 8, 9, 12])('a regular polygon of %i sides has as many', n => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6, noNaN: true }), turn => {
        expect(axesOf(regular(n, turn)).angles).toHaveLength(n)
      }),
      { numRuns: 20 },
    )
  })

  it.each<[string, Shape, readonly number[] | 'all']>([
    [
      'a kite has one, along its diagonal',
      polygon([
        [200, 50],
        [260, 150],
        [200, 350],
        [140, 150],
      ]),
      [90],
    ],
    [
      'a parallelogram has none',
      polygon([
        [100, 100],
        [260, 100],
        [320, 220],
        [160, 220],
      ]),
      [],
    ],
    [
      'a scalene triangle has none',
      polygon([
        [0, 0],
        [200, 20],
        [60, 150],
      ]),
      [],
    ],
    [
      'an isosceles trapezium has one',
      polygon([
        [100, 200],
        [300, 200],
        [250, 100],
        [150, 100],
      ]),
      [90],
    ],
    ['a rectangle has two, not its diagonals', { kind: 'rectangle', x: 0, y: 0, width: 200, height: 100 }, [0, 90]],
    [
      'a rhombus has two, its diagonals',
      polygon([
        [0, 100],
        [150, 0],
        [300, 100],
        [150, 200],
      ]),
      [0, 90],
    ],
    ['an ellipse has two', { kind: 'ellipse', x: 0, y: 0, width: 200, height: 100 }, [0, 90]],
    ['a circle has all through its middle', { kind: 'ellipse', x: 0, y: 0, width: 200, height: 200 }, 'all'],
    [
      'an arrowhead, which is no convex shape, has one',
      polygon([
        [100, 0],
        [200, 200],
        [100, 150],
        [0, 200],
      ]),
      [90],
    ],
  ])('%s (school geometry, from memory)', (_, shape, angles) => {
    const found = axesOf(shape).angles
    if (angles === 'all' || found === 'all') return expect(found).toBe(angles)
    expect(found).toHaveLength(angles.length)
    found.forEach((angle, i) => expect(angleBetween(angle, angles[i]!)).toBeLessThan(0.01))
  })

  it('go through the centre of area, which for a triangle is a third of the sum of its corners', () => {
    const corner = fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }))
    fc.assert(
      fc.property(corner, corner, corner, (a, b, c) => {
        const points = [a, b, c].map(([x, y]) => ({ x, y }))
        const middle = centroid(points)
        expect(middle.x).toBeCloseTo((a[0] + b[0] + c[0]) / 3, 4)
        expect(middle.y).toBeCloseTo((a[1] + b[1] + c[1]) / 3, 4)
      }),
    )
  })
})

describe('the line through a stroke', () => {
  it('of points on a line is that line, whichever way it runs', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 179, noNaN: true }), fc.integer({ min: -300, max: 300 }), (angle, off) => {
        const turn = (angle * Math.PI) / 180
        const points = Array.from({ length: 20 }, (_, i) => ({
          x: off + i * 10 * Math.cos(turn),
          y: 40 + i * 10 * Math.sin(turn),
        }))
        const line = lineThrough(points)!
        expect(angleBetween(line.angle, angle)).toBeLessThan(1e-6)
        expect(line.stray).toBeLessThan(1e-4)
        expect(line.length).toBeCloseTo(190, 6)
      }),
    )
  })

  it('lies between the two regressions of a statistics library, of y on x and of x on y, which it must', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 40 })), {
          minLength: 5,
          maxLength: 30,
        }),
        pairs => {
          const points = pairs.map(([x, noise]) => ({ x, y: 0.5 * x + noise }))
          const line = lineThrough(points)
          fc.pre(line !== null && new Set(points.map(p => p.x)).size > 2)
          const upright = linearRegression(points.map(p => [p.x, p.y])).m
          const across = 1 / linearRegression(points.map(p => [p.y, p.x])).m
          fc.pre(upright > 0.05 && Number.isFinite(across))
          const slope = Math.tan((line!.angle * Math.PI) / 180)
          expect(slope).toBeGreaterThanOrEqual(Math.min(upright, across) - 1e-6)
          expect(slope).toBeLessThanOrEqual(Math.max(upright, across) + 1e-6)
        },
      ),
    )
  })

  it('there is none through a dot; a stroke is walked at equal steps', () => {
    expect(
      lineThrough([
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ]),
    ).toBeNull()
    expect(evenly([{ x: 1, y: 1 }])).toEqual([{ x: 1, y: 1 }])
    const walked = evenly(
      [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 100, y: 0 },
      ],
      10,
    )
    walked.forEach((p, i) => expect(p.x).toBeCloseTo(i * 10, 9))
    expect(distanceToLine({ x: 5, y: 7 }, { through: { x: 0, y: 0 }, angle: 0 })).toBeCloseTo(7, 9)
  })
})

describe('the area under boxes', () => {
  it('is what counting unit squares finds', () => {
    const anyBox = fc.record({
      x: fc.nat(12),
      y: fc.nat(12),
      width: fc.integer({ min: 1, max: 8 }),
      height: fc.integer({ min: 1, max: 8 }),
    })
    fc.assert(
      fc.property(fc.array(anyBox, { maxLength: 7 }), boxes => {
        let count = 0
        for (let x = 0; x < 24; x++)
          for (let y = 0; y < 24; y++)
            if (boxes.some(b => x >= b.x && x < b.x + b.width && y >= b.y && y < b.y + b.height)) count++
        expect(unionArea(boxes)).toBe(count)
        const [a, b] = boxes
        const shared = a && b && common(a, b)
        if (a && b)
          expect(a.width * a.height + b.width * b.height - (shared ? shared.width * shared.height : 0)).toBe(
            unionArea([a, b]),
          )
      }),
    )
  })
})
