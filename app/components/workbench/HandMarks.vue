<script setup lang="ts">
import type { Box, Size } from '~~/core/geometry/shape'
import type { Guide } from '~~/core/layout/guides'
import { wholePage } from '~/composables/handSheet'

/** A sheet above the page, which isn't drawn anew with it. What shows while the hand is at work: the lines it is pulled to, and the box with which it chooses. */
const { marks, pixel, page } = defineProps<{ marks: { guides: Ref<readonly Guide[]>, marquee: Ref<Box | null> }, pixel: number, page: Size }>()
const guides = computed(() => marks.guides.value.map(({ axis, at, from, to, kind }) => {
  const point = (along: number, across: number) => axis === 'across' ? `${along} ${across}` : `${across} ${along}`
  return kind === 'line' ? `M${point(at, from - 8)}L${point(at, to + 8)}` : `M${point(from, at)}L${point(to, at)}M${point(from, at - 5)}L${point(from, at + 5)}M${point(to, at - 5)}L${point(to, at + 5)}`
}).join(''))
const marquee = computed(() => marks.marquee.value)
</script>

<template>
  <svg :viewBox="`0 0 ${page.width} ${page.height}`" class="pointer-events-none absolute inset-0 h-full w-full will-change-transform" aria-hidden="true" fill="none" stroke="#a86a05" :stroke-width="1.5 * pixel">
    <path :d="wholePage(page) + guides" />
    <rect v-if="marquee" v-bind="marquee" fill="#e9ad3f" fill-opacity="0.15" />
  </svg>
</template>
