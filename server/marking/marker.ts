import type { Board } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import { outcomesOf, type Outcomes } from '../../core/keys/outcomes'
import type { SlateState } from '../../core/slate/state'

/** A slate as it is at one of its numbers. */
export interface ToMark {
  readonly id: string
  readonly number: number
  readonly state: SlateState
}
/** Slates over one edition. */
export interface Batch {
  /** The edition's hash. */
  readonly edition: string
  readonly board: Board
  readonly slates: readonly ToMark[]
}
/** One for each slate, in their order; of a slate that couldn't be marked, why. */
export type Marked = readonly (Outcomes | { readonly error: string })[]

/** What runs in a thread of its own: a batch's slates, one after the other. One that can't be marked harms none. */
export default function mark({ edition: hash, board, slates }: Batch): Marked {
  const edition = makeEdition(board)
  return slates.map(({ number, state }) => {
    try {
      return outcomesOf(state, edition, { number, edition: hash })
    } catch (error) {
      return { error: error instanceof Error ? `${error.message}\n${error.stack ?? ''}` : String(error) }
    }
  })
}
