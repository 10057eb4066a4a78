import type { Board } from '~~/core/board/board'
import type { Author } from '~~/core/slate/actor'
import type { Here } from '~~/core/sync/presence'
import type { OtherHand } from '~/composables/slate/otherHands'

interface View {
  be: (change: { readonly [Part in keyof Here]: Here[Part] | undefined }) => void
  hands: Readonly<Ref<readonly OtherHand[]>>
  page: Ref<number>
  step: Ref<number>
  board: Board
}

/**
 * Showing one's page to the others, and looking along with somebody who does. Turning a page oneself ends looking
 * along.
 */
export function useTogether({ be, hands, page, step, board }: View) {
  const presents = ref(false)
  const following = ref<Author | null>(null)
  /** Where it was led to, told apart from where somebody goes. */
  let led: string | null = null
  let leading = false
  const here = () => `${page.value} ${step.value}`

  watch(
    [page, step, presents],
    () => {
      const now = board.pages[page.value]
      be({ page: now?.id, step: now?.steps?.[step.value]?.id, presents: presents.value || undefined })
      if (following.value && !leading && led !== here()) following.value = null
    },
    { immediate: true },
  )

  const shown = computed(() => hands.value.find(hand => hand.author === following.value && hand.presents))
  watch([shown, following], async ([hand]) => {
    if (!following.value) return
    if (!hand) return void (following.value = null)
    const index = board.pages.findIndex(one => one.id === hand.page)
    if (index < 0) return
    const stepIndex = Math.max(0, board.pages[index]!.steps?.findIndex(one => one.id === hand.step) ?? 0)
    led = `${index} ${stepIndex}`
    leading = true
    const turned = page.value !== index
    page.value = index
    // Turning the page begins its activities anew.
    if (turned) await nextTick()
    step.value = stepIndex
    await nextTick()
    leading = false
  })
  return { presents, following }
}
