<script setup lang="ts">
import type { Place } from '~~/core/board/place'
import { boxOf } from '~~/core/design/zones'
import { breakLines } from '~~/core/text/lines'

const HEADING_SIZE = 20

const { place, lit = false } = defineProps<{ place: Place, lit?: boolean }>()
const box = computed(() => boxOf(place))
const heading = computed(() => place.heading && place.kind !== 'pin' ? breakLines(place.heading, box.value.width, HEADING_SIZE, 'bold').slice(0, 2) : [])
/** Dashes say "put it here"; a scale and a lane have lines of their own. */
const dashed = computed(() => place.kind === 'zone' || place.kind === 'slot' || place.kind === 'pan')
const look = computed(() => ({
  'fill': lit ? '#fdf3dc' : '#ffffff', 'fill-opacity': lit ? 0.9 : 0.45,
  // A number line is its own line, and needs no frame but while something is held over it.
  'stroke': lit ? '#a86a05' : place.kind === 'scale' ? 'none' : '#526061', 'stroke-width': lit ? 2.5 : 1.6, 'stroke-dasharray': lit || !dashed.value ? undefined : '7 5',
}))
/** The lines between the cells of a grid. */
const rules = computed(() => {
  if (place.kind !== 'grid') return ''
  const { x, y, width, height } = box.value
  const { rows, columns } = place
  const across = Array.from({ length: rows - 1 }, (_, i) => `M${x} ${y + (i + 1) * height / rows}h${width}`)
  const down = Array.from({ length: columns - 1 }, (_, i) => `M${x + (i + 1) * width / columns} ${y}v${height}`)
  return [...across, ...down].join('')
})
/** A small arrow in the corner where a lane begins. */
const laneArrow = computed(() => {
  if (place.kind !== 'lane') return ''
  const { x, y, width } = box.value
  if (place.direction === 'column') return `M${x + 14} ${y + 10}v22m-6 -7l6 7l6 -7`
  return place.fromRight ? `M${x + width - 10} ${y + 14}h-22m7 -6l-7 6l7 6` : `M${x + 10} ${y + 14}h22m-7 -6l7 6l-7 6`
})
</script>

<template>
  <g>
    <text
      v-for="(line, i) in heading" :key="i" class="board-text" :x="box.x + box.width / 2" :y="box.y - 12 - (heading.length - 1 - i) * HEADING_SIZE"
      :font-size="HEADING_SIZE" font-weight="700" fill="#1d2526" text-anchor="middle"
    >{{ line }}</text>
    <rect v-if="place.shape.kind === 'rectangle'" :x="box.x" :y="box.y" :width="box.width" :height="box.height" rx="10" v-bind="look" />
    <ellipse
      v-else-if="place.shape.kind === 'ellipse'" :cx="box.x + box.width / 2" :cy="box.y + box.height / 2"
      :rx="box.width / 2" :ry="box.height / 2" v-bind="look"
    />
    <polygon v-else :points="place.shape.points.map(p => `${p.x},${p.y}`).join(' ')" v-bind="look" />
    <BoardScaleMarks v-if="place.kind === 'scale'" :scale="place" />
    <path v-else-if="place.kind === 'grid'" :d="rules" stroke="#526061" stroke-width="1.6" />
    <path v-else-if="place.kind === 'lane'" :d="laneArrow" fill="none" stroke="#6b7a7a" stroke-width="3" stroke-linecap="round" stroke-linejoin="round" />
    <circle v-else-if="place.kind === 'pin'" :cx="box.x + box.width / 2" :cy="box.y + box.height / 2" r="4" fill="#1d2526" />
  </g>
</template>
