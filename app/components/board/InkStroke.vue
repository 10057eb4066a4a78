<script setup lang="ts">
import { drawStroke } from '~~/core/drawing/ink'
import type { Stroke } from '~~/core/slate/state'

/** A stroke of the student's pen. */
const { points } = defineProps<{ points: Stroke['points'] }>()
const marks = computed(() => drawStroke(points))
</script>

<template>
  <BoardMarks :marks="marks" class="pointer-events-none" />
</template>
