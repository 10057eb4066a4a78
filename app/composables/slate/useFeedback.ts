import type { Board } from '~~/core/board/board'
import type { Feedback } from '~~/core/keys/feedback'
import { feedbackShows } from '~~/core/keys/feedbackShows'
import type { NamedGains } from '~~/core/review/gained'
import { kindSign } from '~~/core/drawing/verdict'
import { byNeed } from '~/composables/board/verdicts'
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
  const told = shallowRef<{ readonly items: Feedback[]; readonly gains: NamedGains | null } | null>(null)
  const shows = computed(() => feedbackShows(when(), keyed, status.value))
  const { attempt, trouble, refusal } = useAsking()
  async function look() {
    told.value = (await attempt(() => askFor<NonNullable<typeof told.value>>(`/api/slates/${slate}/feedback`))) ?? null
  }
  /** By itself; a slate that is open again by then, before the news of it has come, isn't spoken of. */
  async function lookUnasked() {
    const at = status.value
    await look()
    if (status.value === at && refusal.value !== 'not-now') return
    told.value = null
    trouble.value = ''
  }
  watch(
    status,
    now => {
      told.value = null
      trouble.value = ''
      if ((now === 'handed-in' || now === 'handed-back') && shows.value) void lookUnasked()
    },
    { immediate: true },
  )
  // A mark on what has changed since would be a lie.
  watch(state, () => {
    if (status.value === 'under-way' || status.value === 'not-opened') told.value = null
  })
  return {
    items: computed(() => told.value?.items ?? null),
    /** What the answers have gained since the try before. */
    gains: computed(() => told.value?.gains ?? null),
    shows,
    trouble,
    ask: look,
    hide: () => (told.value = null),
    // Of two that are about one piece the one that needs a look shows: it comes last.
    onPieces: computed(
      () =>
        new Map(
          (told.value?.items ?? [])
            .toSorted((a, b) => byNeed(b.verdict, a.verdict))
            .flatMap(item => (item.is === 'piece' ? [[item.item, kindSign(item.verdict)] as const] : [])),
        ),
    ),
  }
}
