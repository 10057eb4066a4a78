import { ok, refuse, type Result } from '../result'

/** Into so many groups, or into groups of about this size. */
export type Division =
  { readonly by: 'number'; readonly number: number } | { readonly by: 'size'; readonly size: number }
export type DivisionRefusal = 'nobody' | 'no-such-number' | 'more-groups-than-students'

/**
 * Fewer than three in a group of which more were asked for is a group that falls apart when one is ill (common
 * practice, no source).
 */
const SMALLEST_UNASKED = 3

/**
 * How large the groups become, the larger ones first; sizes differ by at most one. By size, the number of groups is the
 * one that keeps nearest to what was asked; of two equally near the smaller groups are taken, so that everybody has
 * more to do, but no group of one or two where more were asked for, unless there are too few students for anything
 * else.
 */
export function groupSizes(students: number, division: Division): Result<number[], DivisionRefusal> {
  const asked = division.by === 'number' ? division.number : division.size
  if (!Number.isInteger(asked) || asked < 1) return refuse('no-such-number')
  if (students < 1) return refuse('nobody')
  if (division.by === 'number')
    return asked > students ? refuse('more-groups-than-students') : ok(evenly(students, asked))
  const fewer = Math.max(1, Math.floor(students / asked))
  const more = Math.ceil(students / asked)
  const smallest = Math.floor(students / more)
  const tooSmall = smallest < Math.min(SMALLEST_UNASKED, asked)
  return ok(
    evenly(students, tooSmall || farthest(students, fewer, asked) < farthest(students, more, asked) ? fewer : more),
  )
}

function evenly(students: number, groups: number): number[] {
  const smaller = Math.floor(students / groups)
  const larger = students - smaller * groups
  return Array.from({ length: groups }, (_, i) => (i < larger ? smaller + 1 : smaller))
}

/** How far the size of any group is from what was asked. */
const farthest = (students: number, groups: number, asked: number) =>
  Math.max(...evenly(students, groups).map(size => Math.abs(size - asked)))
