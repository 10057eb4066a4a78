<script setup lang="ts">
import { FILLS, PATTERNS, type Fill } from '~~/core/board/inks'
import { onScreen } from '~~/core/drawing/palette'
import { PATTERN_PATHS, PATTERN_SIZE } from '~~/core/drawing/pattern'

/** A fill with its own pattern, so that two are told apart without their colours. Its id is the page's own. */
const { id, fill } = defineProps<{ id: string; fill: Fill }>()
const lines = computed(() => PATTERN_PATHS[PATTERNS[fill]])
</script>

<template>
  <pattern :id="id" :width="PATTERN_SIZE" :height="PATTERN_SIZE" patternUnits="userSpaceOnUse">
    <rect :width="PATTERN_SIZE" :height="PATTERN_SIZE" :fill="FILLS[fill]" />
    <path
      :d="lines.d"
      fill="none"
      :stroke="onScreen('outline')"
      :stroke-width="lines.width"
      :stroke-opacity="lines.opacity"
      stroke-linecap="round" />
  </pattern>
</template>
