<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Key } from '~~/core/keys/key'
import { pieceName } from '~~/core/board/pieceName'
import { changeKey, withoutKey } from '~~/core/design/answers'
import { readQuantity } from '~~/core/exact/quantity'
import { blockOf } from '~~/core/keys/cover/cells'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** One key read back in plain words, with the few things about it that can't be shown by doing. */
const { bench, page, answer } = defineProps<{ bench: Workbench; page: Page; answer: Key }>()
const { t } = useWords()
const sentence = useKeySentence(() => bench.edition.value)
const change = (key: Key) => bench.change(changeKey(bench.board.value, key), `key ${key.id}`)

const { headingOf } = useHeadings()
/** A sort is read back place by place. */
const rows = computed(() =>
  answer.kind !== 'sort'
    ? []
    : page.places
        .filter(place => place.kind === 'zone')
        .map(place => ({
          id: place.id,
          heading: headingOf(place, page),
          names: page.pieces.filter(p => answer.homes[p.id]?.includes(place.id)).map(pieceName),
        })),
)
const nowhere = computed(() =>
  answer.kind === 'sort' ? page.pieces.filter(p => answer.homes[p.id]?.length === 0).map(pieceName) : [],
)
const unsaid = computed(() => (answer.kind === 'sort' ? page.pieces.filter(p => !answer.homes[p.id]).length : 0))

const itemName = useItemName(() => bench.edition.value)
const alsoNames = computed(() => [...new Set((answer.also ?? []).map(itemName))].join(', '))
function withoutAlso() {
  const { also: _, ...strict } = answer
  change(strict)
}

/** A number that can't be read leaves the key as it was, and the field says so. */
function setNumber(event: Event, name: 'tolerance' | 'unknown') {
  const field = event.target as HTMLInputElement
  const number = readQuantity(field.value)
  if (name === 'tolerance' && answer.kind === 'scale' && number && number.compare(0) >= 0)
    change({ ...answer, tolerance: field.value })
  else if (name === 'unknown' && answer.kind === 'balance' && number) change({ ...answer, unknown: field.value })
  else
    field.value = (answer.kind === 'scale' ? answer.tolerance : answer.kind === 'balance' ? answer.unknown : '') ?? ''
}
function setTiles(event: Event) {
  if (answer.kind !== 'total') return
  const { tiles: _, ...any } = answer
  const count = Math.trunc(Number((event.target as HTMLInputElement).value))
  change(count >= 1 && count <= 1000 ? { ...any, tiles: count } : any)
}
const block = computed(() => (answer.kind === 'cover' ? blockOf(answer.cells) : null))
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <article class="flex flex-col gap-2 rounded-lg border border-panel-line bg-field p-3">
    <template v-if="answer.kind === 'sort'">
      <p v-for="row in rows" :key="row.id">
        <strong>{{ row.heading }}</strong>: {{ row.names.length ? row.names.join(', ') : t('answers.nothing') }}
      </p>
      <p v-if="nowhere.length">{{ t('answers.nowhere', { count: nowhere.length, names: nowhere.join(', ') }) }}</p>
      <p v-if="unsaid" class="note-line">{{ t('answers.unsaid', { count: unsaid }) }}</p>
    </template>
    <p v-else>{{ sentence(answer) }}</p>
    <WorkbenchAnswersOrderGroups v-if="answer.kind === 'order'" :bench="bench" :answer="answer" @change="change" />
    <WorkbenchAnswersAlikeSlots v-if="answer.kind === 'slots'" :bench="bench" :answer="answer" @change="change" />
    <div v-if="answer.also" class="flex flex-wrap items-center gap-2" data-test="also">
      <p class="flex-1">{{ t('answers.also', { count: answer.also.length, names: alsoNames }) }}</p>
      <button type="button" class="button min-h-9 px-3 py-1" @click="withoutAlso">{{ t('answers.alsoBack') }}</button>
    </div>
    <label v-if="answer.kind === 'scale'"
      ><span class="label">{{ t('answers.tolerance') }}</span
      ><UiTyped :value="answer.tolerance" maxlength="12" @change="setNumber($event, 'tolerance')"
    /></label>
    <template v-if="answer.kind === 'balance' && answer.solve !== undefined">
      <label
        ><span class="label">{{ t('answers.unknown') }}</span
        ><UiTyped :value="answer.unknown ?? ''" maxlength="12" @change="setNumber($event, 'unknown')"
      /></label>
      <label class="flex items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="answer.solve"
          @change="change({ ...answer, solve: checked($event) })" />{{ t('answers.solve') }}</label
      >
    </template>
    <label v-if="answer.kind === 'total'" class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="answer.standardForm ?? false"
        @change="change({ ...answer, standardForm: checked($event) })" />{{ t('answers.standardForm') }}</label
    >
    <label v-if="answer.kind === 'total'"
      ><span class="label">{{ t('answers.tilesExactly') }}</span
      ><UiTyped
        type="number"
        min="1"
        max="1000"
        :value="answer.tiles ?? ''"
        :placeholder="t('answers.anyNumber')"
        @change="setTiles"
    /></label>
    <WorkbenchAnswersWrittenAnswers v-if="answer.kind === 'write'" :bench="bench" :answer="answer" @change="change" />
    <label v-if="answer.kind === 'arrows'" class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="answer.bothWays ?? false"
        @change="change({ ...answer, bothWays: checked($event) })" />{{ t('answers.bothWays') }}</label
    >
    <label v-if="answer.kind === 'cover' && block" class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        @change="change({ ...answer, cells: [], array: block })" />{{ t('answers.anywhere', block) }}</label
    >
    <label v-if="answer.kind === 'ink' && answer.task.what === 'symmetry'" class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="answer.task.find === 'all'"
        @change="change({ ...answer, task: { ...answer.task, find: checked($event) ? 'all' : 'one' } })" />{{
        t('answers.allAxes')
      }}</label
    >
    <button type="button" class="button self-start" @click="bench.change(withoutKey(bench.board.value, answer.id))">
      {{ t(answer.kind === 'sort' ? 'answers.drop' : 'answers.remove') }}
    </button>
  </article>
</template>
