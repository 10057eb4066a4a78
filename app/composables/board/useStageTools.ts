import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { PIECE_TRAITS } from '~~/core/board/pieceTraits'
import { KEYED_TOOLS, type Tool } from '~~/core/board/tools'
import { toolsAnywhereOn, toolsOn } from '~~/core/slate/own'
import { FIRST_CHOICE, GESTURES, type Choice } from '~~/core/tools/making'

export const TOOL_ICONS = { join: 'lucide:move-up-right', rub: 'lucide:eraser' } as const

const fetchParts = async () => {
  const [{ default: making }, { default: field }, { default: bar }] = await Promise.all([
    import('~/components/board/Making.vue'),
    import('~/components/board/PageField.vue'),
    import('~/components/board/ToolBar.vue'),
    import('~/components/board/OwnBar.vue'),
  ])
  return { making, field, bar }
}

interface Given {
  readonly edition: () => Edition
  readonly page: () => Page
  readonly step: () => string | null
  readonly works: () => boolean
  /** *keyed*: only what a key reads. */
  readonly withTools: () => boolean | 'keyed'
}

/** What the teacher gave to make things with, and which of it is in hand. */
export function useStageTools({ edition, page, step, works, withTools }: Given) {
  /** What is given wherever somebody works here. */
  const mayBeGiven = computed<readonly Tool[]>(() => {
    if (!withTools()) return []
    return withTools() === 'keyed'
      ? toolsAnywhereOn(edition().board, page()).filter(one => KEYED_TOOLS.includes(one))
      : toolsOn(edition().board, page(), step())
  })
  const given = computed(() => (works() ? mayBeGiven.value : []))
  /** Instead of moving pieces: joining them by arrows, rubbing out, or making something. */
  const tool = ref<'move' | 'join' | 'rub' | Tool>('move')
  const making = computed({
    get: () => given.value.find(one => one === tool.value) ?? null,
    set: chosen => (tool.value = chosen ?? 'move'),
  })
  const choice = ref<Choice>(FIRST_CHOICE)
  /** A tool whose things are chosen first and laid then. */
  const gesture = computed(() => making.value && GESTURES[making.value])
  const choosing = computed(() => (making.value === 'picture' || making.value === 'photo' ? making.value : null))
  watch(given, () => tool.value !== 'join' && tool.value !== 'rub' && !making.value && (tool.value = 'move'))

  const drawings = computed(() => page().places.filter(place => place.kind === 'drawing'))
  /** Beside what makes things: arrows between pieces, and a rubber where there is something to rub out. */
  const tools = computed(() => {
    if (!works()) return []
    const draws = drawings.value.length > 0 || given.value.includes('pen') || given.value.includes('highlighter')
    return [...(page().arrows ? ['join' as const] : []), ...(draws ? ['rub' as const] : [])]
  })

  /** Pasted, while pictures are given: it is looked at before it is laid. */
  const pasted = shallowRef<File | null>(null)
  useEventListener(document, 'paste', (event: ClipboardEvent) => {
    const file = [...(event.clipboardData?.files ?? [])].find(one => one.type.startsWith('image/'))
    if (!file || !given.value.includes('picture') || inField(event)) return
    event.preventDefault()
    pasted.value = file
    making.value = 'picture'
  })
  watch(choosing, now => !now && (pasted.value = null))

  // What the tools are made of is there before one can be taken in hand: a tap or a letter typed at once is not lost.
  // Components that are fetched when they are first drawn come a moment late, even where their script has come.
  const parts = shallowRef<Awaited<ReturnType<typeof fetchParts>> | null>(null)
  const wanted = () =>
    works()
    && ((withTools() && toolsAnywhereOn(edition().board, page()).length > 0)
      || page().pieces.some(({ kind }) => PIECE_TRAITS[kind].written))
  const getParts = async () => {
    if (wanted() && !parts.value) parts.value = await fetchParts()
  }
  watch(wanted, getParts, { immediate: true })
  // What couldn't be fetched without a connection is asked for again once there is one.
  useEventListener(window, 'online', getParts)
  watch(
    () => given.value.includes('picture') || given.value.includes('photo'),
    has =>
      has
      && Promise.all([
        import('~/components/board/PictureDialog.vue'),
        import('~/components/board/OwnShape.vue'),
        import('~/components/ui/Dialog.vue'),
      ]),
    { immediate: true },
  )
  return { given, mayBeGiven, tool, making, choice, gesture, choosing, drawings, tools, pasted, parts }
}
