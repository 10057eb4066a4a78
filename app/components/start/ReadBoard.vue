<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { pagesAlone } from '~~/core/design/pages'
import type { ReadIn } from '~/composables/common/readIn'

/** A board that was made of a file of questions, as it would be, with what couldn't be kept. */
const { read, title } = defineProps<{ read: Extract<ReadIn, { kind: 'board' }> | null; title: string }>()
const emit = defineEmits<{ close: []; made: [board: Board] }>()
const { t } = useWords()
</script>

<template>
  <UiAsk :open="read !== null" :title="t('readIn.title', { title })" wide @close="emit('close')">
    <template v-if="read">
      <p class="mb-3">
        {{ t('readIn.questions', { count: read.board.pages.length }) }}
        {{ t('readIn.withAnswers', { count: new Set(read.board.keys.map(key => key.page)).size }) }}
      </p>
      <ol class="grid gap-4 sm:grid-cols-2" data-test="read-pages">
        <li v-for="(page, i) in read.board.pages" :key="page.id">
          <BoardThumbnail
            :board="pagesAlone(read.board, new Set([page.id]))"
            :label="t('pages.page', { number: i + 1 })"
            ledge
            lazily />
        </li>
      </ol>
      <StartLost :lost="read.lost" />
    </template>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" @click="emit('made', read!.board)">
        {{ t('readIn.make', { count: read?.board.pages.length ?? 0 }) }}
      </button>
    </template>
  </UiAsk>
</template>
