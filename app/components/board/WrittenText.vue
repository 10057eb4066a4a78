<script setup lang="ts">
import { drawWritten } from '~~/core/drawing/written'
import type { Spot } from '~~/core/layout/written'

/** What a student has written in a spot, as it is read where nobody writes. */
const { spot, text } = defineProps<{ spot: Spot; text: string }>()
const marks = computed(() => drawWritten(spot, text))
</script>

<template>
  <BoardMarks :marks="marks" class="pointer-events-none" />
</template>
