<script setup lang="ts">
import type { Page, Step } from '~~/core/board/board'
import { makeEdition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import { setHints } from '~~/core/design/around'
import { setSpoken } from '~~/core/design/clips'
import { answeredIn, setStepPieces } from '~~/core/design/stepPieces'
import { changeStep, moveStep } from '~~/core/design/steps'
import { setStepTools } from '~~/core/design/tools'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** One numbered activity: what is to be done in its part of the page. All that stands in it moves with it. */
const { bench, page, step } = defineProps<{ bench: Workbench; page: Page; step: Step }>()
const { t } = useWords()
const field = useTemplateRef<HTMLTextAreaElement>('field')
defineExpose({ focus: () => field.value?.focus() })
const needed = computed(() => new Set(step.pieces ?? []))
const setPieces = (pieces: readonly PieceId[] | null) =>
  bench.change(setStepPieces(bench.board.value, page.id, step.id, pieces))
function need(id: PieceId, on: boolean) {
  setPieces(page.ledge.filter(one => (one === id ? on : needed.value.has(one))))
}
const asAnswered = () => setPieces(answeredIn(page, step.id, makeEdition(bench.board.value)))
const at = computed(() => page.steps!.findIndex(s => s.id === step.id))
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <h3 class="font-bold">{{ t('steps.step', { number: at + 1 }) }}</h3>
    <label
      ><span class="label">{{ t('steps.todo') }}</span>
      <textarea
        ref="field"
        class="field"
        data-words
        rows="3"
        maxlength="500"
        :value="step.instructions"
        @input="
          bench.change(
            changeStep(bench.board.value, page.id, step.id, {
              instructions: ($event.target as HTMLTextAreaElement).value,
            }),
            `todo ${step.id}`,
          )
        " />
    </label>
    <WorkbenchSpokenField
      :spoken="step.spoken"
      :words="step.instructions"
      @set="bench.change(setSpoken(bench.board.value, { page: page.id, step: step.id }, $event))" />
    <div class="flex flex-wrap gap-2">
      <button
        type="button"
        class="button px-3"
        :disabled="at === 0"
        @click="bench.change(moveStep(bench.board.value, page.id, step.id, -1))">
        {{ t('steps.earlier') }}
      </button>
      <button
        type="button"
        class="button px-3"
        :disabled="at === page.steps!.length - 1"
        @click="bench.change(moveStep(bench.board.value, page.id, step.id, 1))">
        {{ t('steps.later') }}
      </button>
    </div>
    <WorkbenchToolChooser
      :tools="step.tools ?? null"
      :legend="t('giveTools.step')"
      :otherwise="{ words: t('giveTools.asPage'), tools: page.tools ?? bench.board.value.tools ?? [] }"
      @choose="bench.change(setStepTools(bench.board.value, page.id, step.id, $event))" />
    <details v-if="page.pieces.length" :open="!!step.pieces">
      <summary class="min-h-9 cursor-pointer py-1.5 font-semibold">{{ t('steps.needs') }}</summary>
      <div class="my-2 flex flex-wrap gap-2">
        <button type="button" class="button px-3" @click="asAnswered">{{ t('steps.asAnswered') }}</button>
        <button type="button" class="button px-3" :disabled="!step.pieces" @click="setPieces(null)">
          {{ t('steps.needsAll') }}
        </button>
      </div>
      <ul class="flex max-h-48 flex-col overflow-auto">
        <li v-for="piece in page.pieces" :key="piece.id">
          <label class="flex min-h-9 items-center gap-2"
            ><input
              type="checkbox"
              class="h-5 w-5 shrink-0 accent-leaf-600"
              :checked="needed.has(piece.id)"
              @change="need(piece.id, ($event.target as HTMLInputElement).checked)" /><bdi>{{
              pieceName(piece)
            }}</bdi></label
          >
        </li>
      </ul>
    </details>
    <WorkbenchHintField
      :hints="step.hints ?? []"
      @set="bench.change(setHints(bench.board.value, page.id, step.id, $event))" />
    <p class="note-line">{{ t('steps.how') }}</p>
  </section>
</template>
