<script setup lang="ts">
import type { Board, Page } from '~~/core/board/board'
import { besideName, firstToWork } from '~~/core/slate/beside'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import type { Move } from '~~/core/slate/move'
import { askedReasons } from '~/composables/slate/reasons'

/** What is written beside the page: reasons, notes, and in another try what is seen differently now. */
const { board, page, state, editable, further } = defineProps<{
  board: Board
  page: Page
  state: SlateState
  editable: boolean
  further: boolean
}>()
const emit = defineEmits<{ make: [move: Move]; close: [] }>()
const { t } = useWords()
const reasons = computed(() => askedReasons(board, [page]).map(reason => ({ ...reason, number: null })))
const notes = computed(() => besideName(page.id, 'notes'))
const differently = computed(() => besideName(firstToWork(board).id, 'differently'))
const write = (name: string, event: Event) =>
  emit('make', { kind: 'write', in: name, text: (event.target as HTMLTextAreaElement).value.trim() })
</script>

<template>
  <SlateSidePanel :title="t('beside.title')" data-test="beside" @close="emit('close')">
    <label v-if="further" class="block"
      ><span class="label">{{ t('beside.differently') }}</span
      ><UiTyped
        tall
        rows="3"
        :readonly="!editable"
        :maxlength="LONGEST_TEXT"
        :value="state.texts[differently] ?? ''"
        @change="write(differently, $event)"
    /></label>
    <SlateReasons :reasons="reasons" :state="state" :editable="editable" @make="emit('make', $event)" />
    <label v-if="page.notes" class="flex min-h-40 flex-1 flex-col"
      ><span class="label">{{ t('beside.notes') }}</span
      ><span class="note-line mb-1">{{ t('beside.notesSay') }}</span
      ><UiTyped
        tall
        class="min-h-28 flex-1"
        :readonly="!editable"
        :maxlength="LONGEST_TEXT"
        :value="state.texts[notes] ?? ''"
        @change="write(notes, $event)"
    /></label>
  </SlateSidePanel>
</template>
