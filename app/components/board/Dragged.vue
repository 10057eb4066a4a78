<script setup lang="ts">
import type { Point } from '~~/core/geometry/shape'

/** A piece under the hand that drags it: above everything, and alone in being drawn as it moves. `at` is its middle on the screen. */
const { at, turn, scale } = defineProps<{ at: Ref<Point>, turn: number, scale: number }>()
const spot = computed(() => at.value)
</script>

<template>
  <svg class="pointer-events-none fixed left-0 top-0 z-50 overflow-visible will-change-transform" aria-hidden="true" width="1" height="1" :style="{ transform: `translate(${spot.x}px, ${spot.y}px) rotate(${turn - 1.5}deg) scale(${scale * 1.04})` }">
    <slot />
  </svg>
</template>
