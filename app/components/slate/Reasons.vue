<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import type { Move } from '~~/core/slate/move'
import { editMove } from '~~/core/slate/texts'
import type { TextEdit } from '~~/core/slate/weave'

/** Lines in which a student says why, for a page or for each of its places. */
const {
  reasons,
  state,
  editable,
  before = null,
} = defineProps<{
  reasons: readonly { name: string; place: Place | null; page: Page; number: number | null }[]
  state: SlateState
  editable: boolean
  /** As it was at the end of the try before, to be read beside what is written now. */
  before?: SlateState | null | undefined
}>()
const emit = defineEmits<{ make: [move: Move] }>()
const { t } = useWords()
const { headingOf } = useHeadings()
type Asked = Pick<(typeof reasons)[number], 'place' | 'page' | 'number'>
const labelOf = ({ place, page, number }: Asked) =>
  [
    number ? t('pages.page', { number }) : '',
    place ? t('beside.whyHere', { place: headingOf(place, page, state.texts) }) : t('beside.whyAll'),
  ]
    .filter(Boolean)
    .join(': ')
const write = (name: string, edit: TextEdit) => emit('make', editMove({ of: 'text', name }, edit))
</script>

<template>
  <label v-for="reason in reasons" :key="reason.name" class="block">
    <span class="label"
      ><bdi>{{ labelOf(reason) }}</bdi></span
    >
    <span
      v-if="before?.texts[reason.name] && before.texts[reason.name] !== state.texts[reason.name]"
      class="mb-1 block border-l-4 border-stone-400 pl-3"
      ><span class="note-line block">{{ t('beside.saidBefore') }}</span
      ><bdi class="whitespace-pre-line">{{ before.texts[reason.name] }}</bdi></span
    >
    <BoardWritingField
      v-if="editable"
      class="field"
      lines="many"
      rows="1"
      :text="state.texts[reason.name] ?? ''"
      :weave="state.weaves?.[`text:${reason.name}`]"
      :longest="LONGEST_TEXT"
      @edit="write(reason.name, $event)" />
    <bdi v-else class="block whitespace-pre-line">{{ state.texts[reason.name] || '–' }}</bdi>
  </label>
</template>
