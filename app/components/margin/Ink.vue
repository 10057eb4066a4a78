<script setup lang="ts">
import type { InkTip, MarginInk } from '~~/core/margin/item'
import { inkPath } from '~/composables/board/inkPath'

/** A stroke of the teacher's, in the colour that belongs to the margin alone. */
const { points, tip = 'pen' } = defineProps<{ points: MarginInk['points']; tip?: InkTip | undefined }>()
const WIDTHS = { pen: 5, highlighter: 20 } as const
/** A highlighter is as broad everywhere, however it is pressed. */
const path = computed(() => inkPath(tip === 'pen' ? points : points.map(([x, y]) => [x, y]), WIDTHS[tip]))
</script>

<template>
  <path :d="path" :class="tip === 'pen' ? 'fill-bilberry-700' : 'fill-bilberry-500 opacity-35 mix-blend-multiply'" />
</template>
