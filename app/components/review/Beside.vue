<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { besideName, firstToWork } from '~~/core/slate/beside'
import { hintsOf } from '~~/core/slate/moves/hint'
import type { SlateState } from '~~/core/slate/state'
import { askedReasons } from '~/composables/slate/reasons'

/** What a student wrote beside the pages, and the hints that were looked at. */
const { edition, state, further } = defineProps<{ edition: Edition; state: SlateState; further: boolean }>()
const { t } = useWords()
const { board } = edition
const reasons = computed(() => askedReasons(board))
const texts = computed(() =>
  [
    ...(further
      ? [{ label: t('beside.differently'), text: state.texts[besideName(firstToWork(board).id, 'differently')] }]
      : []),
    ...board.pages.map(page => ({ label: t('beside.notes'), text: state.texts[besideName(page.id, 'notes')] })),
  ].filter(({ text }) => text),
)
const hints = computed(() =>
  board.pages
    .flatMap((page, i) => [
      { of: page.id as string, name: t('pages.page', { number: i + 1 }) },
      ...(page.steps ?? []).map((step, j) => ({
        of: step.id as string,
        name: `${t('pages.page', { number: i + 1 })}, ${t('steps.step', { number: j + 1 })}`,
      })),
    ])
    .flatMap(({ of, name }) =>
      hintsOf(edition, of).length ? [{ name, of, count: state.hints[of] ?? 0, all: hintsOf(edition, of).length }] : [],
    ),
)
</script>

<template>
  <section v-if="reasons.length || texts.length || hints.length" class="flex flex-col gap-2" data-test="reasons">
    <h2 v-if="reasons.length || texts.length" class="label">{{ t('review.reasons') }}</h2>
    <SlateReasons :reasons="reasons" :state="state" :editable="false" />
    <p v-for="one in texts" :key="one.label">
      <span class="label">{{ one.label }}</span><bdi class="block whitespace-pre-line">{{ one.text }}</bdi>
    </p>
    <p v-for="one in hints" :key="one.of" class="note-line">
      {{ t('review.hintsUsed') }}, {{ one.name }}: {{ t('review.hintsOf', { count: one.count, of: one.all }) }}
    </p>
  </section>
</template>
