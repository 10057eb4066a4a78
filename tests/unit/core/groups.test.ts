import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contradiction, fit } from '../../../core/groups/fit'
import { fewestRepeats, repeats, type Grouping } from '../../../core/groups/partners'
import { GroupSearch, LIKENESSES, type GroupTask } from '../../../core/groups/search'
import { groupSizes } from '../../../core/groups/sizes'
import { notKept, type Wish } from '../../../core/groups/wishes'
import { seeded } from '../../../core/layout/random'

const sizesOf = (students: number, size: number) => {
  const made = groupSizes(students, { by: 'size', size })
  return made.ok ? made.value : made.reason
}
const numbers = (n: number) => Array.from({ length: n }, (_, i) => i)

describe('sizes of groups', () => {
  it.each([
    [30, 4, [4, 4, 4, 4, 4, 4, 3, 3]],
    [24, 4, [4, 4, 4, 4, 4, 4]],
    [5, 4, [5]],
    [6, 4, [3, 3]],
    [7, 5, [4, 3]],
    [7, 2, [3, 2, 2]],
    [2, 4, [2]],
    [1, 4, [1]],
    [9, 2, [3, 2, 2, 2]],
    [3, 1, [1, 1, 1]],
    [10, 3, [4, 3, 3]],
    [11, 4, [4, 4, 3]],
  ])('of %i students about %i each', (students, size, sizes) => expect(sizesOf(students, size)).toEqual(sizes))
  it('are refused for nobody, and for numbers that are none', () => {
    expect([sizesOf(0, 4), sizesOf(9, 0), sizesOf(9, 1.5)]).toEqual(['nobody', 'no-such-number', 'no-such-number'])
    expect(groupSizes(3, { by: 'number', number: 4 })).toEqual({ ok: false, reason: 'more-groups-than-students' })
  })
  it('differ by one at most, add up, and nobody is left in one or two who was not meant to be', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 12 }), (students, asked) => {
        for (const made of [
          groupSizes(students, { by: 'size', size: asked }),
          groupSizes(students, { by: 'number', number: Math.min(asked, students) }),
        ]) {
          if (!made.ok) throw new Error(made.reason)
          expect(made.value.reduce((a, b) => a + b)).toBe(students)
          expect(Math.max(...made.value) - Math.min(...made.value)).toBeLessThanOrEqual(1)
        }
        const bySize = sizesOf(students, asked) as number[]
        if (asked >= 3 && students >= 3) expect(Math.min(...bySize)).toBeGreaterThanOrEqual(3)
      }),
    )
  })
})

/** Whether wishes can be kept, by trying every way: for a few students only. */
function canBeKept(students: number, sizes: readonly number[], wishes: readonly Wish[]): boolean {
  const groups = sizes.map(() => [] as number[])
  const place = (student: number): boolean =>
    student === students
      ? notKept(groups, wishes).length === 0
      : groups.some((group, g) => {
          if (group.length >= sizes[g]!) return false
          group.push(student)
          const found = place(student + 1)
          group.pop()
          return found
        })
  return place(0)
}

const someWishes = (students: number) =>
  fc.array(
    fc.record({
      kind: fc.constantFrom('together' as const, 'apart' as const),
      students: fc.uniqueArray(fc.nat(students - 1), { minLength: 2, maxLength: 4 }),
    }),
    { maxLength: 6 },
  )

describe('wishes', () => {
  it("fit or don't, as trying every way says; those that contradict each other are named, and none too many", () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 2, max: 8 })
          .chain(n => fc.tuple(fc.constant(n), fc.integer({ min: 1, max: 4 }), someWishes(n))),
        ([students, size, wishes]) => {
          const sizes = sizesOf(students, size) as number[]
          const found = fit(students, sizes, wishes)
          expect(found.kind === 'fits').toBe(canBeKept(students, sizes, wishes))
          if (found.kind === 'fits') {
            expect(notKept(found.groups, wishes)).toEqual([])
            expect(found.groups.map(g => g.length)).toEqual(sizes)
          }
          const core = contradiction(students, sizes, wishes)
          expect(core.length > 0).toBe(found.kind === 'impossible')
          for (const wish of core)
            expect(
              canBeKept(
                students,
                sizes,
                core.filter(w => w !== wish),
              ),
            ).toBe(true)
        },
      ),
      { numRuns: 300, seed: 11 },
    )
  })
  it('of five who must all be apart in four groups are named together, and no others', () => {
    const apart: Wish[] = numbers(5).flatMap(a => numbers(a).map(b => ({ kind: 'apart' as const, students: [a, b] })))
    const other: Wish = { kind: 'together', students: [8, 9] }
    expect(contradiction(20, [5, 5, 5, 5], [other, ...apart])).toEqual(apart)
  })
})

const task = (students: number, size: number, more: Partial<GroupTask> = {}): GroupTask => ({
  students,
  sizes: sizesOf(students, size) as number[],
  wishes: [],
  levels: numbers(students).map(() => null),
  likeness: 'any',
  past: [],
  random: seeded(3),
  ...more,
})
const found = (of: GroupTask) => {
  const search = new GroupSearch(of)
  while (search.progress < 1) search.run(5000)
  return search.best
}

describe('groups that are looked for', () => {
  it('have everybody once, the sizes that were asked, and every wish kept or named', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 2, max: 16 })
          .chain(n =>
            fc.record({
              n: fc.constant(n),
              size: fc.integer({ min: 1, max: 6 }),
              wishes: someWishes(n),
              likeness: fc.constantFrom(...LIKENESSES),
              levels: fc.array(fc.option(fc.nat(2)), { minLength: n, maxLength: n }),
              seed: fc.nat(),
            }),
          ),
        ({ n, size, wishes, likeness, levels, seed }) => {
          const of = task(n, size, { wishes, likeness, levels, random: seeded(seed) })
          const best = found(of)
          expect(best.groups.flat().toSorted((a, b) => a - b)).toEqual(numbers(n))
          expect(best.groups.map(g => g.length).toSorted()).toEqual([...of.sizes].toSorted())
          expect(best.notKept).toEqual(notKept(best.groups, wishes))
          expect(best.notKept.length > 0).toBe(best.contradiction.length > 0)
          expect(found({ ...of, random: seeded(seed) })).toEqual(best)
        },
      ),
      { numRuns: 25, seed: 5 },
    )
  })
  it('keep two wishes in a class of 30 by fours', () => {
    const wishes: Wish[] = [
      { kind: 'together', students: [0, 1] },
      { kind: 'apart', students: [2, 3, 4] },
    ]
    expect(found(task(30, 4, { wishes })).notKept).toEqual([])
  })
  it('mix three levels so that each group has each, or put like to like', () => {
    const levels = numbers(24).map(i => i % 3)
    const counts = (groups: Grouping) =>
      groups.map(group => [0, 1, 2].map(level => group.filter(s => levels[s] === level).length))
    for (const group of counts(found(task(24, 3, { levels, likeness: 'mixed' })).groups))
      expect(group).toEqual([1, 1, 1])
    const alike = counts(found(task(24, 4, { levels, likeness: 'alike' })).groups)
    expect(alike.filter(group => Math.max(...group) === 4).length).toBe(6)
  })
  it('are chance where nothing is wished: over many seeds everybody meets everybody', () => {
    const past = numbers(60).map(i => found(task(8, 4, { random: seeded(i) })).groups)
    expect(fewestRepeats(8, past)).toBeLessThanOrEqual(repeats(8, past))
    const met = new Set(
      past.flatMap(groups =>
        groups.flatMap(group => group.flatMap(a => group.flatMap(b => (a < b ? [`${a} ${b}`] : [])))),
      ),
    )
    expect(met.size).toBe(28)
  })
})

/**
 * Kirkman's schoolgirls (T. P. Kirkman, The Lady's and Gentleman's Diary, 1850, query VI): 15 walk out in threes on
 * seven days, no two of them twice. The first day turned round by one for each further day, in the way of B. Peirce as
 * told by Rouse Ball, Mathematical Recreations and Essays (the way from memory; that it is a solution is what is
 * checked).
 */
const KIRKMAN: Grouping[] = numbers(7).map(day => {
  const turned = (girl: number) => (girl === 14 ? 14 : girl < 7 ? (girl + day) % 7 : 7 + ((girl - 7 + day) % 7))
  return [
    [14, 0, 7],
    [1, 2, 4],
    [3, 8, 12],
    [5, 11, 13],
    [6, 9, 10],
  ].map(group => group.map(turned))
})

/** So many rounds, one after the other, each with as few repeated pairs as are found. */
function rounds(students: number, size: number, count: number, seed: number): Grouping[] {
  const random = seeded(seed)
  const past: Grouping[] = []
  for (let i = 0; i < count; i++) past.push(found(task(students, size, { past, random })).groups)
  return past
}

describe('new partners each time', () => {
  it("Kirkman's solution has no pair twice, and meets the bound", () => {
    expect([repeats(15, KIRKMAN), fewestRepeats(15, KIRKMAN)]).toEqual([0, 0])
    expect(repeats(15, [...KIRKMAN, KIRKMAN[0]!])).toBe(15)
  })
  it("15 in threes: the last day of Kirkman's is found from the six before it", () => {
    expect(repeats(15, [...KIRKMAN.slice(0, 6), found(task(15, 3, { past: KIRKMAN.slice(0, 6) })).groups])).toBe(0)
  })
  it('15 in threes on seven days, day by day: 7 of 105 pairs at most again (the best there is: none)', () => {
    expect(repeats(15, rounds(15, 3, 7, 1))).toBeLessThanOrEqual(7)
  })
  it('the social golfers of 8 groups of 4: four weeks without a repeat, day by day (ten weeks are known: CSPLib, problem 10)', () => {
    expect(repeats(32, rounds(32, 4, 4, 1))).toBe(0)
  })
  it('4 in pairs meet all partners in three days, and must repeat on the fourth', () => {
    const days = rounds(4, 2, 4, 1)
    expect([repeats(4, days.slice(0, 3)), repeats(4, days), fewestRepeats(4, days)]).toEqual([0, 2, 2])
  })
})
