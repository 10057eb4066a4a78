<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Piece } from '~~/core/board/piece'
import { pieceName } from '~~/core/board/pieceName'
import { changePiece, removePieces } from '~~/core/design/pieces'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Every piece of the page: its words, and what can be set for it alone. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
/** What a piece without words is called by: what it shows, or what it is for. */
const wordless = (piece: Piece) => 'alt' in piece && (piece.kind === 'picture-card' || !piece.text)
function rename(piece: Piece, event: Event) {
  const text = (event.target as HTMLInputElement).value
  bench.change(
    changePiece(bench.board.value, page.id, piece.id, wordless(piece) ? { alt: text } : { text }),
    `text ${piece.id}`,
  )
}
</script>

<template>
  <section>
    <h3 class="label">{{ t('pieces.count', { count: page.pieces.length }) }}</h3>
    <ul class="flex max-h-72 flex-col gap-1 overflow-auto pr-1">
      <li v-for="(piece, i) in page.pieces" :key="piece.id" class="flex items-center gap-1">
        <img
          v-if="piece.kind === 'picture-card'"
          :src="`/api/files/${piece.file}`"
          alt=""
          class="h-9 w-9 object-contain" />
        <Icon v-else-if="piece.bin" name="lucide:layers" class="shrink-0" :aria-label="t('pieces.bin')" />
        <input
          class="field"
          :data-words="piece.id"
          maxlength="200"
          :value="wordless(piece) ? ('alt' in piece ? piece.alt : '') : piece.text"
          :aria-label="t(wordless(piece) ? 'pieces.showsNth' : 'pieces.textNth', { number: i + 1 })"
          @input="rename(piece, $event)" />
        <button
          type="button"
          class="button button-quiet w-11 shrink-0 px-0"
          :class="piece.turns ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="piece.turns ?? false"
          :aria-label="t('pieces.turns', { name: pieceName(piece) })"
          :title="t('pieces.turns', { name: pieceName(piece) })"
          @click="bench.change(changePiece(bench.board.value, page.id, piece.id, { turns: !piece.turns }))">
          <Icon name="lucide:rotate-cw" />
        </button>
        <button
          type="button"
          class="button button-quiet w-11 shrink-0 px-0"
          :aria-label="t('pieces.remove', { name: pieceName(piece) })"
          :title="t('pieces.remove', { name: pieceName(piece) })"
          @click="bench.change(removePieces(bench.board.value, page.id, new Set([piece.id])))">
          <Icon name="lucide:x" />
        </button>
      </li>
    </ul>
  </section>
</template>
