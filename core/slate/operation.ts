import type { Edition } from '../board/edition'
import type { ThingName } from './hands'
import type { SlateState } from './state'

export type Perform<Move> = (state: SlateState, move: Move, edition: Edition) => SlateState

/**
 * Why a well-formed move can't be made on this slate. *not-allowed*: the board doesn't let students do that there.
 * *full*: more than a slate holds.
 */
export interface MoveRefusal {
  readonly code: 'unknown-piece' | 'off-page' | 'unknown-place' | 'not-allowed' | 'not-your-part' | 'full'
  /** What the move was about. */
  readonly item: string
}

/**
 * One kind of move. Nothing here throws for bad input or changes the state it is given.
 *
 * What may be done is one thing, what a move does is another. `check` is asked of a move that is new, and may become
 * stricter; null where it can be made. `perform` is what a move makes of a slate, also of one that was stored years
 * ago: it is total, asks no leave, and passes over what isn't there. It never changes; where it has to, the moves get
 * another version (`version.ts`) and what it was before stays under `formerly`.
 *
 * `invert` is asked with the state before the move; applying what it returns to the state after gives the state before
 * back.
 * Null for what can't be taken back: a hint that was seen.
 */
export interface Operation<Kind extends string, Move extends { readonly kind: Kind }> {
  readonly kind: Kind
  readonly check: (state: SlateState, move: Move, edition: Edition) => MoveRefusal | null
  readonly perform: Perform<Move>
  /** How moves up to a version are performed, the oldest first. */
  readonly formerly?: readonly { readonly upTo: number; readonly perform: Perform<Move> }[]
  readonly invert: (before: SlateState, move: Move, edition: Edition) => { readonly kind: string } | null
  /** What the move is about. Null: whatever differs afterwards. */
  readonly things: ((move: Move) => readonly ThingName[]) | null
  /**
   * The move about only those things for which this holds; null when nothing is left of it. Without: it goes whole or
   * not at all.
   */
  readonly limitedTo?: (move: Move, keep: (thing: ThingName) => boolean) => Move | null
}

/** What of a kind only those need who make or perform such moves; it may come later than the rest. */
export type LateOperation<Kind extends string, Move extends { readonly kind: Kind }> = Pick<
  Operation<Kind, Move>,
  'kind' | 'check' | 'perform' | 'invert'
>
