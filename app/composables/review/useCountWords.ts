import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { Stands, Votes } from '~~/core/findings/counts'

/** What a class has voted, and where it stands, in words, each with where it lies from 0 to 1. */
export function useCountWords(edition: () => Edition, counts: () => readonly (Votes | Stands)[]) {
  const { t } = useWords()
  const { headingOf } = useHeadings()
  function nameOf(id: PlaceId): string {
    const known = edition().places.get(id)
    return known ? headingOf(known.place, known.page) : ''
  }
  const rows = computed(() =>
    counts().flatMap(one => {
      if (one.kind === 'vote') {
        const most = Math.max(1, ...one.counts.map(c => c.count))
        return one.counts.map(({ place, count }) => ({
          id: place as string,
          from: 0,
          to: count / most,
          middle: null,
          words: t('walk.votes', { name: nameOf(place), count }),
        }))
      }
      return one.pieces.map(({ piece, count, quartiles }) => {
        const name = pieceName(edition().pieces.get(piece)!.piece)
        if (!quartiles) return { id: piece as string, from: 0, to: 0, middle: null, words: t('walk.noStand', { name }) }
        const [low, middle, high] = quartiles.map(Math.round) as [number, number, number]
        return {
          id: piece as string,
          from: low / 100,
          to: high / 100,
          middle: middle / 100,
          words: t('walk.stands', { name, count, low, middle, high }),
        }
      })
    }),
  )
  return rows
}
