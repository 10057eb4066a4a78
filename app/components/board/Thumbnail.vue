<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { provideSeenPictures } from '~/composables/board/pictures'
import { startOf, type SlateState } from '~~/core/slate/state'

/**
 * A small framed slate. Without a state it shows the board as it is given out; without a page its first. Without a
 * label it says nothing, for what it is stands beside it.
 */
const {
  slate,
  label,
  board,
  edition: given,
  state: shown,
  ledge = false,
  page: number = 0,
} = defineProps<{
  slate?: string | undefined
  board?: Board
  edition?: Edition
  state?: SlateState
  label?: string
  ledge?: boolean
  page?: number
}>()
// Pictures may come after the moves that lay them.
provideSeenPictures(
  () => slate ?? '',
  () => Object.values(shown?.own ?? {}).filter(own => own.kind === 'picture' && !own.gone).length,
)
const edition = computed(() => given ?? makeEdition(board!))
provideBoardLanguage(() => edition.value.board.language)
const state = computed(() => shown ?? startOf(edition.value))
const page = computed(() => edition.value.board.pages[number] ?? edition.value.board.pages[0]!)

/** Small pictures of upright pages are no taller than this lets them be, so that they stand in rows with the others. */
const LOWEST_RATIO = 1.4
const across = computed(() => Math.max(page.value.width, page.value.height * LOWEST_RATIO))
const LEDGE_HEIGHT = 84
const GAP = 10
/** As many of the waiting pieces as stand side by side. */
const standing = computed(() => {
  let x = GAP * 2
  return page.value.ledge
    .filter(id => !state.value.pieces[id])
    .flatMap(id => {
      const entry = edition.value.pieces.get(id)!
      const scale = Math.min(1, (LEDGE_HEIGHT - 2 * GAP) / entry.master.height)
      const at = x + (entry.master.width * scale) / 2
      x = at + (entry.master.width * scale) / 2 + GAP
      return x < across.value ? [{ ...entry, at, scale }] : []
    })
})
</script>

<template>
  <span
    class="block rounded-lg border border-ash-500 bg-ash-200 p-1.5 shadow-sm"
    :role="label ? 'img' : undefined"
    :aria-label="label"
    :aria-hidden="label ? undefined : true">
    <span
      class="block overflow-hidden rounded"
      :style="{ aspectRatio: `${across} / ${page.height}` }"
      aria-hidden="true">
      <BoardPage :edition="edition" :page="page" :state="state" />
    </span>
    <svg v-if="ledge" class="mt-1 block w-full" :viewBox="`0 0 ${across} ${LEDGE_HEIGHT}`" aria-hidden="true">
      <g
        v-for="{ piece, master, at, scale } in standing"
        :key="piece.id"
        :transform="`translate(${at} ${LEDGE_HEIGHT / 2}) scale(${scale})`">
        <BoardPieceShape :piece="piece" :master="master" />
      </g>
    </svg>
  </span>
</template>
