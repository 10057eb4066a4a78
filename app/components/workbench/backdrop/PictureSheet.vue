<script setup lang="ts">
import type { BackdropPicture } from '~~/core/board/backdrop'
import type { Page } from '~~/core/board/board'
import { changePicture, cropped, fitted } from '~~/core/design/backdrop'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const SIDES = ['left', 'top', 'right', 'bottom'] as const

/** A printed picture: what it shows, how large it is, what is cut off. */
const { bench, page, picture } = defineProps<{ bench: Workbench; page: Page; picture: BackdropPicture }>()
const { t } = useWords()
const change = (to: (p: BackdropPicture) => BackdropPicture, what = '') =>
  bench.change(changePicture(bench.board.value, page.id, picture.id, to), what && `${what} ${picture.id}`)
const percent = (side: (typeof SIDES)[number]) => Math.round((picture.crop?.[side] ?? 0) * 100)
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <label
      ><span class="label">{{ t('backdrop.shows') }}</span
      ><input
        class="field"
        maxlength="300"
        :value="picture.alt"
        @input="change(p => ({ ...p, alt: ($event.target as HTMLInputElement).value }), 'alt')"
    /></label>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="button px-3" @click="change(p => fitted(p, page, 'fit'))">
        {{ t('backdrop.fit') }}
      </button>
      <button type="button" class="button px-3" @click="change(p => fitted(p, page, 'fill'))">
        {{ t('backdrop.fill') }}
      </button>
    </div>
    <fieldset>
      <legend class="label">{{ t('backdrop.cutOff') }}</legend>
      <label v-for="side in SIDES" :key="side" class="flex items-center gap-2 text-sm"
        ><span class="w-14">{{ t(`backdrop.sides.${side}`) }}</span>
        <input
          type="range"
          min="0"
          max="90"
          class="w-full accent-leaf-600"
          :value="percent(side)"
          @input="
            change(p => cropped(p, side, Number(($event.target as HTMLInputElement).value) / 100), `crop ${side}`)
          " />
        <span class="w-10 text-right">{{ percent(side) }} %</span></label
      >
    </fieldset>
  </section>
</template>
