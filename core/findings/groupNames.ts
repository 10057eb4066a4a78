import type { Sort } from './sorts'

/** What students called a group of pieces, with how many did; the most frequent first, ties by the name. */
export interface GroupName {
  readonly name: string
  readonly count: number
}

/**
 * The names that students gave to where they put most of a group: of each sort the place with the most pieces of the
 * group in it, if more than half of what the sort laid of it lies there. Names that differ only in capitals or space
 * are one, as the first wrote it; places without a name count for nothing. `names` are each sort's, by place.
 */
export function namesOfGroup(
  group: readonly string[],
  sorts: readonly Sort[],
  names: readonly Readonly<Record<string, string>>[],
): GroupName[] {
  const counts = new Map<string, { name: string; count: number }>()
  for (const [i, sort] of sorts.entries()) {
    const laid = group.flatMap(piece => sort[piece] ?? [])
    const place = laid.find(one => laid.filter(other => other === one).length * 2 > laid.length)
    const name = place === undefined ? '' : (names[i]?.[place] ?? '').trim()
    if (!name) continue
    const folded = name.toLocaleLowerCase().replaceAll(/\s+/g, ' ')
    const known = counts.get(folded)
    counts.set(folded, { name: known?.name ?? name, count: (known?.count ?? 0) + 1 })
  }
  return [...counts.values()].toSorted((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1))
}
