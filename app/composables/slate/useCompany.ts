import type { Board } from '~~/core/board/board'
import { shortNames } from '~~/core/roster/names'
import type { Author } from '~~/core/slate/actor'
import { isOfSeveral, type SlateKind } from '~~/core/slate/kind'
import type { Here } from '~~/core/sync/presence'
import type { OtherHand } from '~/composables/slate/otherHands'
import type { Member } from '~/composables/slate/useSlate'

interface View {
  readonly kind: SlateKind
  readonly own: Author
  readonly members: () => readonly Member[]
  readonly others: Readonly<Ref<ReadonlyMap<Author, Here>>>
  readonly be: Parameters<typeof useTogether>[0]['be']
  readonly page: Ref<number>
  readonly step: Ref<number>
  readonly board: Board
}

/** The others on a slate of several: who they are, who is here, what they hold and write in, and who shows a page. */
export function useCompany({ kind, own, members, others, be, page, step, board }: View) {
  const several = isOfSeveral(kind)
  /** On the class's board it is seen at once who wrote what. */
  const named = ref(kind === 'class')
  const short = computed(() => shortNames(members().map(member => member.name)))
  provideAuthorNames(author => {
    const member = several && members().find(one => authorOf(one) === author)
    return member ? short.value(member.name) : null
  })
  const holding = () => otherHands(members(), others.value)
  /** Without what moves with every pointer, so that what shows them isn't drawn anew with it. */
  const hands = computed<readonly OtherHand[]>(before =>
    unlessSame(
      before,
      holding().map(({ holds: _, points: __, ...hand }) => hand),
    ),
  )
  const here = computed(() => new Set(hands.value.map(hand => hand.author)))
  const together = useTogether({ be, hands, others, own, members, page, step, board })
  return { several, named, holding, hands, here, ...together }
}
