import type { SlateStatus } from '../slate/status'
import { mean } from './statistics'

/** What became of one handout, for a student or for a class: the share of its points, from 0 to 1. */
export interface Work {
  /** The day on which it was given out, as "2026-11-27". */
  readonly day: string
  /** Its subject and its tags; what a board has none of is in no row. */
  readonly tags: readonly string[]
  /** Null where nobody can say: it has no key, or nothing was done. */
  readonly share: number | null
}
/** What a student has made of one handout. */
export interface StudentWork extends Work {
  readonly handout: string
  readonly slate: string
  readonly title: string
  readonly status: SlateStatus
  /** Whether it was to be handed in. */
  readonly handIn: boolean
  /** The group it was made in; null for what is the student's own. */
  readonly group: string | null
  readonly points: number | null
  readonly mostPoints: number | null
  readonly levels: readonly { readonly criterion: string; readonly level: string }[]
  readonly comment: string
  /** How the class did in it, without a name. */
  readonly classMean: number | null
}

export interface TagYear {
  readonly tag: string
  readonly count: number
  readonly mean: number
  /** The mean of each month, "2026-11", in which there was any, in their order. */
  readonly months: readonly { readonly month: string; readonly mean: number; readonly count: number }[]
  /** From the first month to the last; null where there is one month alone. */
  readonly change: number | null
}

/**
 * How each subject or tag went over a year: the weakest first, ties by name. Tags that differ only in capitals are one,
 * as they were first written; work of which nobody can say counts for nothing.
 */
export function tagsOver(works: readonly Work[]): TagYear[] {
  const byTag = new Map<string, { tag: string; those: { month: string; share: number }[] }>()
  for (const { day, tags, share } of works.toSorted((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))) {
    if (share === null) continue
    for (const tag of new Map(tags.map(one => [one.toLocaleLowerCase(), one])).values()) {
      const known = byTag.get(tag.toLocaleLowerCase()) ?? { tag, those: [] }
      known.those.push({ month: day.slice(0, 7), share })
      byTag.set(tag.toLocaleLowerCase(), known)
    }
  }
  return [...byTag.values()]
    .map(({ tag, those }): TagYear => {
      const months = [...new Set(those.map(one => one.month))].map(month => {
        const shares = those.filter(one => one.month === month).map(one => one.share)
        return { month, mean: mean(shares)!, count: shares.length }
      })
      const change = months.length > 1 ? months.at(-1)!.mean - months[0]!.mean : null
      return { tag, count: those.length, mean: mean(those.map(one => one.share))!, months, change }
    })
    .toSorted((a, b) => a.mean - b.mean || (a.tag < b.tag ? -1 : 1))
}
