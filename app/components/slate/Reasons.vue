<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import type { Move } from '~~/core/slate/move'

/** Lines in which a student says why, for a page or for each of its places. */
const { reasons, state, editable } = defineProps<{
  reasons: readonly { name: string; place: Place | null; page: Page; number: number | null }[]
  state: SlateState
  editable: boolean
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
const write = (name: string, event: Event) =>
  emit('make', { kind: 'write', in: name, text: (event.target as HTMLInputElement).value.trim() })
</script>

<template>
  <label v-for="reason in reasons" :key="reason.name" class="block">
    <span class="label"
      ><bdi>{{ labelOf(reason) }}</bdi></span
    >
    <UiTyped
      v-if="editable"
      :value="state.texts[reason.name] ?? ''"
      :maxlength="LONGEST_TEXT"
      tall
      rows="1"
      @change="write(reason.name, $event)" />
    <bdi v-else class="block whitespace-pre-line">{{ state.texts[reason.name] || '–' }}</bdi>
  </label>
</template>
