<script setup lang="ts">
import type { Place } from '~~/core/board/place'
import { boxOf } from '~~/core/geometry/outline'

/** The outline of a place; how it is drawn is for who asks. */
const { place } = defineProps<{ place: Place }>()
const box = computed(() => boxOf(place))
</script>

<template>
  <rect
    v-if="place.shape.kind === 'rectangle'"
    :x="box.x"
    :y="box.y"
    :width="box.width"
    :height="box.height"
    :rx="place.kind === 'grid' ? 2 : place.kind === 'writing' ? 5 : 10" />
  <ellipse
    v-else-if="place.shape.kind === 'ellipse'"
    :cx="box.x + box.width / 2"
    :cy="box.y + box.height / 2"
    :rx="box.width / 2"
    :ry="box.height / 2" />
  <polygon v-else :points="place.shape.points.map(p => `${p.x},${p.y}`).join(' ')" />
</template>
