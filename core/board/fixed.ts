import type { Backdrop } from './backdrop'

type Named = { readonly id: string }
/** The lists of a backdrop, and what stands in each. */
export type FixedList = {
  [L in keyof Backdrop]-?: NonNullable<Backdrop[L]> extends readonly Named[] ? L : never
}[keyof Backdrop]
export type FixedIn<L extends FixedList> = NonNullable<Backdrop[L]>[number]
export type FixedThing = FixedIn<FixedList>

/** Every list once, from the back of the page to its front; one that is forgotten doesn't compile. */
const ORDER = { pictures: 0, figures: 1, lines: 2, clips: 3, links: 4 } satisfies Record<FixedList, number>
export const FIXED_LISTS = (Object.keys(ORDER) as FixedList[]).toSorted((a, b) => ORDER[a] - ORDER[b])

/** All that is printed on a page, from the back to the front. */
export const fixedOn = (backdrop: Backdrop): FixedThing[] =>
  FIXED_LISTS.flatMap((list): readonly FixedThing[] => backdrop[list] ?? [])

/** The backdrop with each of its lists changed; a list that isn't there stays away. */
export function withFixed(
  backdrop: Backdrop,
  change: <L extends FixedList>(things: readonly FixedIn<L>[], list: L) => readonly FixedIn<L>[],
): Backdrop {
  return FIXED_LISTS.reduce((now, list) => (now[list] ? withList(now, list, change(now[list], list)) : now), backdrop)
}

/** The backdrop with the things of both, list by list. */
export function withFixedOf(backdrop: Backdrop, more: Backdrop): Backdrop {
  return FIXED_LISTS.reduce(
    (now, list) =>
      more[list] ? withList(now, list, [...(now[list] ?? []), ...more[list]] as FixedIn<typeof list>[]) : now,
    backdrop,
  )
}

const withList = <L extends FixedList>(backdrop: Backdrop, list: L, things: readonly FixedIn<L>[]): Backdrop => ({
  ...backdrop,
  [list]: things,
})
