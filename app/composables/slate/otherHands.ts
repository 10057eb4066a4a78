import { markOf } from '~~/core/groups/marks'
import { shortNames } from '~~/core/roster/names'
import type { Author } from '~~/core/slate/actor'
import type { Here } from '~~/core/sync/presence'
import type { Member } from '~/composables/slate/useSlate'

/** One of the others on a slate, by the name and the leaf that they go by there. */
export interface OtherHand extends Here {
  readonly author: Author
  readonly name: string
  readonly mark: string
}

export const authorOf = ({ hand }: Pick<Member, 'hand'>): Author => `student:${hand}`
/** A member's leaf: the same on every device, for it is the number of the hand. */
export const markOfHand = (hand: number) => markOf(hand - 1)

export function otherHands(members: readonly Member[], others: ReadonlyMap<Author, Here>): OtherHand[] {
  const short = shortNames(members.map(member => member.name))
  return members.flatMap(member => {
    const here = others.get(authorOf(member))
    return here ? [{ ...here, author: authorOf(member), name: short(member.name), mark: markOfHand(member.hand) }] : []
  })
}

/** The list as it was, where the new one says the same: nothing is drawn anew for it. */
export const unlessSame = (
  before: readonly OtherHand[] | undefined,
  now: readonly OtherHand[],
): readonly OtherHand[] => (before && JSON.stringify(before) === JSON.stringify(now) ? before : now)
