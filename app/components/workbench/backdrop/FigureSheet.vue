<script setup lang="ts">
import type { Figure } from '~~/core/board/backdrop'
import type { Page } from '~~/core/board/board'
import { changeFigure } from '~~/core/design/backdrop'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const FILLS = {
  none: null,
  white: '#ffffff',
  sand: '#fdf3dc',
  leaf: '#e6f1ea',
  sky: '#e3eef5',
  stone: '#d8dfdc',
} as const

/** A fixed shape with its words. */
const { bench, page, figure } = defineProps<{ bench: Workbench; page: Page; figure: Figure }>()
const { t } = useWords()
const change = (part: Partial<Figure>, what = '') =>
  bench.change(changeFigure(bench.board.value, page.id, figure.id, part), what && `${what} ${figure.id}`)
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <label
      ><span class="label">{{ t('backdrop.text') }}</span
      ><textarea
        class="field"
        data-words
        rows="2"
        maxlength="1000"
        :value="figure.text"
        @input="change({ text: ($event.target as HTMLTextAreaElement).value }, 'text')" />
    </label>
    <label
      ><span class="label">{{ t('backdrop.textSize', { size: figure.textSize }) }}</span
      ><input
        type="range"
        min="10"
        max="60"
        class="w-full accent-leaf-600"
        :value="figure.textSize"
        @input="change({ textSize: Number(($event.target as HTMLInputElement).value) }, 'size')"
    /></label>
    <div class="flex flex-wrap gap-x-4">
      <label class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="figure.bold ?? false"
          @change="change({ bold: checked($event) })" />{{ t('backdrop.bold') }}</label
      >
      <label class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="figure.fromLeft ?? false"
          @change="change({ fromLeft: checked($event) })" />{{ t('backdrop.fromLeft') }}</label
      >
      <label class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="figure.line !== null"
          @change="change({ line: checked($event) ? '#3c494a' : null })" />{{ t('backdrop.edge') }}</label
      >
    </div>
    <label v-if="!figure.text.trim()"
      ><span class="label">{{ t('backdrop.figureName') }}</span
      ><input
        class="field"
        maxlength="80"
        :value="figure.name ?? ''"
        @input="change({ name: ($event.target as HTMLInputElement).value }, 'name')"
    /></label>
    <UiSwatches
      :colours="FILLS"
      :chosen="figure.fill"
      :legend="t('backdrop.filled')"
      :name-of="name => t(`backdrop.fills.${name}`)"
      @choose="change({ fill: $event })" />
  </section>
</template>
