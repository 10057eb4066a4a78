import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { Stands, Votes } from '~~/core/findings/counts'

interface CountRow {
  readonly id: string
  readonly from: number
  readonly to: number
  readonly middle: number | null
  readonly turn: number | null
  readonly words: string
}

/**
 * What a class has voted, and where it stands, in words, each with where it lies from 0 to 1, and of a scale's pieces
 * which one it is.
 */
export function useCountWords(edition: () => Edition, counts: () => readonly (Votes | Stands)[]) {
  const { t } = useWords()
  const { headingOf } = useHeadings()
  function nameOf(id: PlaceId): string {
    const known = edition().places.get(id)
    return known ? headingOf(known.place, known.page) : ''
  }
  const rows = computed(() =>
    counts().flatMap((one): CountRow[] => {
      if (one.kind === 'vote') {
        const most = Math.max(1, ...one.counts.map(c => c.count))
        return one.counts.map(({ place, count }) => ({
          id: place,
          from: 0,
          to: count / most,
          middle: null,
          turn: null,
          words: t('walk.votes', { name: nameOf(place), count }),
        }))
      }
      return one.pieces.map(({ piece, count, quartiles }, turn) => {
        const name = pieceName(edition().pieces.get(piece)!.piece)
        if (!quartiles) return { id: piece, from: 0, to: 0, middle: null, turn, words: t('walk.noStand', { name }) }
        const [low, middle, high] = quartiles.map(Math.round) as [number, number, number]
        return {
          id: piece,
          from: low / 100,
          to: high / 100,
          middle: middle / 100,
          turn,
          words: t(low === high ? 'walk.standsAt' : 'walk.stands', { name, count, low, middle, high }),
        }
      })
    }),
  )
  return rows
}
