<script setup lang="ts">
import type { BackdropPicture } from '~~/core/board/backdrop'
import { drawPrintedPicture } from '~~/core/drawing/backdrop'

/** A printed picture. */
const { picture } = defineProps<{ picture: BackdropPicture }>()
const marks = computed(() => drawPrintedPicture(picture))
</script>

<template>
  <BoardMarks :marks="marks" />
</template>
