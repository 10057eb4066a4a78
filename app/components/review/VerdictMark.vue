<script setup lang="ts">
import { drawSign, type Sign } from '~~/core/drawing/verdict'

/** What the key says of something, at a point. */
const { x, y, verdict } = defineProps<{ x: number; y: number; verdict: Sign }>()
const marks = computed(() => drawSign(verdict))
</script>

<template>
  <BoardMarks :marks="marks" :transform="`translate(${x} ${y})`" class="pointer-events-none" />
</template>
