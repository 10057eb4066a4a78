import type { PieceId } from '../board/ids'
import { keyName } from '../keys/context'
import type { Scores } from './scores'
import type { Sort } from './sorts'

/** Where a class put its pieces. */
export interface Homes {
  readonly pieces: readonly string[]
  /** Places in which something lies, in the order given; then null: in none. */
  readonly places: readonly (string | null)[]
  /** Pieces × places: how many put it there. */
  readonly counts: readonly (readonly number[])[]
}

/**
 * Pieces × places over all sorts; a piece that a sort doesn't have isn't counted there. Under the name of a bin stand
 * all copies that were taken from it.
 */
export function homesOf(sorts: readonly Sort[], pieces: readonly string[], places: readonly string[]): Homes {
  const columns = [...places, null]
  const [row, column] = [indexOf(pieces), indexOf(columns)]
  const counts = pieces.map(() => columns.map(() => 0))
  for (const sort of sorts)
    for (const [piece, place] of Object.entries(sort)) {
      const [i, j] = [row.get(piece) ?? row.get(keyName(piece as PieceId)), column.get(place)]
      if (i !== undefined && j !== undefined) counts[i]![j]!++
    }
  return { pieces, places: columns, counts }
}

const indexOf = <T>(values: readonly T[]) => new Map<T, number>(values.map((value, i) => [value, i]))

/** Two items that go wrong together more often than chance would have it. */
export interface WrongPair {
  readonly one: string
  readonly other: string
  readonly both: number
  /** Slates on which at least one of them is wrong. */
  readonly either: number
}

/**
 * Pairs of items that are wrong on the same slates: at least on two, and on more than half of those on which one of
 * them is. The most frequent first; ties by the items' order. P. Jaccard's index, "Étude comparative de la distribution
 * florale", 1901.
 */
export function wrongTogether({ items, verdicts }: Pick<Scores, 'items' | 'verdicts'>): WrongPair[] {
  const wrong = items.map((_, i) => new Set(verdicts.flatMap((row, s) => (row[i] === 'wrong' ? [s] : []))))
  return items
    .flatMap((one, i) =>
      items.slice(i + 1).flatMap((other, d): WrongPair[] => {
        const [a, b] = [wrong[i]!, wrong[i + 1 + d]!]
        const both = [...a].filter(s => b.has(s)).length
        const either = a.size + b.size - both
        return both >= 2 && both * 2 > either ? [{ one: one.name, other: other.name, both, either }] : []
      }),
    )
    .toSorted((a, b) => b.both - a.both || a.either - b.either)
}
