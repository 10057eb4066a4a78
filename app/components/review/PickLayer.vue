<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import type { Piece } from '~~/core/board/piece'
import type { SlateState } from '~~/core/slate/state'

/** The pieces that lie on a page, to be chosen by pointer or keys. */
const {
  pieces,
  edition,
  state,
  label,
  chosen = undefined,
} = defineProps<{
  pieces: readonly Piece[]
  edition: Edition
  state: SlateState
  label: (piece: Piece) => string
  /** Those that are chosen already; absent where one press is all. */
  chosen?: ReadonlySet<PieceId> | undefined
}>()
const emit = defineEmits<{ pick: [piece: PieceId] }>()
const boxes = computed(() =>
  pieces.map(piece => {
    const { x, y } = state.pieces[piece.id]!
    const { width, height } = edition.pieces.get(piece.id)!.master
    return { piece, x: x - width / 2, y: y - height / 2, width, height }
  }),
)
</script>

<template>
  <rect
    v-for="{ piece, ...box } in boxes"
    v-bind="box"
    :key="piece.id"
    rx="6"
    fill="#e8e3f8"
    :fill-opacity="chosen?.has(piece.id) ? 0.3 : 0.08"
    :stroke="chosen?.has(piece.id) ? '#4a34a0' : '#6d58c6'"
    :stroke-width="chosen?.has(piece.id) ? 5 : 2.5"
    class="cursor-pointer"
    role="button"
    tabindex="0"
    :aria-label="label(piece)"
    :aria-pressed="chosen ? chosen.has(piece.id) : undefined"
    @click="emit('pick', piece.id)"
    @keydown.enter.prevent="emit('pick', piece.id)"
    @keydown.space.prevent="emit('pick', piece.id)" />
</template>
