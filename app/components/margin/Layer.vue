<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { drawMarginTick, drawPinned } from '~~/core/drawing/margin'
import { anchorOf, pinnedItems, stillAsks, type Pinned } from '~~/core/margin/pinned'
import { spotOf } from '~~/core/margin/spot'
import type { SlateState } from '~~/core/slate/state'
import type { MarginEntry } from '~/composables/slate/margin'

/** The teacher's layer over a page. It takes no pointer: it can be read, not changed. */
const { page, edition, state, margin } = defineProps<{
  page: Page
  edition: Edition
  state: SlateState
  margin: readonly MarginEntry[]
}>()
const { t } = useWords()
const { nameOf, isThere } = useAnchors(
  () => edition,
  () => state.texts,
)
const ink = computed(() =>
  margin.flatMap(({ id, item }) => (item.kind === 'ink' && item.page === page.id ? [{ id, item }] : [])),
)
const ticks = computed(() =>
  margin.flatMap(({ id, item }) => {
    if (item.kind !== 'tick' || item.page !== page.id || !isThere(item.at)) return []
    const at = spotOf(item.at, { page, edition, state })
    return at ? [{ id, ...at, name: nameOf(item.at) }] : []
  }),
)
const pinned = computed(() =>
  pinnedItems(margin)
    .filter(({ item }) => item.page === page.id && stillAsks(item, state) && isThere(anchorOf(item)))
    .flatMap(one => {
      const at = spotOf(anchorOf(one.item), { page, edition, state })
      return at
        ? [{ ...one, name: nameOf(anchorOf(one.item)), marks: drawPinned(one.item.kind, one.number), ...at }]
        : []
    }),
)
const TICK = drawMarginTick()
const SAYS = {
  note: 'margin.noteOn',
  spoken: 'margin.spokenOn',
  flag: 'margin.flagOn',
  'second-thought': 'margin.flagOn',
} as const satisfies Record<Pinned['item']['kind'], string>
</script>

<template>
  <g class="pointer-events-none">
    <MarginInk v-for="{ id, item } in ink" :key="id" :points="item.points" :tip="item.tip" />
    <BoardMarks
      v-for="tick in ticks"
      :key="tick.id"
      :marks="TICK"
      :transform="`translate(${tick.x} ${tick.y})`"
      role="img"
      :aria-label="t('margin.tickOn', { name: tick.name })" />
    <BoardMarks
      v-for="one in pinned"
      :key="one.id"
      :marks="one.marks"
      :transform="`translate(${one.x} ${one.y})`"
      role="img"
      :aria-label="t(SAYS[one.item.kind], { number: one.number, name: one.name })" />
  </g>
</template>
