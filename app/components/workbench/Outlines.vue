<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { isOutline } from '~~/core/design/choices'
import { boxOf } from '~~/core/geometry/outline'

/** Shapes that students never see, shown to whoever designs the board. */
const { page } = defineProps<{ page: Page }>()
const boxes = computed(() => (page.backdrop.figures ?? []).filter(isOutline).map(boxOf))
</script>

<template>
  <g class="pointer-events-none" data-test="outlines">
    <rect
      v-for="(box, i) in boxes"
      :key="i"
      v-bind="box"
      rx="4"
      fill="none"
      stroke="#1c5a3c"
      stroke-width="1.5"
      stroke-dasharray="4 3" />
  </g>
</template>
