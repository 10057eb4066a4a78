import type { Edition } from '../board/edition'
import type { Result } from '../result'
import type { ThingName } from './hands'
import type { SlateState } from './state'

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
 * One kind of move. `apply` never throws for bad input and never changes the state it is given.
 * `invert` is asked with the state before the move; applying what it returns to the state after gives the state before
 * back.
 * Null for what can't be taken back: a hint that was seen.
 */
export interface Operation<Kind extends string, Move extends { readonly kind: Kind }> {
  readonly kind: Kind
  readonly apply: (state: SlateState, move: Move, edition: Edition) => Result<SlateState, MoveRefusal>
  readonly invert: (before: SlateState, move: Move, edition: Edition) => { readonly kind: string } | null
  /** What the move is about. Null: whatever differs afterwards. */
  readonly things: ((move: Move) => readonly ThingName[]) | null
  /**
   * The move about only those things for which this holds; null when nothing is left of it. Without: it goes whole or
   * not at all.
   */
  readonly limitedTo?: (move: Move, keep: (thing: ThingName) => boolean) => Move | null
}
