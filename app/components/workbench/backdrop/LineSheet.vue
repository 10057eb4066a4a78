<script setup lang="ts">
import type { Line } from '~~/core/board/backdrop'
import type { Page } from '~~/core/board/board'
import { changeLine } from '~~/core/design/backdrop'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const POINTS = ['none', 'one', 'both'] as const

/** A fixed line or arrow. */
const { bench, page, line } = defineProps<{ bench: Workbench; page: Page; line: Line }>()
const { t } = useWords()
const change = (part: Partial<Line>, what = '') =>
  bench.change(changeLine(bench.board.value, page.id, line.id, part), what && `${what} ${line.id}`)
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <label
      ><span class="label">{{ t('backdrop.thickness', { points: line.thickness }) }}</span
      ><input
        type="range"
        min="1"
        max="16"
        class="w-full accent-leaf-600"
        :value="line.thickness"
        @input="change({ thickness: Number(($event.target as HTMLInputElement).value) }, 'thickness')"
    /></label>
    <label
      ><span class="label">{{ t('backdrop.points') }}</span>
      <select
        class="field"
        :value="line.points"
        @change="change({ points: ($event.target as HTMLSelectElement).value as Line['points'] })">
        <option v-for="points in POINTS" :key="points" :value="points">{{ t(`backdrop.pointed.${points}`) }}</option>
      </select></label
    >
    <label class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="line.dashed ?? false"
        @change="change({ dashed: ($event.target as HTMLInputElement).checked })" />{{ t('backdrop.dashed') }}</label
    >
  </section>
</template>
