<script setup lang="ts">
import type { Line } from '~~/core/board/backdrop'
import { arrowHead } from '~~/core/geometry/arrow'

/** A printed line, with a point at one end, at both or at none. */
const { line } = defineProps<{ line: Line }>()
const drawn = computed(() => {
  const { from, to, thickness, points } = line
  const [length, width] = [8 + 2.5 * thickness, 6 + 2.5 * thickness]
  const end = points === 'none' ? null : arrowHead(from, to, length, width)
  const start = points === 'both' ? arrowHead(to, from, length, width) : null
  return {
    from: start?.foot ?? from,
    to: end?.foot ?? to,
    heads: [start, end].flatMap(head => (head ? [head.corners.map(p => `${p.x},${p.y}`).join(' ')] : [])),
  }
})
</script>

<template>
  <g>
    <line
      :x1="drawn.from.x"
      :y1="drawn.from.y"
      :x2="drawn.to.x"
      :y2="drawn.to.y"
      :stroke="line.colour"
      :stroke-width="line.thickness"
      :stroke-dasharray="line.dashed ? `${line.thickness * 3} ${line.thickness * 2.5}` : undefined" />
    <polygon v-for="(head, i) in drawn.heads" :key="i" :points="head" :fill="line.colour" />
  </g>
</template>
