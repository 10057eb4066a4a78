import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SHARE_BY, shareOut } from '../../../core/groups/shareOut'
import { seeded } from '../../../core/layout/random'

const frames = (...there: number[]) => there.map((count, i) => ({ frame: 'ABCDEFGH'[i]!, there: count }))
const onto = (by: (typeof SHARE_BY)[number], students: number, there: number[], size = 3) =>
  shareOut({
    students: Array.from({ length: students }, (_, i) => i + 1),
    frames: frames(...there),
    by,
    size,
    random: seeded(7),
  })

describe('students who are shared out over frames', () => {
  it('are counted off, as a class counts off in turn (common practice, no source)', () => {
    expect(onto('number', 7, [0, 0, 0]).map(one => one.frame)).toEqual(['A', 'B', 'C', 'A', 'B', 'C', 'A'])
    // Frames with fewer come first.
    expect(onto('number', 3, [2, 0, 1]).map(one => one.frame)).toEqual(['B', 'B', 'C'])
  })
  it('fill frame after frame up to a size, and what is over goes where fewest are', () => {
    expect(onto('size', 8, [1, 0, 0], 2).map(one => one.frame)).toEqual(['A', 'B', 'B', 'C', 'C', 'A', 'B', 'C'])
  })
  it('are each on one frame, and frames alike in size where none was asked for', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHARE_BY),
        fc.integer({ min: 0, max: 40 }),
        fc.array(fc.constant(0), { minLength: 1, maxLength: 8 }),
        (by, students, there) => {
          const shared = onto(by, students, there)
          expect(shared.map(one => one.student).toSorted((a, b) => a - b)).toEqual(
            Array.from({ length: students }, (_, i) => i + 1),
          )
          const sizes = frames(...there).map(({ frame }) => shared.filter(one => one.frame === frame).length)
          if (by !== 'size') expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
        },
      ),
    )
  })
  it('are nowhere where there is no frame', () => expect(onto('number', 3, [])).toEqual([]))
})
