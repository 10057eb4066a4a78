import type { Lies } from '../keys/outcomes'
import type { Scores } from './scores'

/** A wrong place of a piece, with how many put it there. */
export interface WrongHome {
  /** The item's name. */
  readonly item: string
  readonly piece: string
  /** Null: in no place. */
  readonly place: string | null
  readonly count: number
  /** Slates on which it was put anywhere. */
  readonly of: number
}

/**
 * Each piece's wrong homes, the most frequent first; ties in the order of the items. `lies` are the slates' of the
 * scores, in their order.
 */
export function wrongHomes(
  { items, verdicts }: Pick<Scores, 'items' | 'verdicts'>,
  lies: readonly Lies[],
): WrongHome[] {
  return items
    .flatMap(({ name, item, is }, i): WrongHome[] => {
      if (is !== 'piece') return []
      const wrong = lies.flatMap((one, s) => (verdicts[s]?.[i] === 'wrong' && item in one ? [one[item] ?? null] : []))
      const of = lies.filter(one => item in one).length
      return [...new Set(wrong)].map(place => ({
        item: name,
        piece: item,
        place,
        count: wrong.filter(one => one === place).length,
        of,
      }))
    })
    .toSorted((a, b) => b.count - a.count)
}
