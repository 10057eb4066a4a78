import type { Scores } from './scores'
import { totalsOf } from './scores'
import { mean } from './statistics'

/** A group's frame beside what its members made alone, as shares of all points from 0 to 1. */
export interface GroupAlone {
  readonly slate: string
  readonly together: number
  /** The mean of those members who have one alone, and the best of them. */
  readonly alone: number
  readonly best: number
  readonly members: number
}

/**
 * Groups compared with the same students alone, in the order of the frames. `members` are the students of each frame,
 * `makers` whose each slate of the other handout is. Frames of which nobody has a slate alone are left out.
 */
export function groupsAlone(
  frames: Scores,
  alone: Scores,
  {
    members,
    makers,
  }: {
    readonly members: Readonly<Record<string, readonly string[]>>
    readonly makers: Readonly<Record<string, string>>
  },
): GroupAlone[] {
  const [together, single] = [sharesOf(frames), sharesOf(alone)]
  return frames.slates.flatMap((slate): GroupAlone[] => {
    const those = alone.slates.flatMap(other => {
      const [student, share] = [makers[other], single.get(other)]
      return student !== undefined && share !== undefined && members[slate]?.includes(student) ? [share] : []
    })
    const share = together.get(slate)
    if (those.length === 0 || share === undefined) return []
    return [{ slate, together: share, alone: mean(those)!, best: Math.max(...those), members: those.length }]
  })
}

/** Of all points the share that each slate has; none where there are no points. */
function sharesOf(scores: Scores): ReadonlyMap<string, number> {
  const of = scores.items.reduce((all, item) => all + item.of, 0)
  if (of === 0) return new Map()
  const totals = totalsOf(scores)
  return new Map(scores.slates.map((slate, i) => [slate, totals[i]! / of]))
}
