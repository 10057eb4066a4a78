<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { SlateState } from '~~/core/slate/state'
import { pieceName } from '~~/core/board/pieceName'
import type { MarginEntry } from '~/composables/slate/margin'
import { pinnedItems, stillAsks } from '~~/core/margin/pinned'

/** The teacher's layer over a page. It takes no pointer: it can be read, not changed. */
const { page, edition, state, margin } = defineProps<{
  page: Page
  edition: Edition
  state: SlateState
  margin: readonly MarginEntry[]
}>()
const { t } = useWords()
const ink = computed(() =>
  margin.flatMap(({ id, item }) => (item.kind === 'ink' && item.page === page.id ? [{ id, item }] : [])),
)
const flags = computed(() =>
  pinnedItems(margin)
    .filter(({ item }) => item.page === page.id && stillAsks(item, state))
    .flatMap(note => {
      const at = state.pieces[note.item.piece]
      const entry = edition.pieces.get(note.item.piece)
      return at && entry
        ? [
            {
              ...note,
              name: pieceName(entry.piece),
              x: at.x + entry.master.width / 2 - 4,
              y: at.y - entry.master.height / 2 + 2,
            },
          ]
        : []
    }),
)
</script>

<template>
  <g class="pointer-events-none">
    <MarginInk v-for="{ id, item } in ink" :key="id" :points="item.points" />
    <g
      v-for="flag in flags"
      :key="flag.id"
      :transform="`translate(${flag.x} ${flag.y})`"
      role="img"
      :aria-label="
        t(`margin.${flag.item.kind === 'flag' ? 'flagOn' : 'noteOn'}`, { number: flag.number, name: flag.name })
      ">
      <!-- A note speaks; what is to be looked at again has an eye over it. -->
      <path
        v-if="flag.item.kind === 'note'"
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
      <text class="board-text" y="4.5" x="1" text-anchor="middle" font-size="14" font-weight="700" fill="#fff">{{
        flag.number
      }}</text>
    </g>
  </g>
</template>
