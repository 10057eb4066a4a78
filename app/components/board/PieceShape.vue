<script setup lang="ts">
import type { Master, Piece } from '~~/core/board/piece'
import { drawPiece } from '~~/core/drawing/piece'

/** A piece around the origin. `written` is what a student wrote on a note. */
const {
  piece,
  master,
  held = false,
  flipped = false,
  written = '',
} = defineProps<{
  piece: Piece
  master: Master
  held?: boolean
  flipped?: boolean | undefined
  written?: string | undefined
}>()
const language = useBoardLanguage()
const marks = computed(() => drawPiece({ piece, master, language: language(), held, flipped, written }))
</script>

<template>
  <BoardMarks :marks="marks" />
</template>
