<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { drawStep } from '~~/core/drawing/steps'

/**
 * The numbered parts of a page, or only one of them, with what is to be done in each; the current one has the light on
 * it.
 */
const {
  page,
  current = null,
  only = null,
} = defineProps<{ page: Page; current?: string | null; only?: string | null }>()
const steps = computed(() =>
  (page.steps ?? [])
    .map((step, i) => ({ id: step.id, marks: drawStep(step, i + 1, step.id === current) }))
    .filter(step => only === null || step.id === only),
)
</script>

<template>
  <g class="pointer-events-none">
    <BoardMarks v-for="step in steps" :key="step.id" :data-thing="step.id" :marks="step.marks" />
  </g>
</template>
