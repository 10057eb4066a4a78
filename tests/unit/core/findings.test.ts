import fc from 'fast-check'
import { sampleCorrelation, variance as varianceOf } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { changeOf, mcNemar, normalisedGain } from '../../../core/findings/change'
import { wrongTogether } from '../../../core/findings/homes'
import { paceOf } from '../../../core/findings/pace'
import { itemFindings } from '../../../core/findings/items'
import { reliabilityOf } from '../../../core/findings/reliability'
import { scoresOf, totalsOf, type Scores } from '../../../core/findings/scores'
import { keyId } from '../../boards'

/** Scores from rows of points; each item gives as many as it is said to. */
const scores = (points: readonly (readonly (number | null)[])[], of: readonly number[]): Scores => ({
  slates: points.map((_, i) => `s${i}`),
  items: of.map((most, i) => ({ name: `k/i${i}`, key: keyId('k'), item: `i${i}`, is: 'piece', of: most })),
  points,
  verdicts: points.map(row => row.map((one, i) => (one === null ? 'on-the-line' : one === of[i] ? 'right' : 'wrong'))),
})
const bits = (rows: number, items: number) =>
  fc.array(fc.array(fc.integer({ min: 0, max: 1 }), { minLength: items, maxLength: items }), {
    minLength: rows,
    maxLength: rows,
  })

describe('scores', () => {
  const mark = (item: string, verdict: 'right' | 'wrong' | 'on-the-line' | 'noted', points: number, of = 1) => ({
    item,
    is: 'piece' as const,
    verdict,
    points,
    of,
    reason: { code: 'at-home', words: {} },
  })
  const slate = (name: string, ...items: ReturnType<typeof mark>[]) => ({
    slate: name,
    keys: [{ key: keyId('k'), kind: 'sort' as const, points: 0, of: 0, undecided: 0, items }],
    decisions: {},
  })

  it('put the teacher’s word over the key’s; the undecided, and what a slate hasn’t got, nobody can say', () => {
    const read = scoresOf([
      { ...slate('a', mark('x', 'right', 1), mark('y', 'on-the-line', 0)), decisions: { 'k/y': 'right' } },
      slate('b', mark('x', 'wrong', 0), mark('y', 'on-the-line', 0), mark('v', 'noted', 0, 0)),
      slate('c', mark('z', 'right', 3, 3)),
    ])
    expect(read.items.map(item => [item.item, item.of])).toEqual([
      ['x', 1],
      ['y', 1],
      ['z', 3],
    ])
    expect(read.points).toEqual([
      [1, 1, null],
      [0, null, null],
      [null, null, 3],
    ])
    expect(totalsOf(read)).toEqual([2, 0, 3])
  })

  it('of nobody are of nothing', () => {
    expect(scoresOf([])).toEqual({ slates: [], items: [], points: [], verdicts: [] })
    expect(itemFindings(scoresOf([]))).toEqual([])
  })
})

describe('items', () => {
  it('discriminate as the correlation of simple-statistics says, with the item itself left out', () => {
    fc.assert(
      fc.property(bits(9, 4), points => {
        itemFindings(scores(points, [1, 1, 1, 1])).forEach((found, i) => {
          const shares = points.map(row => row[i]!)
          const others = points.map(row => row.reduce((sum, one, j) => sum + (j === i ? 0 : one), 0))
          if (new Set(shares).size === 1 || new Set(others).size === 1) expect(found.discrimination).toBeNull()
          else expect(found.discrimination).toBeCloseTo(sampleCorrelation(shares, others), 10)
        })
      }),
    )
  })

  it('say no other thing of a class in another order', () => {
    fc.assert(
      fc.property(bits(11, 3), points => {
        const [one, other] = [points, points.toReversed()].map(rows => itemFindings(scores(rows, [1, 1, 1])))
        one!.forEach((found, i) => {
          expect(other![i]!.facility).toBeCloseTo(found.facility!, 12)
          expect(other![i]!.upperLower).toBeCloseTo(found.upperLower!, 12)
        })
      }),
    )
  })

  it('are split as Kelley split them: 27 % from above and from below', () => {
    // Eleven students: three in each group. The first item is right for the best three and nobody else.
    const points = Array.from({ length: 11 }, (_, s) => [
      s < 3 ? 1 : 0,
      ...Array.from({ length: 10 }, (_, i) => +(i >= s)),
    ])
    const [first] = itemFindings(
      scores(
        points,
        Array.from({ length: 11 }, () => 1),
      ),
    )
    expect(first!.upperLower).toBe(1)
    expect(first!.facility).toBeCloseTo(3 / 11)
    expect(itemFindings(scores([[1], [0], [1]], [1]))[0]!.upperLower).toBeNull()
  })

  it('count what is undecided and never score it', () => {
    const [found] = itemFindings(scores([[null], [1], [0], [1]], [1]))
    expect(found).toMatchObject({ count: 3, right: 2, wrong: 1, undecided: 1 })
    expect(found!.facility).toBeCloseTo(2 / 3)
  })
})

describe('reliability', () => {
  const many = (rows: number[][]) =>
    scores(
      rows,
      rows[0]!.map(() => 1),
    )

  it('is what formula 20 says, worked from the shares p and q', () => {
    fc.assert(
      fc.property(bits(14, 5), points => {
        const found = reliabilityOf(many(points))
        const totals = points.map(row => row.reduce((sum, one) => sum + one, 0))
        if (new Set(totals).size === 1) return expect(found.kind).toBe('alike')
        const pq = points[0]!.map((_, i) => points.filter(row => row[i]).length / points.length).map(p => p * (1 - p))
        const expected = (5 / 4) * (1 - pq.reduce((a, b) => a + b, 0) / varianceOf(totals))
        expect(found).toMatchObject({ kind: 'kr-20', slates: 14, items: 5 })
        expect('value' in found && found.value).toBeCloseTo(expected, 10)
      }),
    )
  })

  it('of items that are all alike is 1, and alpha keeps Spearman and Brown’s formula', () => {
    const alike = Array.from({ length: 12 }, (_, s) => [s % 2, s % 2, s % 2])
    expect(reliabilityOf(many(alike))).toMatchObject({ kind: 'kr-20' })
    expect((reliabilityOf(many(alike)) as { value: number }).value).toBeCloseTo(1)
    // Two items of one variance that correlate by r are as reliable as 2r / (1 + r): C. Spearman, W. Brown 1910.
    const [xs, ys] = [
      [0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3],
      [0, 1, 2, 3, 1, 0, 3, 2, 0, 1, 2, 3],
    ]
    const r = sampleCorrelation(xs!, ys!)
    const found = reliabilityOf(
      scores(
        xs!.map((x, i) => [x, ys![i]!]),
        [3, 3],
      ),
    ) as { kind: string; value: number }
    expect(found.kind).toBe('alpha')
    expect(found.value).toBeCloseTo((2 * r) / (1 + r), 10)
  })

  it('is not said of few, of one item, or of a class that is all right', () => {
    expect(reliabilityOf(scores([[1]], [1])).kind).toBe('too-few')
    expect(
      reliabilityOf(
        scores(
          Array.from({ length: 12 }, () => [1, 1]),
          [1, 1],
        ),
      ).kind,
    ).toBe('alike')
    expect(
      reliabilityOf(
        scores(
          Array.from({ length: 12 }, (_, s) => [s % 2]),
          [1],
        ),
      ).kind,
    ).toBe('alike')
    expect(
      reliabilityOf(
        scores(
          Array.from({ length: 12 }, () => [null, 1]),
          [1, 1],
        ),
      ).kind,
    ).toBe('too-few')
  })
})

describe('before and after', () => {
  it('is McNemar’s exact test', () => {
    // M. P. Fay, "Exact McNemar's test and matching confidence intervals" (vignette of exact2x2): 9 against 2.
    expect(mcNemar(9, 2)).toBeCloseTo(0.06543, 5)
    expect(mcNemar(2, 9)).toBe(mcNemar(9, 2))
    expect(mcNemar(0, 0)).toBe(1)
    expect(mcNemar(5, 5)).toBe(1)
    // By hand: all six one way, 2 / 2^6.
    expect(mcNemar(6, 0)).toBeCloseTo(2 / 64, 12)
    expect(mcNemar(1000, 0)).toBeLessThan(1e-200)
  })

  it('is Hake’s gain: from 45 % to 70 % is 0.45 of what could be gained', () => {
    expect(normalisedGain(0.45, 0.7)).toBeCloseTo(0.25 / 0.55)
    expect(normalisedGain(1, 1)).toBeNull()
    expect(normalisedGain(null, 1)).toBeNull()
    expect(normalisedGain(0.5, 0.25)).toBe(-0.5)
  })

  it('counts kept, gained and lost on the slates that are in both', () => {
    const before = scores(
      [
        [1, 0],
        [0, 0],
        [1, 1],
        [0, null],
      ],
      [1, 1],
    )
    const after = {
      ...scores(
        [
          [1, 1],
          [1, 0],
          [0, 1],
        ],
        [1, 1],
      ),
      slates: ['s0', 's1', 's2'],
    }
    const change = changeOf(before, after)
    expect(change.slates).toBe(3)
    expect(change.items.map(({ p: _, ...counts }) => counts)).toEqual([
      { name: 'k/i0', keptRight: 1, gained: 1, lost: 1, keptWrong: 0 },
      { name: 'k/i1', keptRight: 1, gained: 1, lost: 0, keptWrong: 1 },
    ])
    expect(change.before).toBeCloseTo(0.5)
    expect(change.after).toBeCloseTo(4 / 6)
  })
})

describe('what goes wrong together', () => {
  it('is wrong on the same slates more often than not', () => {
    const points = [
      [0, 0, 1],
      [0, 0, 1],
      [1, 0, 0],
      [1, 1, 1],
    ]
    expect(wrongTogether(scores(points, [1, 1, 1]))).toEqual([{ one: 'k/i0', other: 'k/i1', both: 2, either: 3 }])
    expect(wrongTogether(scores([[0, 0, 0]], [1, 1, 1]))).toEqual([])
  })
})

describe('how long it took', () => {
  const put = (slate: string, piece: string, seconds: number) => ({ slate, piece, seconds })

  it('is when a piece was first put down, and how long after the one before it', () => {
    const found = paceOf(
      [put('s', 'a', 0), put('s', 'b', 10), put('s', 'c', 70), put('t', 'c', 4), put('t', 'a', 0), put('u', 'b', 20)],
      ['c', 'b', 'a', 'd'],
    )
    expect(found).toEqual([
      { piece: 'a', count: 2, quartiles: [0, 0, 0], after: 0 },
      { piece: 'b', count: 2, quartiles: [12.5, 15, 17.5], after: 15 },
      { piece: 'c', count: 2, quartiles: [20.5, 37, 53.5], after: 32 },
    ])
    expect(paceOf([], ['a'])).toEqual([])
  })
})
