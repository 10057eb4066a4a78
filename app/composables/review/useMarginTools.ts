import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import type { Spoken } from '~~/core/board/clip'
import type { Verdict } from '~~/core/keys/outcome'
import { itemBox } from '~~/core/layout/itemBox'
import type { Anchor, WrittenItem } from '~~/core/margin/item'
import { layOf } from '~~/core/margin/pinned'
import type { SlateState } from '~~/core/slate/state'
import type { MarginEntry } from '~/composables/slate/margin'

/** What can be done with each: ink is drawn, words can be about anything, the others are about cards alone. */
export const MARGIN_TOOLS = {
  look: { icon: 'lucide:mouse-pointer-2', takes: 'nothing' },
  pen: { icon: 'lucide:pen-line', takes: 'ink' },
  highlighter: { icon: 'lucide:highlighter', takes: 'ink' },
  tick: { icon: 'lucide:check', takes: 'anything' },
  note: { icon: 'lucide:message-square-plus', takes: 'anything' },
  spoken: { icon: 'lucide:mic', takes: 'anything' },
  flag: { icon: 'lucide:eye', takes: 'cards' },
  aside: { icon: 'lucide:archive-restore', takes: 'cards' },
} as const
export type MarginTool = keyof typeof MARGIN_TOOLS
/** Those that are used on something that is there. */
type PickingTool = {
  [Tool in MarginTool]: (typeof MARGIN_TOOLS)[Tool]['takes'] extends 'anything' | 'cards' ? Tool : never
}[MarginTool]

interface On {
  readonly edition: Edition
  readonly page: () => Page
  readonly state: () => SlateState
  readonly margin: () => readonly MarginEntry[]
  readonly atWork: () => boolean
  readonly verdictOn: (piece: PieceId) => Verdict | undefined
  readonly add: (item: WrittenItem) => Promise<void>
  readonly remove: (id: string) => Promise<void>
  readonly setAside: (pieces: readonly PieceId[], why: string) => Promise<void>
}

/** The teacher's tools at the margin of a slate: which is in hand, what it can be used on, what waits for words. */
export function useMarginTools(on: On) {
  const { t } = useWords()
  const { nameOf } = useAnchors(
    () => on.edition,
    () => on.state().texts,
  )
  const tool = ref<MarginTool>('look')
  const takes = computed(() => MARGIN_TOOLS[tool.value].takes)
  const picking = computed(() =>
    takes.value === 'anything' || takes.value === 'cards' ? (tool.value as PickingTool) : null,
  )
  /** Only who works has something to think over. */
  const tools = computed(() =>
    (Object.keys(MARGIN_TOOLS) as MarginTool[]).filter(one => one !== 'aside' || on.atWork()),
  )
  /** What words are being found for. */
  const wording = shallowRef<{ readonly as: 'note' | 'spoken'; readonly at: Anchor } | null>(null)
  const chosen = ref<ReadonlySet<PieceId>>(new Set())
  watch([tool, on.page], () => (chosen.value = new Set()))

  /** A bin stays where it is. */
  const cards = computed(() => on.page().pieces.filter(piece => on.state().pieces[piece.id] && !piece.bin))
  const wrong = computed(() => cards.value.filter(piece => on.verdictOn(piece.id) === 'wrong'))
  const anchors = computed<ReadonlyMap<string, Anchor>>(() => {
    const all: Anchor[] = [
      ...(takes.value === 'anything' ? on.page().places.map(place => ({ to: 'place' as const, place: place.id })) : []),
      ...cards.value.map(piece => ({ to: 'piece' as const, piece: piece.id })),
    ]
    return new Map(all.map(anchor => [idOf(anchor), anchor]))
  })
  function boxOf(anchor: Anchor) {
    if (anchor.to !== 'piece') return anchor.to === 'place' ? itemBox(anchor.place, on.page()) : null
    const { x, y } = on.state().pieces[anchor.piece]!
    const { width, height } = on.edition.pieces.get(anchor.piece)!.master
    return { x: x - width / 2, y: y - height / 2, width, height }
  }
  const isChosen = (anchor: Anchor) =>
    tool.value === 'aside' ? anchor.to === 'piece' && chosen.value.has(anchor.piece) : undefined
  const targets = computed(() => {
    const as = picking.value
    if (!as) return []
    return [...anchors.value].flatMap(([id, anchor]) => {
      const box = boxOf(anchor)
      return box
        ? [{ id, box, label: t(`marginDesk.to.${as}`, { name: nameOf(anchor) }), chosen: isChosen(anchor) }]
        : []
    })
  })

  function use(at: Anchor) {
    if (tool.value === 'note' || tool.value === 'spoken') wording.value = { as: tool.value, at }
    else if (tool.value === 'tick') void tick(at)
    else if (at.to === 'piece') useOnCard(at.piece)
  }
  function useOnCard(piece: PieceId) {
    if (tool.value === 'flag') {
      const lay = layOf(on.state().pieces[piece]!)
      void on.add({ kind: 'flag', page: on.page().id, piece, lay })
    } else if (tool.value === 'aside') {
      const others = [...chosen.value].filter(one => one !== piece)
      chosen.value = new Set(chosen.value.has(piece) ? others : [...others, piece])
    }
  }
  /** A tick on what is ticked already takes it away. */
  async function tick(at: Anchor) {
    const there = on.margin().find(({ item }) => item.kind === 'tick' && at.to !== 'spot' && idOf(item.at) === idOf(at))
    if (there) await on.remove(there.id)
    else await on.add({ kind: 'tick', page: on.page().id, at })
  }
  function worded(said: { readonly text: string } | Spoken) {
    const about = wording.value
    wording.value = null
    tool.value = 'look'
    if (!about) return
    const anchored = { page: on.page().id, at: about.at }
    return on.add('text' in said ? { kind: 'note', ...anchored, ...said } : { kind: 'spoken', ...anchored, ...said })
  }
  async function setThemAside(why: string) {
    const these = [...chosen.value]
    tool.value = 'look'
    await on.setAside(these, why)
  }

  return {
    tool,
    tools,
    takes,
    picking,
    cards,
    wrong,
    targets,
    chosen,
    wording,
    nameOf,
    pick: (id: string) => use(anchors.value.get(id)!),
    spot: (at: { readonly x: number; readonly y: number }) => use({ to: 'spot', ...at }),
    worded,
    setThemAside,
  }
}

const idOf = (anchor: Anchor): string =>
  anchor.to === 'piece' ? `piece ${anchor.piece}` : anchor.to === 'place' ? `place ${anchor.place}` : 'spot'
