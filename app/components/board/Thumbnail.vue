<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { emptySlate, type SlateState } from '~~/core/slate/state'

/** A small framed slate. Without a state it shows the board as it is given out. */
const { board, edition: given, state = emptySlate, label } = defineProps<{ board?: Board, edition?: Edition, state?: SlateState, label: string }>()
const edition = computed(() => given ?? makeEdition(board!))
const page = computed(() => edition.value.board.pages[0]!)
</script>

<template>
  <span class="block rounded-lg border border-ash-500 bg-ash-200 p-1.5 shadow-sm" role="img" :aria-label="label">
    <span class="block overflow-hidden rounded" :style="{ aspectRatio: `${page.width} / ${page.height}` }" aria-hidden="true">
      <BoardPage :edition="edition" :page="page" :state="state" />
    </span>
  </span>
</template>
