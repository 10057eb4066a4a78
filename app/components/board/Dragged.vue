<script setup lang="ts">
import type { Point } from '~~/core/geometry/shape'

/**
 * A piece under the hand that drags it: above everything, and alone in being drawn as it moves. `at` is its middle on
 * the screen.
 */
const { at, turn, scale } = defineProps<{ at: Ref<Point>; turn: number; scale: number }>()
const root = useTemplateRef<SVGSVGElement>('root')
let to: ReturnType<typeof glide> | null = null
watchEffect(
  () => {
    if (!root.value) return
    to ??= glide(root.value)
    to(`translate(${at.value.x}px, ${at.value.y}px) rotate(${turn - 1.5}deg) scale(${scale * 1.04})`)
  },
  { flush: 'post' },
)
</script>

<template>
  <svg
    ref="root"
    class="pointer-events-none fixed left-0 top-0 z-50 overflow-visible will-change-transform"
    aria-hidden="true"
    width="1"
    height="1">
    <slot />
  </svg>
</template>
