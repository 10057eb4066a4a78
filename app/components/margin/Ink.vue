<script setup lang="ts">
import { drawMarginInk } from '~~/core/drawing/margin'
import type { InkTip, MarginInk } from '~~/core/margin/item'

/** A stroke of the teacher's. */
const { points, tip = 'pen' } = defineProps<{ points: MarginInk['points']; tip?: InkTip | undefined }>()
const marks = computed(() => drawMarginInk(points, tip))
</script>

<template>
  <BoardMarks :marks="marks" data-margin="ink" />
</template>
