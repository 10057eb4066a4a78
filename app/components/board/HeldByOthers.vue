<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { SlateState } from '~~/core/slate/state'
import type { OtherHand } from '~/composables/slate/otherHands'

/**
 * What others hold, where they hold it, with whose hand it is. Nobody can take hold of it here. Each stands over the
 * page in a layer of its own, so that it glides without the page being drawn anew. `scale`: CSS pixels for a point of
 * the page.
 */
const { edition, page, state, scale, hands } = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  scale: number
  hands: () => readonly OtherHand[]
}>()
const held = computed(() =>
  hands().flatMap(({ author, name, mark, holds }) => {
    const entry = holds && edition.pieces.get(holds.piece)
    return entry && entry.page.id === page.id
      ? [{ author, name, mark, ...holds, entry, lies: state.pieces[holds.piece] }]
      : []
  }),
)
const widthOf = (name: string) => 34 + 8 * name.length
</script>

<template>
  <div class="pointer-events-none absolute inset-0 overflow-hidden" data-test="held-by-others">
    <svg
      v-for="one in held"
      :key="one.author"
      class="held absolute left-0 top-0 origin-top-left overflow-visible will-change-transform"
      width="1"
      height="1"
      :style="{ transform: `translate(${one.x * scale}px, ${one.y * scale}px) scale(${scale})` }">
      <g :transform="one.lies?.turn ? `rotate(${one.lies.turn})` : undefined" opacity="0.85">
        <BoardPieceShape
          :piece="one.entry.piece"
          :master="one.entry.master"
          held
          :flipped="one.lies?.flipped"
          :written="state.texts[one.piece]" />
      </g>
      <g :transform="`translate(${-widthOf(one.name) / 2} ${-one.entry.master.height / 2 - 26})`">
        <rect :width="widthOf(one.name)" height="24" rx="6" class="fill-stone-950" />
        <svg x="2" y="1" width="22" height="22"><ClassGroupMark :mark="one.mark" /></svg>
        <text x="28" y="17" font-size="14" font-weight="600" class="board-text fill-white">{{ one.name }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.held {
  transition: transform 110ms linear;
}
</style>
