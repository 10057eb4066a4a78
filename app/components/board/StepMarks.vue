<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { breakLines } from '~~/core/text/lines'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

const SIZE = 16
const BADGE = 15

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
    .map((step, i) => ({
      ...step,
      number: i + 1,
      lines: breakLines(step.instructions, Math.max(60, step.width - 2 * BADGE - 20), SIZE).slice(0, 3),
    }))
    .filter(step => only === null || step.id === only),
)
</script>

<template>
  <g class="pointer-events-none">
    <g v-for="step in steps" :key="step.id" :data-thing="step.id">
      <rect
        :x="step.x"
        :y="step.y"
        :width="step.width"
        :height="step.height"
        rx="8"
        :fill="step.id === current ? '#fdf3dc' : 'none'"
        fill-opacity="0.35"
        :stroke="step.id === current ? '#a86a05' : '#93a1a0'"
        :stroke-width="step.id === current ? 3 : 1.5" />
      <circle
        :cx="step.x + BADGE + 4"
        :cy="step.y + BADGE + 4"
        :r="BADGE"
        fill="#e9ad3f"
        stroke="#7a4b00"
        stroke-width="1.5" />
      <text
        class="board-text"
        :x="step.x + BADGE + 4"
        :y="step.y + BADGE + 4 + baselineShift(SIZE, 'bold')"
        :font-size="SIZE"
        font-weight="700"
        text-anchor="middle"
        fill="#14191a"
        >{{ step.number }}</text
      >
      <text
        v-for="(line, i) in step.lines"
        :key="i"
        class="board-text"
        :x="step.x + 2 * BADGE + 12"
        :y="step.y + BADGE + 4 + i * LINE_HEIGHT * SIZE + baselineShift(SIZE)"
        :font-size="SIZE"
        fill="#14191a"
        >{{ line }}</text
      >
    </g>
  </g>
</template>
