import type { Edition } from '../board/edition'
import { measureText } from '../exact/measure'
import { sum } from '../exact/quantity'
import { measureOf } from '../keys/context'
import { markSlate } from '../keys/mark'
import type { KeyMark } from '../keys/outcome'
import { contentsOf } from '../placement/contents'
import { placePieces, type Certainty } from '../placement/placement'
import type { SlateState } from '../slate/state'

export interface Report {
  /** Where each piece lies: every place it is in, or may be in, and its share there. */
  readonly pieces: readonly {
    readonly piece: string
    readonly at: 'ledge' | 'page'
    readonly places: readonly {
      readonly place: string
      readonly share: number
      readonly certainty: Certainty
      readonly cell?: readonly [number, number]
      readonly value?: number
    }[]
  }[]
  /** What each place surely holds, what it may hold, and the exact value of the tiles that it surely holds. */
  readonly places: readonly {
    readonly place: string
    readonly holds: readonly string[]
    readonly unsure: readonly string[]
    readonly value: string | null
  }[]
  readonly keys: readonly KeyMark[]
}

/** All that the software understands of a slate, in the order of the board. */
export function reportOn(state: SlateState, edition: Edition): Report {
  const pages = edition.board.pages.map(page => ({ page, placements: placePieces(state, page, edition) }))
  return {
    pieces: pages.flatMap(({ placements }) =>
      placements.map(({ piece, at, shares }) => ({
        piece,
        at,
        places: shares.map(({ place, share, certainty, cell, value }) => ({
          place,
          share: rounded(share),
          certainty,
          ...(cell && { cell: [cell.row, cell.column] as const }),
          ...(value !== undefined && { value: rounded(value) }),
        })),
      })),
    ),
    places: pages.flatMap(({ page, placements }) =>
      page.places.map(({ id }) => {
        const holds = contentsOf(id, placements, 'in').map(h => h.piece)
        const values = holds.flatMap(held => measureOf({ edition, state }, held) ?? [])
        return {
          place: id,
          holds,
          unsure: contentsOf(id, placements, 'unsure').map(h => h.piece),
          value: values.length ? measureText(sum(values.map(v => v.amount)), values[0]!.dimension) : null,
        }
      }),
    ),
    keys: markSlate(state, edition),
  }
}

/** Shares and positions are lengths; past six places they say nothing. */
const rounded = (n: number) => Math.round(n * 1e6) / 1e6
