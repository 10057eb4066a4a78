import type { Edition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import type { MarginItem, SecondThought } from '~~/core/margin/item'
import { whatMoved } from '~~/core/placement/whatMoved'
import type { Author } from '~~/core/slate/actor'
import { changedThings, lastHand } from '~~/core/slate/hands'
import type { Feedback } from '~~/core/keys/feedback'
import type { Shut } from '~~/core/slate/status'
import type { SlateState } from '~~/core/slate/state'
import type { OtherHand } from '~/composables/slate/otherHands'
import type { Member } from '~/composables/slate/useSlate'

/** What others do is told together, so often at most. */
const GATHER_MS = 6000

const sameThought = (item: MarginItem, { piece }: SecondThought) =>
  item.kind === 'second-thought' && item.piece === piece

/** What happens on a slate beside the moves of one's own hand, for whoever hears it. */
export function useSlateSaid({
  edition,
  state,
  own,
  several,
  members,
  hands,
  shut,
  told,
  aside,
  margin,
}: {
  readonly edition: Edition
  readonly state: Readonly<Ref<SlateState>>
  readonly own: Author
  readonly several: boolean
  readonly members: () => readonly Member[]
  readonly hands: Readonly<Ref<readonly OtherHand[]>>
  readonly shut: Readonly<Ref<Shut | null>>
  readonly told: Readonly<Ref<readonly Feedback[] | null>>
  /** What the teacher has taken off the page to be thought about again, and all that the teacher has said. */
  readonly aside: Readonly<Ref<ReadonlyMap<PieceId, SecondThought>>>
  readonly margin: Readonly<Ref<readonly { readonly item: MarginItem }[]>>
}) {
  const { t } = useWords()
  const { say } = useSaying()
  const { nameOf, whereIs } = useWhereabouts(() => edition)

  /** Does it, says what has changed by it, and stands at the piece that moved, if it was one. */
  async function undoing(undo: () => void) {
    const before = state.value
    undo()
    const now = state.value
    if (now === before) return
    const moved = whatMoved(before, now, edition)
    const [one, more] = moved
    if (!one || more) return say(t(moved.length ? 'saidOf.undoneSeveral' : 'saidOf.undone', { count: moved.length }))
    say(t('saidOf.undoneOne', { name: nameOf(one.piece, now), where: whereIs(one.to, now) }))
    await nextTick()
    if (
      document.activeElement instanceof HTMLElement
      && !document.activeElement.closest('[role=dialog], input, textarea')
    )
      document.querySelector<HTMLElement>(`[data-piece="${one.piece}"]`)?.focus({ preventScroll: true })
  }

  watch(shut, (now, before) => {
    if (before === 'paused' && now === null) say(t('saidOf.pencilsUp'))
  })

  watch(aside, (now, before) => {
    const names = (ids: PieceId[]) => ids.map(id => nameOf(id, state.value)).join(', ')
    const set = [...now.keys()].filter(id => !before.has(id))
    // What was laid anew has been thought about: that is said by its move.
    const back = [...before].filter(
      ([id, thought]) => !now.has(id) && !margin.value.some(one => sameThought(one.item, thought)),
    )
    if (set.length) say(t('saidOf.setAside', { names: names(set) }))
    if (back.length) say(t('saidOf.putBack', { names: names(back.map(([id]) => id)) }))
  })

  watch(told, items => {
    if (!items?.length) return
    const right = items.filter(item => item.verdict === 'right').length
    say(t(right === items.length ? 'feedback.allRight' : 'saidOf.told', { right, count: items.length }))
  })

  const { headingTold } = useHeadings()
  const writing = new Map<Author, string>()
  let known = state.value
  const gather = useDebounceFn(
    () => {
      const [before, now] = [known, state.value]
      known = now
      const counts = new Map<Author, number>()
      for (const thing of changedThings(before, now)) {
        const by = lastHand(now, thing)
        if (by !== own) counts.set(by, (counts.get(by) ?? 0) + 1)
      }
      const lines = members().flatMap(member => {
        const count = counts.get(authorOf(member))
        return count ? [t('saidOf.others', { name: member.name, count })] : []
      })
      // Who has begun to write, or writes elsewhere now.
      for (const { author, name, writes } of hands.value) {
        const spot = writes && edition.places.get(writes.split(':')[0] as PlaceId)
        if (writes && writing.get(author) !== writes)
          lines.push(
            spot
              ? t('saidOf.writesIn', { name, place: headingTold(spot.place, spot.page, now.texts) })
              : t('saidOf.writes', { name }),
          )
        if (writes) writing.set(author, writes)
        else writing.delete(author)
      }
      if (lines.length) say(lines.join(' '))
    },
    GATHER_MS,
    { maxWait: GATHER_MS },
  )
  if (several) watch([state, hands], () => void gather())
  return { undoing }
}
