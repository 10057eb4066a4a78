<script setup lang="ts">
import { QUARTER } from '~~/core/design/turnedShape'
import type { Item } from '~~/core/design/items'
import { TURN_STEP } from '~~/core/design/turning'
import type { Box } from '~~/core/geometry/shape'
import { ALIGNMENTS } from '~~/core/layout/arrange'
import type { Hands } from '~/composables/workbench/useHands'

const MM = 25.4 / 72
const ICONS = {
  left: 'lucide:align-start-vertical',
  centre: 'lucide:align-center-vertical',
  right: 'lucide:align-end-vertical',
  top: 'lucide:align-start-horizontal',
  middle: 'lucide:align-center-horizontal',
  foot: 'lucide:align-end-horizontal',
} as const

/** Always as they are: their parts of the page are read and pressed. */
const UPRIGHT: ReadonlySet<Item['kind']> = new Set(['step', 'clip', 'link'])

/**
 * What can be done to all that is selected, whatever it is: put in line, space, tidy, repeat, and exact numbers for
 * one.
 */
const { hands } = defineProps<{ hands: Hands }>()
const { t } = useWords()
const count = computed(() => hands.chosen.value.length)
const times = ref(1)
const only = computed(() => hands.only.value)
const sized = computed(() => hands.chosen.value.every(item => item.resizes))
const pieces = computed(() => hands.chosen.value.every(item => item.kind === 'piece'))
/** Pictures lie as they were taken, or are turned by quarters. */
const turns = computed(() => {
  const turning = hands.chosen.value.filter(item => !UPRIGHT.has(item.kind))
  if (turning.length === 0) return []
  return turning.every(item => item.kind === 'picture') ? [-QUARTER, QUARTER] : [-TURN_STEP, TURN_STEP, QUARTER]
})
const FIELDS = ['x', 'y', 'width', 'height'] as const
const millimetres = (name: keyof Box) => (only.value ? Math.round(only.value.box[name] * MM * 10) / 10 : 0)
function set(name: keyof Box, event: Event) {
  const field = event.target as HTMLInputElement
  const number = Number(field.value.replace(',', '.'))
  if (only.value && field.value.trim() && Number.isFinite(number))
    hands.resize(only.value, { ...only.value.box, [name]: number / MM })
  void nextTick(() => (field.value = String(millimetres(name))))
}
</script>

<template>
  <section v-if="count" class="flex flex-col gap-3 border-b border-panel-line pb-4" data-test="arrange">
    <h3 class="label">{{ t('arrange.selected', { count }) }}</h3>
    <div v-if="only" class="grid grid-cols-2 gap-2">
      <label v-for="name in FIELDS" :key="name" class="flex items-center gap-2 text-sm"
        ><span class="w-14 shrink-0">{{ t(`arrange.${name}`) }}</span>
        <UiTyped
          class="px-2"
          inputmode="decimal"
          :value="millimetres(name)"
          :disabled="!only.resizes && (name === 'width' || name === 'height')"
          :aria-label="t('arrange.inMm', { what: t(`arrange.${name}`) })"
          @change="set(name, $event)"
      /></label>
    </div>
    <template v-if="count > 1">
      <div class="flex flex-wrap gap-1.5" role="group" :aria-label="t('arrange.align')">
        <button
          v-for="to in ALIGNMENTS"
          :key="to"
          type="button"
          class="button w-[2.6rem] px-0"
          :aria-label="t(`arrange.to.${to}`)"
          :title="t(`arrange.to.${to}`)"
          @click="hands.align(to)">
          <Icon :name="ICONS[to]" size="20" />
        </button>
      </div>
      <div class="flex flex-wrap gap-1.5">
        <button type="button" class="button px-3" @click="hands.tidy()">
          <Icon name="lucide:layout-grid" />{{ t('arrange.tidy') }}
        </button>
        <template v-if="count > 2">
          <button type="button" class="button px-3" @click="hands.space('across')">
            <Icon name="lucide:move-horizontal" />{{ t('arrange.spaceAcross') }}
          </button>
          <button type="button" class="button px-3" @click="hands.space('down')">
            <Icon name="lucide:move-vertical" />{{ t('arrange.spaceDown') }}
          </button>
        </template>
        <button v-if="sized" type="button" class="button px-3" @click="hands.sameSize()">
          {{ t('arrange.sameSize') }}
        </button>
        <button v-if="!hands.isGroup.value" type="button" class="button px-3" @click="hands.group()">
          <Icon name="lucide:group" />{{ t('arrange.group') }}
        </button>
      </div>
    </template>
    <div v-if="!pieces" class="flex flex-wrap items-end gap-1.5">
      <label class="text-sm"
        ><span class="label">{{ t('arrange.repeat') }}</span
        ><input v-model.number="times" type="number" min="1" max="20" class="field w-16 px-2"
      /></label>
      <button type="button" class="button px-3" @click="hands.repeat('across', Math.min(20, Math.max(1, times || 1)))">
        <Icon name="lucide:arrow-right" />{{ t('arrange.across') }}
      </button>
      <button type="button" class="button px-3" @click="hands.repeat('down', Math.min(20, Math.max(1, times || 1)))">
        <Icon name="lucide:arrow-down" />{{ t('arrange.down') }}
      </button>
    </div>
    <div v-if="turns.length" class="flex flex-wrap gap-1.5" role="group" :aria-label="t('arrange.turn')">
      <button
        v-for="by in turns"
        :key="by"
        type="button"
        class="button px-3"
        :aria-label="t(by < 0 ? 'arrange.turnLeft' : 'arrange.turnRight', { degrees: Math.abs(by) })"
        @click="hands.turn(by)">
        <Icon :name="by < 0 ? 'lucide:rotate-ccw' : 'lucide:rotate-cw'" />{{ Math.abs(by) }}°
      </button>
    </div>
    <div class="flex flex-wrap gap-1.5">
      <button v-if="hands.isGroup.value" type="button" class="button px-3" @click="hands.ungroup()">
        <Icon name="lucide:ungroup" />{{ t('arrange.ungroup') }}
      </button>
      <template v-if="!pieces">
        <button type="button" class="button px-3" @click="hands.bring('front')">{{ t('arrange.front') }}</button>
        <button type="button" class="button px-3" @click="hands.bring('back')">{{ t('arrange.back') }}</button>
      </template>
      <button type="button" class="button button-danger px-3" @click="hands.remove()">
        <Icon :name="pieces ? 'lucide:arrow-down-to-line' : 'lucide:trash-2'" />{{
          pieces ? t('arrange.toLedge') : t('app.remove')
        }}
      </button>
    </div>
  </section>
</template>
