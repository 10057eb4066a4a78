<script setup lang="ts">
import { SHAPES, type Sign } from '~/composables/board/verdicts'

const { verdict } = defineProps<{ verdict: Sign }>()
const { t } = useWords()
</script>

<template>
  <svg viewBox="-12 -12 24 24" class="h-7 w-7 shrink-0" role="img" :aria-label="t(`marks.verdict.${verdict}`)">
    <circle r="11" :fill="SHAPES[verdict].fill" stroke="#526061" stroke-width="1" />
    <path
      :d="SHAPES[verdict].path"
      fill="none"
      :stroke="SHAPES[verdict].ink"
      stroke-width="3"
      stroke-linecap="round"
      stroke-linejoin="round" />
  </svg>
</template>
