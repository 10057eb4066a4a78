import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { SpectrumKey } from '../keys/spectrum/key'
import type { VoteKey } from '../keys/vote/key'
import type { Scale } from '../board/place'
import { contextOf } from '../keys/context'
import { standOf } from '../keys/spectrum/kind'
import { votesIn } from '../keys/vote/kind'
import type { SlateState } from '../slate/state'

/** What a class has voted: how many pieces lie in each place on all slates together, in the order of the key. */
export interface Votes {
  readonly kind: 'vote'
  readonly key: VoteKey
  readonly counts: readonly { readonly place: PlaceId; readonly count: number }[]
}

/**
 * Where a class stands on each question: how many took a stand, and the quartiles in percent of the way; null for
 * nobody.
 */
export interface Stands {
  readonly kind: 'spectrum'
  readonly key: SpectrumKey
  readonly pieces: readonly {
    readonly piece: PieceId
    readonly count: number
    /** In whole percent of the way, the least first: nobody's name hangs on them. */
    readonly stands: readonly number[]
    readonly quartiles: readonly [number, number, number] | null
  }[]
}

/** What is counted on a board and never scored, summed up over slates, in the order of the keys. */
export function countsOf(states: readonly SlateState[], edition: Edition): (Votes | Stands)[] {
  const contexts = (key: VoteKey | SpectrumKey) => states.flatMap(state => contextOf(key, state, edition) ?? [])
  return edition.board.keys.flatMap((key): (Votes | Stands)[] => {
    if (key.kind === 'vote') {
      const slates = contexts(key)
      const counts = key.places.map(place => ({
        place,
        count: slates.reduce((sum, slate) => sum + votesIn(place, slate), 0),
      }))
      return [{ kind: 'vote', key, counts }]
    }
    if (key.kind !== 'spectrum') return []
    const scale = edition.places.get(key.scale)?.place
    const slates = scale?.kind === 'scale' ? contexts(key) : []
    return [
      {
        kind: 'spectrum',
        key,
        pieces: key.pieces.map(piece => {
          const stands = slates
            .flatMap(slate => slate.named(piece))
            .flatMap(placement => standOf(placement, scale as Scale) ?? [])
            .toSorted((a, b) => a - b)
          const quartiles = [quantile(stands, 0.25), quantile(stands, 0.5), quantile(stands, 0.75)] as const
          return { piece, count: stands.length, stands, quartiles: stands.length ? quartiles : null }
        }),
      },
    ]
  })
}

/**
 * The value at a share of the way through sorted values, between two of them in proportion (R. J. Hyndman and Y. Fan,
 * "Sample quantiles in statistical packages", The American Statistician 50, 1996, definition 7). Not for none.
 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share
  const [low, high] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!]
  return low + (high - low) * (at - Math.floor(at))
}
