<script setup lang="ts">
import type { Figure } from '~~/core/board/backdrop'
import { bounds, outline } from '~~/core/geometry/outline'
import { breakLines } from '~~/core/text/lines'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

/** A fixed shape with its fixed words: printed, like all of the backdrop. */
const { figure } = defineProps<{ figure: Figure }>()
const box = computed(() => bounds(outline(figure.shape)))
const PADDING = 6
const face = computed(() => (figure.bold ? ('bold' as const) : ('regular' as const)))
const lines = computed(() =>
  figure.text
    ? breakLines(figure.text, Math.max(40, box.value.width - 2 * PADDING), figure.textSize, { face: face.value })
    : [],
)
const look = computed(() => ({
  fill: figure.fill ?? 'none',
  stroke: figure.line ?? 'none',
  'stroke-width': 2,
  'stroke-linejoin': 'round' as const,
}))
/** From the top where the words start at the left, else about the middle. */
const baseline = (i: number) => {
  const step = LINE_HEIGHT * figure.textSize
  const first = figure.fromLeft
    ? box.value.y + PADDING + step / 2
    : box.value.y + box.value.height / 2 - ((lines.value.length - 1) / 2) * step
  return first + i * step + baselineShift(figure.textSize, face.value)
}
</script>

<template>
  <g>
    <rect
      v-if="figure.shape.kind === 'rectangle'"
      :x="box.x"
      :y="box.y"
      :width="box.width"
      :height="box.height"
      rx="4"
      v-bind="look" />
    <ellipse
      v-else-if="figure.shape.kind === 'ellipse'"
      :cx="figure.shape.x + figure.shape.width / 2"
      :cy="figure.shape.y + figure.shape.height / 2"
      :rx="figure.shape.width / 2"
      :ry="figure.shape.height / 2"
      v-bind="look" />
    <polygon v-else :points="figure.shape.points.map(p => `${p.x},${p.y}`).join(' ')" v-bind="look" />
    <text
      v-for="(line, i) in lines"
      :key="i"
      class="board-text"
      :x="figure.fromLeft ? box.x + PADDING : box.x + box.width / 2"
      :y="baseline(i)"
      :font-size="figure.textSize"
      :font-weight="figure.bold ? 700 : 400"
      fill="#14191a"
      :text-anchor="figure.fromLeft ? 'start' : 'middle'"
      >{{ line }}</text
    >
  </g>
</template>
