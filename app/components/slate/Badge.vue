<script setup lang="ts">
import type { Point, Size } from '~~/core/geometry/shape'

/** A few words on a dark ground, on a page: its upper left corner and its size in points. */
const {
  at,
  size,
  letters,
  words,
  round,
  fill = '#3c494a',
} = defineProps<{ at: Point; size: Size; letters: number; words: string; round: number; fill?: string }>()
</script>

<template>
  <g>
    <rect :x="at.x" :y="at.y" :width="size.width" :height="size.height" :rx="round" :fill="fill" />
    <text
      class="board-text"
      :x="at.x + size.width / 2"
      :y="at.y + size.height / 2 + letters * 0.34"
      :font-size="letters"
      font-weight="700"
      fill="#ffffff"
      text-anchor="middle"
      >{{ words }}</text
    >
  </g>
</template>
