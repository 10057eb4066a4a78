<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
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
      return at ? [{ ...one, name: nameOf(anchorOf(one.item)), ...at }] : []
    }),
)
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
    <g
      v-for="tick in ticks"
      :key="tick.id"
      :transform="`translate(${tick.x} ${tick.y})`"
      role="img"
      :aria-label="t('margin.tickOn', { name: tick.name })">
      <path
        d="M-11 1l7 8L11 -12"
        class="fill-none stroke-white"
        stroke-width="8"
        stroke-linecap="round"
        stroke-linejoin="round" />
      <path
        d="M-11 1l7 8L11 -12"
        class="fill-none stroke-bilberry-700"
        stroke-width="4.5"
        stroke-linecap="round"
        stroke-linejoin="round" />
    </g>
    <g
      v-for="one in pinned"
      :key="one.id"
      :transform="`translate(${one.x} ${one.y})`"
      role="img"
      :aria-label="t(SAYS[one.item.kind], { number: one.number, name: one.name })">
      <!-- A note speaks, and sounds where it is spoken; what is to be looked at again has an eye over it. -->
      <path
        v-if="one.item.kind === 'note' || one.item.kind === 'spoken'"
        d="M-11 -11h22a3 3 0 0 1 3 3v14a3 3 0 0 1 -3 3h-14l-8 8z"
        class="fill-bilberry-700 stroke-white"
        stroke-width="1.5" />
      <template v-else>
        <path d="M-17 0Q0 -23 17 0Q0 23 -17 0z" class="fill-bilberry-700 stroke-white" stroke-width="1.5" />
        <path
          d="M-12 -9l-4 -5M0 -13v-6M12 -9l4 -5"
          class="stroke-bilberry-700"
          stroke-width="2.5"
          stroke-linecap="round" />
      </template>
      <path
        v-if="one.item.kind === 'spoken'"
        d="M19 -6q4 6 0 12M24 -10q7 10 0 20"
        class="fill-none stroke-bilberry-700"
        stroke-width="2.5"
        stroke-linecap="round" />
      <text class="board-text" y="4.5" x="1" text-anchor="middle" font-size="14" font-weight="700" fill="#fff">{{
        one.number
      }}</text>
    </g>
  </g>
</template>
