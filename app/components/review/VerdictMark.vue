<script setup lang="ts">
import type { Verdict } from '~~/core/keys/mark'
import { SHAPES } from '~/composables/verdicts'

/** What the key says of something, at a point: told by shape first, by colour as well. */
const { x, y, verdict } = defineProps<{ x: number, y: number, verdict: Verdict }>()
</script>

<template>
  <g :transform="`translate(${x} ${y})`" class="pointer-events-none">
    <circle r="11" :fill="SHAPES[verdict].fill" stroke="#fff" stroke-width="2" />
    <path :d="SHAPES[verdict].path" fill="none" :stroke="SHAPES[verdict].ink" stroke-width="3" stroke-linecap="round" stroke-linejoin="round" />
  </g>
</template>
