<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { SlateState } from '~~/core/slate/state'
import type { OtherHand } from '~/composables/otherHands'

/** What others hold, where they hold it, with whose hand it is. Nobody can take hold of it here. */
const { edition, page, state, hands } = defineProps<{ edition: Edition, page: Page, state: SlateState, hands: () => readonly OtherHand[] }>()
const held = computed(() => hands().flatMap(({ author, name, mark, holds }) => {
  const entry = holds && edition.pieces.get(holds.piece)
  return entry && entry.page.id === page.id ? [{ author, name, mark, ...holds, entry, lies: state.pieces[holds.piece] }] : []
}))
const widthOf = (name: string) => 34 + 8 * name.length
</script>

<template>
  <g class="pointer-events-none" data-test="held-by-others">
    <g v-for="one in held" :key="one.author" class="held" :style="{ transform: `translate(${one.x}px, ${one.y}px)` }">
      <g :transform="one.lies?.turn ? `rotate(${one.lies.turn})` : undefined" opacity="0.85">
        <BoardPieceShape :piece="one.entry.piece" :master="one.entry.master" held :flipped="one.lies?.flipped" :written="state.texts[one.piece]" />
      </g>
      <g :transform="`translate(${-widthOf(one.name) / 2} ${-one.entry.master.height / 2 - 26})`">
        <rect :width="widthOf(one.name)" height="24" rx="6" class="fill-stone-950" />
        <svg x="2" y="1" width="22" height="22"><ClassGroupMark :mark="one.mark" /></svg>
        <text x="28" y="17" font-size="14" font-weight="600" class="board-text fill-white">{{ one.name }}</text>
      </g>
    </g>
  </g>
</template>

<style scoped>
.held { transition: transform 110ms linear; }
</style>
