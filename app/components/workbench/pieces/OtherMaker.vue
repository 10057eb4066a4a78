<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import { TIPS } from '~~/core/board/piece'
import type { Grid } from '~~/core/board/place'
import { cellSize, coverCells } from '~~/core/design/covers'
import { labelsForPins, pinsWithoutLabel } from '~~/core/design/labelsAndPins'
import { addOthers, OTHER_FORMS, type OtherForm } from '~~/core/design/otherPieces'
import { readWordList } from '~~/core/design/pieces'
import { freshIds } from '~/composables/workbench/useIds'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const MM = 72 / 25.4

/** Labels, movable headings, tokens, covers and notes. */
const { bench, page } = defineProps<{ bench: Workbench; page: Page }>()
const { t } = useWords()
const form = ref<OtherForm>('label')
const list = ref('')
const bin = ref(true)
const tip = ref<(typeof TIPS)[number]>('left')
const width = ref(34)
const height = ref(21)
const listed = computed(() => form.value === 'label' || form.value === 'heading')
const texts = computed(() =>
  listed.value
    ? readWordList(list.value, 100).words
    : [list.value.trim() || t(`others.named.${form.value as 'token' | 'cover' | 'note'}`)],
)
const unlabelled = computed(() => pinsWithoutLabel(bench.board.value, page.id).length)
const side = (mm: number) => Math.min(200, Math.max(5, mm || 20)) * MM
const { headingOf } = useHeadings()
const grids = computed(() =>
  page.places
    .filter((place): place is Grid => place.kind === 'grid')
    .map(grid => ({ grid, name: headingOf(grid, page), ...cellSize(grid) })),
)
const inMm = (points: number) => Math.round((points / MM) * 10) / 10
const asCells = (size: { width: number; height: number }) =>
  ([width.value, height.value] = [inMm(size.width), inMm(size.height)])
// Covers are for the cells of the page, where there are any.
watch(form, now => now === 'cover' && grids.value[0] && asCells(grids.value[0]))
const hide = (grid: Grid) =>
  bench.change(
    coverCells(bench.board.value, page.id, {
      grid: grid.id,
      name: list.value.trim() || t('others.named.cover'),
      ids: freshIds,
    }),
  )
function make() {
  bench.change(
    addOthers(
      bench.board.value,
      page.id,
      {
        form: form.value,
        texts: texts.value,
        bin: !listed.value && bin.value,
        tip: tip.value,
        ...(form.value === 'cover' && { size: { width: side(width.value), height: side(height.value) } }),
      },
      freshIds,
    ),
  )
  list.value = ''
}
</script>

<template>
  <div class="flex flex-col gap-3">
    <label
      ><span class="label">{{ t('others.form') }}</span
      ><select v-model="form" class="field">
        <option v-for="name in OTHER_FORMS" :key="name" :value="name">{{ t(`others.forms.${name}`) }}</option>
      </select></label
    >
    <p class="note-line">{{ t(`others.how.${form}`) }}</p>
    <label
      ><span class="label">{{ t(listed ? 'pieces.list' : 'others.called') }}</span>
      <textarea v-if="listed" v-model="list" rows="4" class="field" /><input
        v-else
        v-model="list"
        class="field"
        maxlength="120"
        :placeholder="t(`others.named.${form as 'token' | 'cover' | 'note'}`)"
    /></label>
    <label v-if="form === 'label'"
      ><span class="label">{{ t('others.tip') }}</span
      ><select v-model="tip" class="field">
        <option v-for="way in TIPS" :key="way" :value="way">{{ t(`others.tips.${way}`) }}</option>
      </select></label
    >
    <div v-if="form === 'cover'" class="grid grid-cols-2 gap-2">
      <label
        ><span class="label">{{ t('others.width') }}</span
        ><input v-model.number="width" class="field" type="number" min="5" max="200" step="any"
      /></label>
      <label
        ><span class="label">{{ t('others.height') }}</span
        ><input v-model.number="height" class="field" type="number" min="5" max="200" step="any"
      /></label>
    </div>
    <template v-if="form === 'cover'">
      <div v-for="one in grids" :key="one.grid.id" class="flex flex-wrap gap-2">
        <button type="button" class="button grow" @click="asCells(one)">
          {{ t('others.asCells', { grid: one.name }) }}
        </button>
        <button type="button" class="button grow" @click="hide(one.grid)">
          {{ t('others.overCells', { grid: one.name, count: one.grid.rows * one.grid.columns }) }}
        </button>
      </div>
    </template>
    <label v-if="!listed" class="flex min-h-9 items-center gap-2"
      ><input v-model="bin" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{ t('tiles.bins') }}</label
    >
    <button
      v-if="form === 'label' && unlabelled"
      type="button"
      class="button"
      @click="bench.change(labelsForPins(bench.board.value, page.id, tip, freshIds))">
      {{ t('others.forPins', { count: unlabelled }) }}
    </button>
    <button type="button" class="button button-action" :disabled="texts.length === 0" @click="make">
      {{ t('others.make', { count: texts.length }) }}
    </button>
  </div>
</template>
