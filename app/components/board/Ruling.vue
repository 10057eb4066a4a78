<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { drawRuling } from '~~/core/drawing/ruling'

/** The ruling of a page, true to size. */
const { page } = defineProps<{ page: Page }>()
const marks = computed(() => drawRuling(page))
</script>

<template>
  <BoardMarks :marks="marks" data-ruling />
</template>
