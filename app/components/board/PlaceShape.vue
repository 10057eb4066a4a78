<script setup lang="ts">
import type { Place } from '~~/core/board/place'
import { drawPart, drawPlace } from '~~/core/drawing/place'

const { place, lit = false, clear = false } = defineProps<{ place: Place; lit?: boolean; clear?: boolean }>()
const { t } = useWords()
const marks = computed(() => drawPlace(place, { lit, clear }))
const part = computed(() => drawPart(place))
</script>

<template>
  <g>
    <BoardMarks :marks="marks" />
    <BoardMarks v-if="place.part" :marks="part" role="img" :aria-label="t('marks.part', { number: place.part })" />
  </g>
</template>
