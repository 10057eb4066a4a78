<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { Point } from '~~/core/geometry/shape'
import { textBox } from '~~/core/placement/textBox'
import type { SlateState } from '~~/core/slate/state'
import { textWidth } from '~~/core/text/measure'
import type { OtherHand } from '~/composables/slate/otherHands'

/** Where the others write on a page, and what the one who shows it points at: their leaf and their name beside it. */
const { hands, page, edition, state } = defineProps<{
  hands: readonly OtherHand[]
  page: Page
  edition: Edition
  state: SlateState
  pointed: Point | null
}>()
const [SIZE, HEIGHT, LEAF, AROUND] = [12, 18, 18, 10]
const writers = computed(() => {
  const taken = new Map<string, number>()
  return hands.flatMap(({ author, name, mark, writes }) => {
    const box = writes && textBox(writes, page, state, edition)
    if (!box) return []
    const nth = taken.get(writes) ?? 0
    taken.set(writes, nth + 1)
    const width = LEAF + textWidth(name, SIZE, 'bold') + AROUND
    // Below it, so that no word is covered, nor what stands over it; a second hand beside the first.
    const x = Math.max(0, box.x + box.width - width * (nth + 1))
    const below = box.y + box.height + 2
    const y = below + HEIGHT <= page.height ? below : Math.max(0, box.y - HEIGHT)
    return [{ author, name, mark, box, width, x, y }]
  })
})
</script>

<template>
  <g class="pointer-events-none" aria-hidden="true" data-test="writers">
    <g v-for="one in writers" :key="one.author" :data-writer="one.name">
      <rect
        :x="one.box.x - 2"
        :y="one.box.y - 2"
        :width="one.box.width + 4"
        :height="one.box.height + 4"
        rx="5"
        fill="none"
        stroke="#3c494a"
        stroke-width="2"
        stroke-dasharray="2 4" />
      <rect :x="one.x" :y="one.y" :width="one.width" :height="HEIGHT" rx="9" fill="#3c494a" />
      <svg :x="one.x + 1" :y="one.y" :width="LEAF" :height="LEAF"><ClassGroupMark :mark="one.mark" /></svg>
      <text
        class="board-text"
        :x="one.x + LEAF + 3"
        :y="one.y + HEIGHT / 2 + SIZE * 0.34"
        :font-size="SIZE"
        font-weight="700"
        fill="#ffffff"
        >{{ one.name }}</text
      >
    </g>
    <g
      v-if="pointed"
      class="shown"
      :style="{ transform: `translate(${pointed.x}px, ${pointed.y}px)` }"
      data-test="pointed">
      <circle r="16" fill="#f0c050" fill-opacity="0.45" stroke="#8a5600" stroke-width="2.5" />
      <circle r="3.5" fill="#8a5600" />
    </g>
  </g>
</template>

<style scoped>
.shown {
  transition: transform 110ms linear;
}
</style>
