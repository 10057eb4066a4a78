import type { PieceId } from '../board/ids'
import type { OnPage, SlateState } from '../slate/state'
import type { Anchor, Lay, MarginInk, MarginItem, PinnedItem, SecondThought } from './item'

/** Points: who put a piece down anew has hardly ever met the same spot. */
const SAME_SPOT = 0.5

export interface Pinned<Item extends PinnedItem = PinnedItem> {
  readonly id: string
  /** From 1, in the order in which they were left; the sign on the page bears it. */
  readonly number: number
  readonly item: Item
}

/** What of a margin has a number. */
export function pinnedItems(margin: readonly { readonly id: string; readonly item: MarginItem }[]): Pinned[] {
  return margin
    .flatMap(({ id, item }) => (item.kind === 'ink' || item.kind === 'tick' ? [] : [{ id, item }]))
    .map((pinned, i) => ({ ...pinned, number: i + 1 }))
}

/** Where a piece lies, without what lies above or below it. */
export const layOf = ({ z: _, ...lay }: OnPage): Lay => lay

/** What each asks the student to do, and whether that is still to be done as the slate stands. */
const STILL_ASKS: {
  readonly [Kind in PinnedItem['kind']]: (item: Extract<PinnedItem, { kind: Kind }>, state: SlateState) => boolean
} = {
  note: () => true,
  spoken: () => true,
  flag({ piece, lay }, state) {
    const now = state.pieces[piece]
    return (
      !!now
      && Math.hypot(now.x - lay.x, now.y - lay.y) <= SAME_SPOT
      && now.turn === lay.turn
      && now.flipped === lay.flipped
    )
  },
  'second-thought': ({ piece }, state) => !state.pieces[piece],
}

/**
 * Whether a pinned item still asks something: a note always, written or spoken, "look again" until the piece was moved,
 * turned or taken away, a second thought until the piece lies on the page again.
 */
export const stillAsks = (item: PinnedItem, state: SlateState): boolean =>
  // An item's kind picks its own rule; TypeScript can't follow that pairing through the lookup.
  (STILL_ASKS[item.kind] as (item: PinnedItem, state: SlateState) => boolean)(item, state)

/** What an item of the margin is about. */
export const anchorOf = (item: Exclude<MarginItem, MarginInk>): Anchor =>
  'at' in item ? item.at : { to: 'piece', piece: item.piece }

/** The pieces that wait for second thoughts, each with what was said of it last. */
export function secondThoughts(
  margin: readonly { readonly id: string; readonly item: MarginItem }[],
  state: SlateState,
): ReadonlyMap<PieceId, SecondThought> {
  return new Map(
    margin.flatMap(({ item }) =>
      item.kind === 'second-thought' && stillAsks(item, state) ? [[item.piece, item] as const] : [],
    ),
  )
}
