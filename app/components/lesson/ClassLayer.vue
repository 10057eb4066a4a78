<script setup lang="ts">
import type { ClassPicture } from '~~/core/findings/classPicture'

/** What a class has voted, and where it stands, over the page of its board. */
const { picture } = defineProps<{ picture: ClassPicture }>()
/** A shape for each piece of a scale, so that nothing hangs on colour; from the fifth on they come again. */
const SHAPES = [
  { fill: '#1f6b45', path: 'M-1 0a1 1 0 1 1 2 0a1 1 0 1 1 -2 0z' },
  { fill: '#8f6408', path: 'M-.9 -.9h1.8v1.8h-1.8z' },
  { fill: '#8a2340', path: 'M0 -1L1 .9H-1z' },
  { fill: '#1d2526', path: 'M0 -1L1 0L0 1L-1 0z' },
] as const
const shapeOf = (turn: number) => SHAPES[turn % SHAPES.length]!
const TALLY = 22
</script>

<template>
  <g class="pointer-events-none" data-test="class-picture">
    <path
      v-for="(dot, i) in picture.dots"
      :key="i"
      :d="shapeOf(dot.turn).path"
      :fill="shapeOf(dot.turn).fill"
      :transform="`translate(${dot.x} ${dot.y}) scale(${picture.size * 0.45})`" />
    <g v-for="tally in picture.tallies" :key="tally.place" :transform="`translate(${tally.x} ${tally.y})`">
      <circle :r="TALLY" fill="#1d2526" />
      <text y="8" text-anchor="middle" font-size="24" font-weight="700" class="board-text" fill="#fff">{{
        tally.count
      }}</text>
    </g>
  </g>
</template>
