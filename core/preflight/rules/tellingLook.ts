import type { Finding, Rule } from '../finding'

/** The look of the pieces gives the answer away: every home has colours or sizes of its own. */
export const tellingLook: Rule = {
  name: 'telling-look',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      if (key.kind !== 'sort') return []
      const page = board.pages.find(p => p.id === key.page)
      const keyed = page?.pieces.filter(p => key.homes[p.id]?.length) ?? []
      const lookOf = (master: string) => {
        const m = board.masters.find(x => x.id === master)
        return m ? `${m.kind} ${m.colour ?? ''} ${m.width} ${m.height}` : ''
      }
      const homesOf = new Map<string, Set<string>>()
      for (const p of keyed)
        homesOf.set(
          lookOf(p.master),
          (homesOf.get(lookOf(p.master)) ?? new Set()).add(key.homes[p.id]!.toSorted().join(' ')),
        )
      const homes = new Set(keyed.map(p => key.homes[p.id]!.toSorted().join(' ')))
      // Several looks to a home tell as much, as long as each look is shared: where every piece has its own, none does.
      const tells =
        homes.size > 1
        && homesOf.size > 1
        && [...homesOf.values()].every(set => set.size === 1)
        && keyed.length >= 2 * homesOf.size
      return tells
        ? [{ rule: 'telling-look', severity: 'warning', page: key.page, subjects: keyed.map(p => p.id), words: {} }]
        : []
    }),
}
