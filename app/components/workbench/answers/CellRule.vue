<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { KeyIdSchema, type PlaceId } from '~~/core/board/ids'
import { keepKeys } from '~~/core/design/answers'
import { cellsByRule } from '~~/core/design/typedAnswers'
import { keysOn, type Key } from '~~/core/keys/key'
import { CELL_TESTS, ruleOf, type RuleTest } from '~~/core/keys/rule'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** The cells that are to be covered, by a rule about what is printed in them. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const { headingOf } = useHeadings()
const grids = computed(() => page.places.flatMap(place => (place.kind === 'grid' && place.printed ? [place] : [])))
const chosen = ref<PlaceId | null>(null)
const grid = computed(() => grids.value.find(place => place.id === chosen.value) ?? grids.value[0])
const draft = reactive({ test: 'multiple' as RuleTest, value: '', more: '' })
const fault = ref('')

function fill() {
  const rule = ruleOf(draft)
  if (!grid.value || !rule) return
  const found = cellsByRule(grid.value, rule, bench.board.value.language)
  fault.value = !found.ok ? t(`rule.fault.${found.reason}`) : found.value.length === 0 ? t('answers.noCells') : ''
  if (!found.ok || found.value.length === 0) return
  const former = keysOn(bench.board.value.keys, page.id, 'cover')
  const mine = former.find(key => key.grid === grid.value!.id)
  const key: Key = {
    kind: 'cover',
    id: mine?.id ?? v.parse(KeyIdSchema, nanoid()),
    page: page.id,
    grid: grid.value.id,
    cells: found.value,
  }
  bench.change(keepKeys(bench.board.value, page.id, 'cover', [...former.filter(other => other !== mine), key]))
}
</script>

<template>
  <form v-if="grid" class="flex flex-col gap-2" @submit.prevent="fill">
    <fieldset class="flex flex-col gap-2">
      <legend class="label">{{ t('answers.orByRule') }}</legend>
      <select
        v-if="grids.length > 1"
        class="field"
        :aria-label="t('answers.whichGrid')"
        :value="grid.id"
        @change="chosen = ($event.target as HTMLSelectElement).value as PlaceId">
        <option v-for="one in grids" :key="one.id" :value="one.id">{{ headingOf(one, page) }}</option>
      </select>
      <WorkbenchAnswersRuleField
        :draft="draft"
        :tests="CELL_TESTS"
        :label="t('rule.for', { heading: headingOf(grid, page) })"
        @set="Object.assign(draft, $event)" />
    </fieldset>
    <p v-if="fault" class="trouble" role="alert">{{ fault }}</p>
    <button type="submit" class="button">{{ t('rule.fill') }}</button>
  </form>
</template>
