<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { ruled, type RuledLine } from '~~/core/layout/ruling'
import { baselineShift } from '~~/core/text/measure'

const NUMBER_SIZE = 9

/** The ruling of a page, true to size: what the core says is printed there. */
const { page } = defineProps<{ page: Page }>()
const print = computed(() => ruled(page.backdrop.ruling, page))
const path = (lines: readonly RuledLine[]) =>
  lines.map(({ from, to }) => `M${from.x} ${from.y}L${to.x} ${to.y}`).join('')
const fine = computed(() => path(print.value.lines.filter(line => !line.strong && !line.dashed)))
const strong = computed(() => path(print.value.lines.filter(line => line.strong)))
const dashed = computed(() => path(print.value.lines.filter(line => line.dashed)))
const dots = computed(() => print.value.dots.map(({ x, y }) => `M${x} ${y}h0`).join(''))
</script>

<template>
  <g data-ruling>
    <path v-if="fine" :d="fine" fill="none" stroke="#b9c4c2" stroke-width="1" />
    <path v-if="dashed" :d="dashed" fill="none" stroke="#b9c4c2" stroke-width="1" stroke-dasharray="5 4" />
    <path v-if="strong" :d="strong" fill="none" stroke="#6b7a7a" stroke-width="1.5" />
    <path v-if="dots" :d="dots" fill="none" stroke="#93a1a0" stroke-width="2.4" stroke-linecap="round" />
    <text
      v-for="(number, i) in print.numbers"
      :key="i"
      class="board-text"
      :x="number.at.x"
      :y="number.at.y + baselineShift(NUMBER_SIZE)"
      :font-size="NUMBER_SIZE"
      text-anchor="middle"
      fill="#3c494a"
      >{{ number.text }}</text
    >
  </g>
</template>
