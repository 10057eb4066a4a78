<script setup lang="ts">
import { getStroke } from 'perfect-freehand'
import type { MarginInk } from '~~/core/margin/item'

/** A stroke of the teacher's pen, in the colour that belongs to the margin alone. */
const { points } = defineProps<{ points: MarginInk['points'] }>()
const path = computed(() => {
  const outline = getStroke(points, { size: 5, thinning: 0.5, smoothing: 0.6, streamline: 0.4 })
  if (outline.length < 2) return ''
  const [first, ...rest] = outline.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`)
  return `M${first}L${rest.join('L')}Z`
})
</script>

<template>
  <path :d="path" class="fill-bilberry-700" />
</template>
