<script setup lang="ts">
import type { Counts, Levels, Rubric } from '~~/core/handout/counting'
import { inHalves } from '~~/core/handout/review'

/** What the work is worth, by the teacher's word: points of the most there are, or a level for each criterion. */
const { counts, most, rubric, proposed } = defineProps<{
  counts: Counts
  most: number | null
  rubric: Rubric | null
  proposed: { points: number; of: number }
}>()
const emit = defineEmits<{ changed: []; back: [] }>()
const points = defineModel<number | null>('points', { required: true })
const levels = defineModel<Levels>('levels', { required: true })
const { t } = useWords()
/** What the key gives, brought to the points that it counts for. */
const byKey = computed(() => (proposed.of && most ? inHalves(proposed.points / proposed.of, most) : null))
/** As it comes out, where it isn't just what is given. */
const exact = computed(() => {
  if (byKey.value === null || !most) return null
  const share = (proposed.points / proposed.of) * most
  return Math.abs(share - byKey.value) < 0.005 ? null : share.toFixed(2)
})
function give(value: string | number | null) {
  const number = value === '' || value === null ? null : Number(value)
  points.value = number === null || Number.isNaN(number) ? null : Math.min(Math.max(0, number), most ?? 0)
  emit('changed')
}
/** The same level again takes it back. */
function judge(criterion: number, level: number) {
  const { [String(criterion)]: before, ...others } = levels.value
  levels.value = before === level ? others : { ...others, [String(criterion)]: level }
  emit('changed')
}
/** The keyboard comes from the list of items, and goes back to it; a level has its number as its key. */
const criteria = useTemplateRef<HTMLElement[]>('criteria')
const pointsField = useTemplateRef<HTMLElement>('pointsField')
const rowOf = (i: number) => criteria.value?.find(row => row.dataset.criterion === String(i))
const focus = () => (rowOf(0) ?? pointsField.value?.querySelector('input'))?.focus()
function press(event: KeyboardEvent, i: number) {
  if (event.altKey || event.ctrlKey || event.metaKey) return
  const level = Number(event.key) - 1
  if (event.key === 'ArrowDown') rowOf(i + 1)?.focus()
  else if (event.key === 'ArrowUp') {
    if (i === 0) emit('back')
    else rowOf(i - 1)?.focus()
  } else if (rubric?.criteria[i]?.levels[level]) judge(i, level)
  else return
  event.preventDefault()
}
defineExpose({ focus })
</script>

<template>
  <div v-if="counts === 'points'" ref="pointsField" class="flex flex-wrap items-end gap-3">
    <label
      ><span class="label">{{ t('counting.pointsOf', { of: most ?? 0 }) }}</span
      ><UiTyped
        type="number"
        class="w-28"
        min="0"
        :max="most ?? 0"
        step="0.5"
        :value="points ?? ''"
        @change="give(($event.target as HTMLInputElement).value)"
    /></label>
    <button v-if="byKey !== null && byKey !== points" type="button" class="button" @click="give(byKey)">
      {{ t('counting.byKey', { points: byKey }) }}
    </button>
    <p v-if="exact !== null" class="note-line">{{ t('counting.rounded', { exact, points: byKey ?? 0 }) }}</p>
    <p v-if="points === null" class="note-line">{{ t('counting.ungraded') }}</p>
  </div>
  <div v-else-if="counts === 'rubric' && rubric" class="-mx-2 flex max-h-64 flex-col gap-3 overflow-auto p-2">
    <fieldset
      v-for="(criterion, i) in rubric.criteria"
      ref="criteria"
      :key="i"
      :data-criterion="i"
      tabindex="-1"
      class="rounded p-1"
      @keydown="press($event, i)">
      <legend class="label">{{ criterion.name }}</legend>
      <div class="flex flex-wrap gap-1">
        <button
          v-for="(level, j) in criterion.levels"
          :key="j"
          type="button"
          class="button min-h-9 px-3 py-1 text-sm"
          :class="levels[String(i)] === j ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
          :aria-pressed="levels[String(i)] === j"
          :aria-label="`${criterion.name}: ${level.name}`"
          :title="`${j + 1}: ${level.means || level.name}`"
          @click="judge(i, j)">
          {{ level.name }}
        </button>
      </div>
    </fieldset>
  </div>
</template>
