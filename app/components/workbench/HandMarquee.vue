<script setup lang="ts">
import type { Box, Size } from '~~/core/geometry/shape'

/** A sheet above the page, which isn't drawn anew with it: the box with which the hand chooses what to hold. */
const { marquee, pixel, page } = defineProps<{ marquee: Ref<Box | null>; pixel: number; page: Size }>()
const shown = computed(() => marquee.value)
</script>

<template>
  <svg
    v-if="shown"
    :viewBox="`0 0 ${page.width} ${page.height}`"
    class="absolute inset-0 h-full w-full will-change-transform"
    aria-hidden="true">
    <rect v-bind="shown" fill="#e9ad3f" fill-opacity="0.15" stroke="#a86a05" :stroke-width="1.5 * pixel" />
  </svg>
</template>
