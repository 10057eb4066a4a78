<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { ORDER_CREDITS, type Key } from '~~/core/board/key'
import { pieceName } from '~~/core/board/piece'
import { changeKey, withoutKey } from '~~/core/design/answers'
import { readQuantity } from '~~/core/exact/quantity'
import { blockOf } from '~~/core/keys/cover'
import type { Workbench } from '~/composables/useWorkbench'

/** One key read back in plain words, with the few things about it that can't be shown by doing. */
const { bench, page, answer } = defineProps<{ bench: Workbench, page: Page, answer: Key }>()
const { t } = useWords()
const sentence = useKeySentence(() => bench.edition.value)
const change = (key: Key) => bench.change(changeKey(bench.board.value, key), `key ${key.id}`)

/** A sort is read back place by place. */
const rows = computed(() => answer.kind !== 'sort' ? [] : page.places.filter(place => place.kind === 'zone').map(place => ({
  id: place.id, heading: place.heading || t('stage.unnamedPlace'), names: page.pieces.filter(p => answer.homes[p.id]?.includes(place.id)).map(pieceName),
})))
const nowhere = computed(() => answer.kind === 'sort' ? page.pieces.filter(p => answer.homes[p.id]?.length === 0).map(pieceName) : [])
const unsaid = computed(() => answer.kind === 'sort' ? page.pieces.filter(p => !answer.homes[p.id]).length : 0)

/** A number that can't be read leaves the key as it was. */
function setNumber(event: Event, name: 'tolerance' | 'unknown') {
  const text = (event.target as HTMLInputElement).value
  const number = readQuantity(text)
  if (!number) return
  if (name === 'tolerance' && answer.kind === 'scale' && number.compare(0) >= 0) change({ ...answer, tolerance: text })
  if (name === 'unknown' && answer.kind === 'balance') change({ ...answer, unknown: text })
}
const block = computed(() => answer.kind === 'cover' ? blockOf(answer.cells) : null)
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <article class="flex flex-col gap-2 rounded-lg border border-panel-line bg-field p-3">
    <template v-if="answer.kind === 'sort'">
      <p v-for="row in rows" :key="row.id"><strong>{{ row.heading }}</strong>: {{ row.names.length ? row.names.join(', ') : t('answers.nothing') }}</p>
      <p v-if="nowhere.length">{{ t('answers.nowhere', { count: nowhere.length, names: nowhere.join(', ') }) }}</p>
      <p v-if="unsaid" class="note-line">{{ t('answers.unsaid', { count: unsaid }) }}</p>
    </template>
    <p v-else>{{ sentence(answer) }}</p>
    <label v-if="answer.kind === 'order'">
      <span class="label">{{ t('answers.credit') }}</span>
      <select class="field" :value="answer.credit" @change="change({ ...answer, credit: ($event.target as HTMLSelectElement).value as typeof answer.credit })">
        <option v-for="credit in ORDER_CREDITS" :key="credit" :value="credit">{{ t(`answers.credits.${credit}`) }}</option>
      </select>
    </label>
    <label v-if="answer.kind === 'scale'"><span class="label">{{ t('answers.tolerance') }}</span><input class="field" :value="answer.tolerance" maxlength="12" @change="setNumber($event, 'tolerance')"></label>
    <template v-if="answer.kind === 'balance' && answer.solve !== undefined">
      <label><span class="label">{{ t('answers.unknown') }}</span><input class="field" :value="answer.unknown ?? ''" maxlength="12" @change="setNumber($event, 'unknown')"></label>
      <label class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" :checked="answer.solve" @change="change({ ...answer, solve: checked($event) })">{{ t('answers.solve') }}</label>
    </template>
    <label v-if="answer.kind === 'total'" class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" :checked="answer.standardForm ?? false" @change="change({ ...answer, standardForm: checked($event) })">{{ t('answers.standardForm') }}</label>
    <label v-if="answer.kind === 'arrows'" class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" :checked="answer.bothWays ?? false" @change="change({ ...answer, bothWays: checked($event) })">{{ t('answers.bothWays') }}</label>
    <label v-if="answer.kind === 'cover' && block" class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" @change="change({ ...answer, cells: [], array: block })">{{ t('answers.anywhere', block) }}</label>
    <label v-if="answer.kind === 'ink' && answer.task.what === 'symmetry'" class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5 accent-leaf-600" :checked="answer.task.find === 'all'" @change="change({ ...answer, task: { ...answer.task, find: checked($event) ? 'all' : 'one' } })">{{ t('answers.allAxes') }}</label>
    <button type="button" class="button self-start" @click="bench.change(withoutKey(bench.board.value, answer.id))">{{ t(answer.kind === 'sort' ? 'answers.drop' : 'answers.remove') }}</button>
  </article>
</template>
