<script setup lang="ts">
import type { Board, Page } from '~~/core/board/board'
import { besideName, firstToWork } from '~~/core/slate/beside'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import type { Move } from '~~/core/slate/move'
import { editMove } from '~~/core/slate/texts'
import type { TextEdit } from '~~/core/slate/weave'
import { askedReasons } from '~/composables/slate/reasons'

/** What is written beside the page: reasons, notes, and in another try what is seen differently now. */
const { board, page, state, editable, before } = defineProps<{
  board: Board
  page: Page
  state: SlateState
  editable: boolean
  /** The state at the end of the try before; null in the first. */
  before: SlateState | null
}>()
const emit = defineEmits<{ make: [move: Move]; close: [] }>()
const { t } = useWords()
const reasons = computed(() => askedReasons(board, [page]).map(reason => ({ ...reason, number: null })))
const notes = computed(() => besideName(page.id, 'notes'))
const differently = computed(() => besideName(firstToWork(board).id, 'differently'))
const write = (name: string, edit: TextEdit) => emit('make', editMove({ of: 'text', name }, edit))
</script>

<template>
  <SlateSidePanel :title="t('beside.title')" data-test="beside" @close="emit('close')">
    <label v-if="before" class="block"
      ><span class="label">{{ t('beside.differently') }}</span
      ><BoardWritingField
        class="field"
        lines="many"
        rows="3"
        :readonly="!editable"
        :text="state.texts[differently] ?? ''"
        :weave="state.weaves?.[`text:${differently}`]"
        :longest="LONGEST_TEXT"
        @edit="write(differently, $event)"
    /></label>
    <SlateReasons
      :reasons="reasons"
      :state="state"
      :before="before"
      :editable="editable"
      @make="emit('make', $event)" />
    <label v-if="page.notes" class="flex min-h-40 flex-1 flex-col"
      ><span class="label">{{ t('beside.notes') }}</span
      ><span class="note-line mb-1">{{ t('beside.notesSay') }}</span
      ><BoardWritingField
        class="field min-h-28 flex-1"
        lines="many"
        :readonly="!editable"
        :text="state.texts[notes] ?? ''"
        :weave="state.weaves?.[`text:${notes}`]"
        :longest="LONGEST_TEXT"
        @edit="write(notes, $event)"
    /></label>
  </SlateSidePanel>
</template>
