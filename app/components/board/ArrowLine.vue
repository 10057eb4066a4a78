<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { drawJoin } from '~~/core/drawing/joins'
import type { SlateState } from '~~/core/slate/state'

/** An arrow from the edge of one piece to the edge of another, wherever they are. */
const { edition, state, from, to } = defineProps<{ edition: Edition; state: SlateState; from: PieceId; to: PieceId }>()
const marks = computed(() => drawJoin([from, to], { edition, state }))
</script>

<template>
  <BoardMarks :marks="marks" class="pointer-events-none" />
</template>
