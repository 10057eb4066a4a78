<script setup lang="ts">
import type { Place } from '~~/core/board/place'
import { boxOf } from '~~/core/design/zones'
import { breakLines } from '~~/core/text/lines'

const HEADING_SIZE = 20

const { place, lit = false } = defineProps<{ place: Place, lit?: boolean }>()
const box = computed(() => boxOf(place))
const heading = computed(() => place.heading ? breakLines(place.heading, box.value.width, HEADING_SIZE, 'bold').slice(0, 2) : [])
const look = computed(() => ({
  'fill': lit ? '#fdf3dc' : '#ffffff', 'fill-opacity': lit ? 0.9 : 0.45,
  'stroke': lit ? '#a86a05' : '#526061', 'stroke-width': lit ? 2.5 : 1.6, 'stroke-dasharray': lit ? undefined : '7 5',
}))
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
  </g>
</template>
