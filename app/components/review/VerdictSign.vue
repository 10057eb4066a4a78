<script setup lang="ts">
import { drawSign, type Sign } from '~~/core/drawing/verdict'

const { verdict } = defineProps<{ verdict: Sign }>()
const { t } = useWords()
const marks = computed(() => drawSign(verdict, 'beside'))
</script>

<template>
  <svg viewBox="-12 -12 24 24" class="h-7 w-7 shrink-0" role="img" :aria-label="t(`marks.verdict.${verdict}`)">
    <BoardMarks :marks="marks" />
  </svg>
</template>
