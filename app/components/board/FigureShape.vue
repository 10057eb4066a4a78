<script setup lang="ts">
import type { Figure } from '~~/core/board/backdrop'
import { drawFigure } from '~~/core/drawing/backdrop'

/** A fixed shape with its fixed words: printed, like all of the backdrop. */
const { figure } = defineProps<{ figure: Figure }>()
const marks = computed(() => drawFigure(figure))
</script>

<template>
  <BoardMarks :marks="marks" />
</template>
