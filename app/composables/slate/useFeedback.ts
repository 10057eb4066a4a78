import type { Board } from '~~/core/board/board'
import type { Feedback } from '~~/core/keys/feedback'
import { feedbackShows } from '~~/core/keys/feedbackShows'
import { byNeed, kindSign } from '~/composables/board/verdicts'
import type { SlateStatus } from '~~/core/slate/status'
import type { SlateState } from '~~/core/slate/state'

/**
 * What the key says of a student's own slate: asked for while working, shown by itself once it is handed in or back.
 */
export function useFeedback({
  slate,
  when,
  keyed,
  status,
  state,
}: {
  readonly slate: string
  readonly when: () => Board['feedback']
  readonly keyed: boolean
  readonly status: Readonly<Ref<SlateStatus>>
  readonly state: () => SlateState
}) {
  const items = shallowRef<readonly Feedback[] | null>(null)
  const shows = computed(() => feedbackShows(when(), keyed, status.value))
  const { attempt, trouble } = useAsking()
  async function look() {
    const told = await attempt(() => ask<{ items: Feedback[] }>(`/api/slates/${slate}/feedback`))
    items.value = told?.items ?? null
  }
  watch(
    status,
    now => ((now === 'handed-in' || now === 'handed-back') && shows.value ? void look() : (items.value = null)),
    { immediate: true },
  )
  // A mark on what has changed since would be a lie.
  watch(state, () => {
    if (status.value === 'under-way' || status.value === 'not-opened') items.value = null
  })
  return {
    items,
    shows,
    trouble,
    ask: look,
    hide: () => (items.value = null),
    // Of two that are about one piece the one that needs a look shows: it comes last.
    onPieces: computed(
      () =>
        new Map(
          (items.value ?? [])
            .toSorted((a, b) => byNeed(b.verdict, a.verdict))
            .flatMap(item => (item.is === 'piece' ? [[item.item, kindSign(item.verdict)] as const] : [])),
        ),
    ),
  }
}
