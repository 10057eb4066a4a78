<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { KeyIdSchema, type FigureId } from '~~/core/board/ids'
import type { Drawing } from '~~/core/board/place'
import { changeFigure } from '~~/core/design/backdrop'
import { choicesIn, withRightChoices } from '~~/core/design/choices'
import { keysOn } from '~~/core/keys/key'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Which printed choices are to be ringed, ticked instead of drawn. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const { headingOf } = useHeadings()
const { figure: nameOf } = useNames(() => bench.edition.value)
const spaces = computed(() =>
  page.places
    .filter((place): place is Drawing => place.kind === 'drawing')
    .map(space => {
      const key = keysOn(bench.board.value.keys, page.id, 'ink').find(one => one.place === space.id)
      return { space, choices: choicesIn(page, space), answers: key?.task.what === 'circle' ? key.task.answers : [] }
    })
    .filter(({ choices }) => choices.length > 0),
)

function tick(space: Drawing, answers: readonly FigureId[], id: FigureId) {
  const next = answers.includes(id) ? answers.filter(other => other !== id) : [...answers, id]
  const newId = () => v.parse(KeyIdSchema, nanoid())
  bench.change(withRightChoices({ board: bench.board.value, page, space, answers: next, newId }))
}
const setName = (id: FigureId, event: Event) =>
  bench.change(
    changeFigure(bench.board.value, page.id, id, { name: (event.target as HTMLInputElement).value }),
    `name ${id}`,
  )
</script>

<template>
  <fieldset v-for="{ space, choices, answers } in spaces" :key="space.id" class="flex flex-col gap-1">
    <legend class="label">{{ t('answers.orTicked', { place: headingOf(space, page) }) }}</legend>
    <div v-for="choice in choices" :key="choice.id" class="flex items-center gap-2">
      <input
        :id="`right-${choice.id}`"
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="answers.includes(choice.id)"
        :aria-label="t('answers.isRight', { name: nameOf(choice.id) })"
        @change="tick(space, answers, choice.id)" />
      <label v-if="choice.text.trim()" :for="`right-${choice.id}`" class="min-h-9 min-w-0 flex-1 py-1.5">{{
        nameOf(choice.id)
      }}</label>
      <input
        v-else
        class="field min-h-9 min-w-0 flex-1 py-1"
        maxlength="80"
        :value="choice.name || nameOf(choice.id)"
        :aria-label="t('answers.nameOf', { name: nameOf(choice.id) })"
        @change="setName(choice.id, $event)" />
    </div>
  </fieldset>
</template>
