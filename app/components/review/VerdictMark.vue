<script setup lang="ts">
import { SHAPES, type Sign } from '~/composables/board/verdicts'

/** What the key says of something, at a point: told by shape first, by colour as well. */
const { x, y, verdict } = defineProps<{ x: number; y: number; verdict: Sign }>()
</script>

<template>
  <g :transform="`translate(${x} ${y})`" class="pointer-events-none">
    <circle r="11" :fill="SHAPES[verdict].fill" stroke="#fff" stroke-width="2" />
    <path
      :d="SHAPES[verdict].path"
      fill="none"
      :stroke="SHAPES[verdict].ink"
      stroke-width="3"
      stroke-linecap="round"
      stroke-linejoin="round" />
  </g>
</template>
