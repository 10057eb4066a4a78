<script setup lang="ts">
import { FILLS, PATTERNS, type Fill } from '~~/core/board/inks'

/** A fill with its own pattern, so that two are told apart without their colours. Its id is the page's own. */
const { id, fill } = defineProps<{ id: string; fill: Fill }>()
const LINES: Record<(typeof PATTERNS)[Fill], string> = {
  plain: '',
  slanted: 'M-2 2L2 -2M0 12L12 0M10 14L14 10',
  dotted: 'M3 3h0.1M9 9h0.1',
  level: 'M0 3h12M0 9h12',
  crossed: 'M0 6h12M6 0v12',
}
</script>

<template>
  <pattern :id="id" width="12" height="12" patternUnits="userSpaceOnUse">
    <rect width="12" height="12" :fill="FILLS[fill]" />
    <path
      :d="LINES[PATTERNS[fill]]"
      fill="none"
      stroke="#526061"
      :stroke-width="PATTERNS[fill] === 'dotted' ? 3 : 1.2"
      stroke-opacity="0.45"
      stroke-linecap="round" />
  </pattern>
</template>
