<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { EXPLAINS } from '~~/core/board/explains'
import { setExplain, setHints, setNotes, setReading } from '~~/core/design/around'
import { LANGUAGES, type Language } from '~~/core/text/spoken'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** What stands around the page for students: reasons they are asked for, room for notes, hints. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const named = new Intl.DisplayNames('en-GB', { type: 'language' })
const read = (change: { language?: Language; readPieces?: boolean }) =>
  bench.change(
    setReading(bench.board.value, {
      language: bench.board.value.language,
      readPieces: bench.board.value.readPieces,
      ...change,
    }),
  )
</script>

<template>
  <section class="flex flex-col gap-3 border-t border-panel-line pt-4">
    <h3 class="font-bold">{{ t('around.title') }}</h3>
    <label
      ><span class="label">{{ t('around.explain') }}</span>
      <select
        class="field"
        :value="page.explain ?? ''"
        @change="
          bench.change(
            setExplain(
              bench.board.value,
              page.id,
              (($event.target as HTMLSelectElement).value || null) as Page['explain'] | null,
            ),
          )
        ">
        <option value="">{{ t('around.explains.none') }}</option>
        <option v-for="one in EXPLAINS" :key="one" :value="one">{{ t(`around.explains.${one}`) }}</option>
      </select></label
    >
    <label class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="!!page.notes"
        @change="bench.change(setNotes(bench.board.value, page.id, ($event.target as HTMLInputElement).checked))" />{{
        t('around.notes')
      }}</label
    >
    <label
      ><span class="label">{{ t('around.language') }}</span>
      <select
        class="field"
        :value="bench.board.value.language ?? 'en-GB'"
        @change="read({ language: ($event.target as HTMLSelectElement).value as Language })">
        <option v-for="one in LANGUAGES" :key="one" :value="one">{{ named.of(one) }}</option>
      </select></label
    >
    <label class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="!!bench.board.value.readPieces"
        @change="read({ readPieces: ($event.target as HTMLInputElement).checked })" />{{
        t('around.readPieces')
      }}</label
    >
    <WorkbenchHintField
      :hints="page.hints ?? []"
      @set="bench.change(setHints(bench.board.value, page.id, null, $event))" />
  </section>
</template>
