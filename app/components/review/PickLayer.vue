<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Box, Point } from '~~/core/geometry/shape'
import { pagePoint } from '~/composables/board/pagePoint'

export interface Target {
  readonly id: string
  readonly box: Box
  readonly label: string
  /** Absent where one press is all. */
  readonly chosen?: boolean | undefined
}

/** What lies on a page, to be chosen by pointer or keys; and any spot of the page itself, where that can be meant. */
const {
  page,
  targets,
  spotLabel = undefined,
} = defineProps<{
  page: Page
  /** What lies further up comes later. */
  targets: readonly Target[]
  /** What a press on the page itself is called; absent where only things can be meant. */
  spotLabel?: string | undefined
}>()
const emit = defineEmits<{ pick: [id: string]; spot: [at: Point] }>()
const FROM_CORNER = 40
</script>

<template>
  <!-- Each is pressed as a button is. -->
  <g data-hand="none">
    <rect
      v-if="spotLabel"
      :width="page.width"
      :height="page.height"
      fill="transparent"
      class="cursor-crosshair"
      role="button"
      tabindex="0"
      :aria-label="spotLabel"
      data-test="spot"
      @click="emit('spot', pagePoint($event))"
      @keydown.enter.prevent="emit('spot', { x: page.width - FROM_CORNER, y: FROM_CORNER })"
      @keydown.space.prevent="emit('spot', { x: page.width - FROM_CORNER, y: FROM_CORNER })" />
    <rect
      v-for="{ id, box, label, chosen } in targets"
      v-bind="box"
      :key="id"
      rx="6"
      fill="#e8e3f8"
      :fill-opacity="chosen ? 0.3 : 0.08"
      :stroke="chosen ? '#4a34a0' : '#6d58c6'"
      :stroke-width="chosen ? 5 : 2.5"
      class="cursor-pointer"
      role="button"
      tabindex="0"
      :aria-label="label"
      :aria-pressed="chosen"
      @click="emit('pick', id)"
      @keydown.enter.prevent="emit('pick', id)"
      @keydown.space.prevent="emit('pick', id)" />
  </g>
</template>
