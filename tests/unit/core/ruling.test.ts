import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PAGE_SIZES } from '../../../core/design/pages'
import { axesBox, ruled } from '../../../core/layout/ruling'

const MM = 72 / 25.4
const A4 = PAGE_SIZES['a4-high']
const distinct = (numbers: number[]) =>
  [...new Set(numbers.map(n => Math.round(n * 1000) / 1000))].toSorted((a, b) => a - b)
const levels = (kind: Parameters<typeof ruled>[0]['kind'], mm: number) =>
  distinct(
    ruled({ kind, spacing: mm * MM }, A4)
      .lines.filter(l => l.from.y === l.to.y)
      .map(l => l.from.y / MM),
  )
const gaps = (numbers: number[]) => numbers.slice(1).map((n, i) => Math.round((n - numbers[i]!) * 100) / 100)

describe('page sizes', () => {
  it('are those of ISO 216 (A4: 210 mm × 297 mm) and of ANSI/ASME Y14.1 (A: 8.5 in × 11 in)', () => {
    expect(A4.width / MM).toBeCloseTo(210, 9)
    expect(A4.height / MM).toBeCloseTo(297, 9)
    expect([PAGE_SIZES['letter-high'].width / 72, PAGE_SIZES['letter-high'].height / 72]).toEqual([8.5, 11])
    for (const paper of ['a4', 'letter'] as const)
      expect(PAGE_SIZES[`${paper}-wide`]).toEqual({
        width: PAGE_SIZES[`${paper}-high`].height,
        height: PAGE_SIZES[`${paper}-high`].width,
      })
  })

  it('keep the ratio of √2 that ISO 216 asks for, to a millimetre', () => {
    expect(Math.abs(A4.height / MM - 210 * Math.SQRT2)).toBeLessThan(1)
  })
})

describe('rulings are true to size', () => {
  it('squares of 10 mm: 20 lines across the width of A4, and 29 down its height', () => {
    const { lines } = ruled({ kind: 'squares', spacing: 10 * MM }, A4)
    expect(lines.filter(l => l.from.x === l.to.x)).toHaveLength(20)
    expect(levels('squares', 10)).toEqual(Array.from({ length: 29 }, (_, i) => (i + 1) * 10))
  })

  it('lines of 8 mm, and dots of 5 mm', () => {
    expect(new Set(gaps(levels('lines', 8)))).toEqual(new Set([8]))
    const { dots } = ruled({ kind: 'dots', spacing: 5 * MM }, A4)
    expect(dots).toHaveLength(41 * 59)
  })

  it('handwriting guides of 6 mm: four lines 6 mm apart, the writing line strong, the middle line dashed, then a gap', () => {
    const all = gaps(levels('handwriting', 6))
    expect(new Set(all)).toEqual(new Set([6]))
    const { lines } = ruled({ kind: 'handwriting', spacing: 6 * MM }, A4)
    expect(lines.slice(0, 4).map(l => (l.strong ? 'strong' : l.dashed ? 'dashed' : 'plain'))).toEqual([
      'plain',
      'dashed',
      'strong',
      'plain',
    ])
    expect(lines.length % 4).toBe(0)
    expect((lines[4]!.from.y - lines[3]!.from.y) / MM).toBeCloseTo(6, 6)
  })

  it('a stave has five lines, and stands clear of the next', () => {
    expect(gaps(levels('staves', 2)).slice(0, 9)).toEqual([2, 2, 2, 2, 8, 2, 2, 2, 2])
  })

  it('isometric lines rise and fall by 30° on the page, and their triangles have equal sides', () => {
    const side = 10 * MM
    const { lines } = ruled({ kind: 'isometric', spacing: side }, A4)
    const slanted = lines.filter(l => l.from.x !== l.to.x)
    for (const { from, to } of slanted) {
      expect(Math.abs((to.y - from.y) / (to.x - from.x))).toBeCloseTo(Math.tan(Math.PI / 6), 9)
      for (const p of [from, to])
        expect(p.x >= -1e-6 && p.y >= -1e-6 && p.x <= A4.width + 1e-6 && p.y <= A4.height + 1e-6).toBe(true)
    }
    const upright = distinct(lines.filter(l => l.from.x === l.to.x).map(l => l.from.x))
    expect(upright[1]! - upright[0]!).toBeCloseTo((side * Math.sqrt(3)) / 2, 3)
    // On one upright line the rising lines cross a side apart.
    const at = upright[3]!
    const crossings = distinct(
      slanted
        .filter(l => l.to.y < l.from.y && l.from.x <= at && l.to.x >= at)
        .map(({ from, to }) => from.y + ((at - from.x) / (to.x - from.x)) * (to.y - from.y)),
    )
    for (const gap of gaps(crossings)) expect(gap).toBeCloseTo(side, 1)
  })

  it('axes cross in the middle, with a number at each unit but at nought', () => {
    const { numbers, lines } = ruled({ kind: 'axes', spacing: 10 * MM }, A4)
    const { origin } = axesBox(10 * MM, A4)
    expect(lines.filter(l => l.strong)).toHaveLength(2)
    expect(numbers.map(n => n.text)).not.toContain('0')
    const three = numbers.find(n => n.text === '3' && n.at.y > origin.y)!
    expect((three.at.x - origin.x) / MM).toBeCloseTo(30, 6)
    expect(numbers.find(n => n.text === '−2' && Math.abs(n.at.x - origin.x) < 15)!.at.y).toBeCloseTo(
      origin.y + 20 * MM,
      6,
    )
  })

  it('nothing is ruled where a page is smaller than its first line', () => {
    for (const kind of ['squares', 'dots', 'lines', 'handwriting', 'staves', 'none'] as const)
      expect(ruled({ kind, spacing: 200 }, { width: 120, height: 120 }).lines).toEqual([])
  })
})

it('the isometric ruling has all its lines on a page of any size: each kind at equal distances, corner to corner', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 1400 }),
      fc.integer({ min: 200, max: 1400 }),
      fc.integer({ min: 12, max: 120 }),
      (width, height, side) => {
        const { lines } = ruled({ kind: 'isometric', spacing: side }, { width, height })
        const slope = Math.tan(Math.PI / 6)
        for (const direction of [1, -1]) {
          // Where each would meet the left edge, were it long enough.
          const starts = lines
            .filter(
              l =>
                Math.abs(l.to.x - l.from.x) > 1e-6
                && Math.sign((l.to.y - l.from.y) / (l.to.x - l.from.x)) === direction,
            )
            .map(l => Math.round(((l.from.y - direction * slope * l.from.x) / side) * 1e6) / 1e6)
            .toSorted((a, b) => a - b)
          const [least, most] = direction === 1 ? [-width * slope, height] : [0, height + width * slope]
          const wanted = Array.from(
            { length: Math.floor(most / side) - Math.ceil(least / side) + 1 },
            (_, i) => Math.ceil(least / side) + i,
          ).filter(n => n * side > least + 1e-3 && n * side < most - 1e-3)
          expect(starts.filter(start => start * side > least + 1e-3 && start * side < most - 1e-3)).toEqual(wanted)
        }
      },
    ),
    { numRuns: 100 },
  )
})
