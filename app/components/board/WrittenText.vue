<script setup lang="ts">
import type { Spot } from '~~/core/layout/written'
import { breakLines } from '~~/core/text/lines'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

/** What a student has written in a spot, as it is read where nobody writes. */
const { spot, text } = defineProps<{ spot: Spot; text: string }>()
const PADDING = 10
const lines = computed(() => {
  const {
    box: { x, y, width, height },
    textSize: size,
  } = spot
  if (spot.kind !== 'space')
    return [{ text, x: x + width / 2, y: y + height / 2 + baselineShift(size), anchor: 'middle' as const }]
  const first = spot.lines === 'many' ? y + PADDING + size * 0.75 : y + height / 2
  return text
    .split('\n')
    .flatMap(line => breakLines(line, width - 2 * PADDING, size))
    .map((line, i) => ({
      text: line,
      x: x + PADDING,
      y: first + i * LINE_HEIGHT * size + baselineShift(size),
      anchor: 'start' as const,
    }))
})
</script>

<template>
  <g class="pointer-events-none">
    <text
      v-for="(line, i) in lines"
      :key="i"
      class="board-text"
      :x="line.x"
      :y="line.y"
      :font-size="spot.textSize"
      :font-weight="spot.kind === 'heading' ? 700 : 400"
      :text-anchor="line.anchor"
      fill="#1c3f6b"
      >{{ line.text }}</text
    >
  </g>
</template>
