import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { adjustedRand, fleissKappa, kendallsW, ranksOf } from '../../../core/findings/agreement'
import { homesOf } from '../../../core/findings/homes'
import { clustersOf, groupsAt, leavesOf, togetherness, type Sort } from '../../../core/findings/sorts'
import { seeded } from '../../../core/layout/random'

describe('agreement', () => {
  it('of two sorts is what scikit-learn’s manual says', () => {
    // Examples of sklearn.metrics.adjusted_rand_score.
    expect(adjustedRand(['0', '0', '1', '1'], ['0', '0', '1', '1'])).toBe(1)
    expect(adjustedRand(['0', '0', '1', '1'], ['1', '1', '0', '0'])).toBe(1)
    expect(adjustedRand(['0', '0', '1', '2'], ['0', '0', '1', '1'])).toBeCloseTo(0.57, 2)
    expect(adjustedRand(['0', '0', '0', '0'], ['0', '1', '2', '3'])).toBe(0)
    expect(adjustedRand(['0', '0', '1', '1'], ['0', '1', '0', '1'])).toBeCloseTo(-0.5)
    expect(adjustedRand(['a'], ['a'])).toBeNull()
    expect(adjustedRand(['a', 'a'], ['b', 'b'])).toBe(1)
  })

  it('of sorts that know nothing of each other centres on 0', () => {
    const random = seeded(7)
    const sort = () => Array.from({ length: 14 }, () => 'abc'[Math.floor(random() * 3)]!)
    const all = Array.from({ length: 800 }, () => adjustedRand(sort(), sort())!)
    expect(Math.abs(all.reduce((sum, one) => sum + one, 0) / all.length)).toBeLessThan(0.02)
  })

  it('among many on where things belong is Fleiss’ kappa', () => {
    // The worked example of many handbooks: ten things, fourteen raters, five places; 0.210. From memory.
    const rows = [
      [0, 0, 0, 0, 14],
      [0, 2, 6, 4, 2],
      [0, 0, 3, 5, 6],
      [0, 3, 9, 2, 0],
      [2, 2, 8, 1, 1],
      [7, 7, 0, 0, 0],
      [3, 2, 6, 3, 0],
      [2, 5, 3, 2, 2],
      [6, 5, 2, 1, 0],
      [0, 2, 2, 3, 7],
    ]
    expect(fleissKappa(rows)).toBeCloseTo(0.21, 3)
    expect(
      fleissKappa([
        [4, 0],
        [0, 4],
      ]),
    ).toBe(1)
    expect(
      fleissKappa([
        [4, 0],
        [4, 0],
      ]),
    ).toBe(1)
    expect(fleissKappa([[1, 0]])).toBeNull()
    // One thing tells nothing of chance: two of three would agree less than by chance.
    expect(fleissKappa([[2, 1]])).toBeNull()
    expect(fleissKappa([])).toBeNull()
    expect(
      fleissKappa([
        [2, 0],
        [1, 2],
      ]),
    ).toBeNull()
  })

  it('among many on an order is Kendall’s W', () => {
    // S. Siegel, "Nonparametric statistics for the behavioral sciences", 1956: three who rank six applicants, W = .16.
    // From memory.
    const three = [
      [1, 6, 3, 2, 5, 4],
      [1, 5, 6, 4, 2, 3],
      [6, 3, 2, 5, 4, 1],
    ]
    expect(kendallsW(three)).toBeCloseTo(0.16, 2)
    expect(
      kendallsW([
        [1, 2, 3],
        [1, 2, 3],
      ]),
    ).toBe(1)
    expect(
      kendallsW([
        [1, 2, 3],
        [3, 2, 1],
      ]),
    ).toBe(0)
    expect(
      kendallsW([
        [2, 2, 2],
        [2, 2, 2],
      ]),
    ).toBeNull()
    expect(kendallsW([[1, 2]])).toBeNull()
  })

  it('with ties is 1 when all agree, too', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 2, maxLength: 8 }), values => {
        const ranks = ranksOf(values)
        expect(ranks.reduce((sum, one) => sum + one, 0)).toBeCloseTo((values.length * (values.length + 1)) / 2)
        const w = kendallsW([ranks, ranks, ranks])
        if (new Set(values).size === 1) expect(w).toBeNull()
        else expect(w).toBeCloseTo(1, 10)
      }),
    )
  })
})

describe('sorts of one’s own', () => {
  const pieces = ['a', 'b', 'c', 'd']
  const sorts: Sort[] = [
    { a: 'x', b: 'x', c: 'y', d: 'y' },
    { a: 'p', b: 'p', c: 'p', d: 'q' },
    { a: '1', b: '1', c: '2', d: null },
  ]

  it('lay two pieces together as often as they were, of the sorts that have both', () => {
    const together = togetherness(sorts, pieces)
    expect(together[0]).toEqual([1, 1, 1 / 3, 0])
    expect(together[3]![2]).toBe(1 / 2)
    expect(togetherness([{ a: null, b: 'x' }], ['a', 'b'])[0]![1]).toBeNull()
  })

  it('join by average linkage, and fall apart again at a share', () => {
    const tree = clustersOf(togetherness(sorts, pieces), pieces)!
    expect(groupsAt(tree, 0.9).map(group => group.toSorted())).toEqual(
      expect.arrayContaining([['a', 'b'], ['c'], ['d']]),
    )
    // c and d at one half; both pairs at the mean of 1/3, 1/3, 0 and 0.
    expect('at' in tree && tree.at).toBeCloseTo(1 / 6)
    expect(leavesOf(tree).toSorted()).toEqual(pieces)
    expect(clustersOf([], [])).toBeNull()
    expect(clustersOf([[1]], ['a'])).toEqual({ piece: 'a' })
    expect(leavesOf(null)).toEqual([])
  })

  it('lose no piece, and don’t hang on the order of students', () => {
    const some = fc.array(fc.record(Object.fromEntries(pieces.map(p => [p, fc.constantFrom('x', 'y', null)]))))
    fc.assert(
      fc.property(some, all => {
        const [one, other] = [all, all.toReversed()].map(list => clustersOf(togetherness(list, pieces), pieces))
        expect(leavesOf(one!).toSorted()).toEqual(pieces)
        expect(one).toEqual(other)
      }),
    )
  })

  it('say where each piece went', () => {
    expect(homesOf(sorts, ['d'], ['y', 'q'])).toEqual({ pieces: ['d'], places: ['y', 'q', null], counts: [[1, 1, 1]] })
  })
})
