<script setup lang="ts">
import type { Scale } from '~~/core/board/place'
import { scaleMarks } from '~~/core/layout/scaleMarks'

const { scale } = defineProps<{ scale: Scale }>()
const SIZE = 15
const lying = computed(() => scale.shape.width >= scale.shape.height)
const marks = computed(() => scaleMarks(scale, SIZE))
const line = computed(() => (lying.value ? scale.shape.y + scale.shape.height - 30 : scale.shape.x + 40))
const at = (share: number) =>
  lying.value ? scale.shape.x + share * scale.shape.width : scale.shape.y + (1 - share) * scale.shape.height
</script>

<template>
  <g class="pointer-events-none">
    <line
      v-if="lying"
      :x1="scale.shape.x"
      :x2="scale.shape.x + scale.shape.width"
      :y1="line"
      :y2="line"
      stroke="#1d2526"
      stroke-width="2.5" />
    <line
      v-else
      :y1="scale.shape.y"
      :y2="scale.shape.y + scale.shape.height"
      :x1="line"
      :x2="line"
      stroke="#1d2526"
      stroke-width="2.5" />
    <template v-for="mark in marks" :key="mark.share">
      <template v-if="lying">
        <line
          :x1="at(mark.share)"
          :x2="at(mark.share)"
          :y1="line - (mark.text ? 7 : 4)"
          :y2="line + (mark.text ? 7 : 4)"
          stroke="#1d2526"
          stroke-width="1.8" />
        <text
          class="board-text"
          :x="at(mark.share)"
          :y="line + 23"
          :font-size="SIZE"
          :text-anchor="mark.anchor"
          fill="#1d2526"
          >{{ mark.text }}</text
        >
      </template>
      <template v-else>
        <line
          :y1="at(mark.share)"
          :y2="at(mark.share)"
          :x1="line - 5"
          :x2="line + 5"
          stroke="#1d2526"
          stroke-width="1.8" />
        <text
          class="board-text"
          :y="at(mark.share) + 5"
          :x="line - 9"
          :font-size="SIZE"
          text-anchor="end"
          fill="#1d2526"
          >{{ mark.text }}</text
        >
      </template>
    </template>
  </g>
</template>
