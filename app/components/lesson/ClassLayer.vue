<script setup lang="ts">
import type { ClassPicture } from '~~/core/findings/classPicture'
import { dotShape } from '~/composables/lesson/dotShapes'

/** What a class has voted, and where it stands, over the page of its board. */
const { picture } = defineProps<{ picture: ClassPicture }>()
const TALLY = 22
</script>

<template>
  <g class="pointer-events-none" data-test="class-picture">
    <path
      v-for="(dot, i) in picture.dots"
      :key="i"
      :d="dotShape(dot.turn).path"
      :fill="dotShape(dot.turn).fill"
      :transform="`translate(${dot.x} ${dot.y}) scale(${picture.size * 0.45})`" />
    <g v-for="tally in picture.tallies" :key="tally.place" :transform="`translate(${tally.x} ${tally.y})`">
      <circle :r="TALLY" fill="#1d2526" />
      <text y="8" text-anchor="middle" font-size="24" font-weight="700" class="board-text" fill="#fff">{{
        tally.count
      }}</text>
    </g>
  </g>
</template>
