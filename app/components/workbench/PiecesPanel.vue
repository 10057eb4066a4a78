<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { MOST_PIECES, type Page } from '~~/core/board/board'
import { MasterIdSchema, PieceIdSchema, type MasterId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/piece'
import { addCards, addPictureCards, changePiece, readWordList, removePiece, scrambleLedge, setTextSize } from '~~/core/design/pieces'
import type { Workbench } from '~/composables/useWorkbench'
import { picturesIn, useUpload } from '~/composables/useUpload'

const { bench, page } = defineProps<{ bench: Workbench, page: Page }>()
const { t } = useWords()
const { upload, trouble, busy } = useUpload()
const list = ref('')
const words = computed(() => readWordList(list.value, MOST_PIECES - page.pieces.length))
const ids = { piece: () => v.parse(PieceIdSchema, nanoid()), master: () => v.parse(MasterIdSchema, nanoid()) }
const masters = computed(() => bench.board.value.masters.filter(m => page.pieces.some(p => p.master === m.id)))

function make() {
  bench.change(addCards(bench.board.value, page.id, words.value.words, ids))
  list.value = ''
}

async function addPictures(files: FileList | null) {
  const uploaded = await upload(picturesIn(files))
  if (uploaded.length === 0) return
  const cards = uploaded.map(({ hash, width, height, name }) => ({ file: hash, pixelWidth: width, pixelHeight: height, text: '', alt: name }))
  bench.change(addPictureCards(bench.board.value, page.id, cards, ids))
}

const size = (id: MasterId, event: Event) => bench.change(setTextSize(bench.board.value, id, Number((event.target as HTMLInputElement).value)), `size ${id}`)
// A new seed has only to differ; the order itself is made from it in the core, the same everywhere.
const again = () => bench.change(scrambleLedge(bench.board.value, page.id, crypto.getRandomValues(new Uint32Array(1))[0]!))
</script>

<template>
  <div class="flex flex-col gap-5">
    <div>
      <label><span class="label">{{ t('pieces.list') }}</span><textarea v-model="list" rows="5" class="field" :placeholder="t('pieces.listExample')" /></label>
      <p v-if="words.cut" class="note-line">{{ t('pieces.cut', { count: words.cut }) }}</p>
      <p v-if="words.left" class="note-line">{{ t('pieces.left', { count: words.left }) }}</p>
      <button type="button" class="button button-action mt-2 w-full" :disabled="words.words.length === 0" @click="make">{{ t('pieces.make', { count: words.words.length }) }}</button>
    </div>
    <div>
      <label class="button w-full">
        <Icon name="lucide:image-plus" />{{ busy ? t('backdrop.sending') : t('pieces.addPictures') }}
        <input type="file" accept="image/*" multiple class="sr-only" data-test="piece-files" @change="addPictures(($event.target as HTMLInputElement).files)">
      </label>
      <p v-if="trouble" class="trouble mt-2" role="alert">{{ trouble }}</p>
    </div>
    <template v-if="page.pieces.length">
      <label v-for="master in masters" :key="master.id">
        <span class="label">{{ t(`pieces.size.${master.kind}`, { size: master.textSize }) }}</span>
        <input type="range" min="12" max="36" step="1" class="w-full accent-leaf-600" :value="master.textSize" @input="size(master.id, $event)">
      </label>
      <button type="button" class="button" @click="again"><Icon name="lucide:shuffle" />{{ t('pieces.scramble') }}</button>
      <section>
        <h3 class="label">{{ t('pieces.count', { count: page.pieces.length }) }}</h3>
        <ul class="flex max-h-72 flex-col gap-1 overflow-auto pr-1">
          <li v-for="piece in page.pieces" :key="piece.id" class="flex items-center gap-1">
            <img v-if="piece.kind === 'picture-card'" :src="`/api/files/${piece.file}`" alt="" class="h-9 w-9 object-contain">
            <input
              class="field" maxlength="200" :value="piece.kind === 'picture-card' ? piece.alt : piece.text" :aria-label="piece.kind === 'picture-card' ? t('pieces.shows') : t('pieces.text')"
              @input="bench.change(changePiece(bench.board.value, page.id, piece.id, { [piece.kind === 'picture-card' ? 'alt' : 'text']: ($event.target as HTMLInputElement).value }), `text ${piece.id}`)"
            >
            <button type="button" class="button button-quiet button-danger w-11 px-0" :aria-label="t('pieces.remove', { name: pieceName(piece) })" @click="bench.change(removePiece(bench.board.value, page.id, piece.id))"><Icon name="lucide:trash-2" /></button>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>
