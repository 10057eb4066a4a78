import type { Board } from '~~/core/board/board'
import type { Author } from '~~/core/slate/actor'
import type { Here } from '~~/core/sync/presence'
import type { OtherHand } from '~/composables/slate/otherHands'
import type { Member } from '~/composables/slate/useSlate'

interface View {
  be: (change: { readonly [Part in keyof Here]: Here[Part] | undefined }) => void
  hands: Readonly<Ref<readonly OtherHand[]>>
  /** Those too who lead the lesson. */
  others: Readonly<Ref<ReadonlyMap<Author, Here>>>
  own: Author
  members: () => readonly Member[]
  page: Ref<number>
  step: Ref<number>
  board: Board
}

/**
 * Showing one's page to the others, and looking along with somebody who does. Turning a page oneself ends looking
 * along. Whoever is asked to show their page shows it, and the others look along until they let go.
 */
export function useTogether({ be, hands, others, own, members, page, step, board }: View) {
  const { t } = useWords()
  const { say } = useSaying()
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
      be({
        page: now?.id,
        step: now?.steps?.[step.value]?.id,
        presents: presents.value || undefined,
        ...(!presents.value && { points: undefined }),
      })
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

  /** Who was asked to show, as soon as they do. */
  const awaited = ref<Author | null>(null)
  watch([awaited, hands], () => {
    if (!hands.value.some(hand => hand.author === awaited.value && hand.presents)) return
    following.value = awaited.value
    awaited.value = null
  })
  function asked(who: Author, by: Author) {
    awaited.value = who === own ? null : who
    presents.value = who === own
    if (who !== own) return
    const name = members().find(member => authorOf(member) === by)?.name ?? t('together.teacher')
    say(t('together.youShow', { name }))
  }
  const askings = computed(() =>
    [...others.value].flatMap(([author, { asks }]) => (asks ? [`${author} ${asks}`] : [])).join(' | '),
  )
  watch(askings, (now, before) => {
    const known = new Set(before?.split(' | '))
    for (const one of now.split(' | ').filter(one => one && !known.has(one))) {
      const [by, who] = one.split(' ') as [Author, Author]
      asked(who, by)
    }
  })
  const askToShow = useAskingToShow(be)
  /** Somebody who is here shows their page from now on; the others are taken there. */
  function ask(who: Author) {
    if (who === own) return asked(own, own)
    asked(who, own)
    askToShow(who)
  }
  /** What the one who shows a page points at, for those who look along. */
  const pointed = computed(() => {
    const at = following.value && others.value.get(following.value)
    return at && at.presents && at.points && at.page === board.pages[page.value]?.id ? at.points : null
  })
  return { presents, following, ask, pointed }
}
