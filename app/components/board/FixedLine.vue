<script setup lang="ts">
import type { Line } from '~~/core/board/backdrop'
import { drawLine } from '~~/core/drawing/backdrop'

/** A printed line. */
const { line } = defineProps<{ line: Line }>()
const marks = computed(() => drawLine(line))
</script>

<template>
  <BoardMarks :marks="marks" />
</template>
