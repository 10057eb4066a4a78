<script setup lang="ts">
import type { Gaps, Writing } from '~~/core/board/place'
import { layoutGaps } from '~~/core/layout/gaps'
import { breakLines } from '~~/core/text/lines'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'
import type { SlateState } from '~~/core/slate/state'

/** What a student has written in a place, as it is read where nobody writes. */
const { place, texts } = defineProps<{ place: Writing | Gaps, texts: SlateState['texts'] }>()
const PADDING = 10
const lines = computed(() => {
  const size = place.textSize
  if (place.kind === 'gaps') {
    return layoutGaps(place).gaps.map(({ x, y, width, height }, i) => ({ text: texts[`${place.id}:${i}`] ?? '', x: x + width / 2, y: y + height / 2 + baselineShift(size), anchor: 'middle' as const }))
  }
  const { x, y, width, height } = place.shape
  const written = (texts[place.id] ?? '').split('\n').flatMap(line => breakLines(line, width - 2 * PADDING, size))
  const first = place.lines === 'many' ? y + PADDING + size * 0.75 : y + height / 2
  return written.map((text, i) => ({ text, x: x + PADDING, y: first + i * LINE_HEIGHT * size + baselineShift(size), anchor: 'start' as const }))
})
</script>

<template>
  <g class="pointer-events-none">
    <text v-for="(line, i) in lines" :key="i" class="board-text" :x="line.x" :y="line.y" :font-size="place.textSize" :text-anchor="line.anchor" fill="#1c3f6b">{{ line.text }}</text>
  </g>
</template>
