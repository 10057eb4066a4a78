<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { MOST_PARTS } from '~~/core/board/whatPlacesTake'
import { addCorner, removeCorner } from '~~/core/design/corners'
import { changed, roomForCells } from '~~/core/design/places'
import { boxOf } from '~~/core/geometry/outline'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/**
 * A place and what can be said of its kind. What can't be leaves the place as it is, and the field shows what it was.
 */
const { bench, page, place } = defineProps<{ bench: Workbench; page: Page; place: Place }>()
const emit = defineEmits<{ change: [{ place: Place; what: string }]; next: [] }>()
const { t } = useWords()
const heading = useTemplateRef<HTMLInputElement>('heading')
const wrong = ref(false)
defineExpose({ focus: () => heading.value?.focus() })

function set(part: object, what = ''): boolean {
  const next = changed(place, part)
  wrong.value = !next
  if (next) emit('change', { place: next, what: what && `${what} ${place.id}` })
  return next !== null
}
/** Fields of text, numbers and amounts: an impossible value is put back. */
function field(event: Event, part: (text: string) => object) {
  const input = event.target as HTMLInputElement
  const before = input.defaultValue
  if (!set(part(input.value))) input.value = before
}
const value = (event: Event) => (event.target as HTMLInputElement).value
const checked = (event: Event) => (event.target as HTMLInputElement).checked

const shape = computed(() => place.shape.kind)
/** Kinds that veil what is printed under them. */
const GROUND: ReadonlySet<Place['kind']> = new Set(['zone', 'lane', 'slot', 'grid', 'pan', 'scale', 'writing'])
const SHAPES = ['rectangle', 'ellipse', 'polygon'] as const
/** The same room in another outline; a free outline starts with eight corners. */
function reshape(kind: (typeof SHAPES)[number]) {
  const box = boxOf(place)
  const corner = (i: number) => ({
    x: box.x + (box.width / 2) * (1 + Math.sin((i * Math.PI) / 4)),
    y: box.y + (box.height / 2) * (1 - Math.cos((i * Math.PI) / 4)),
  })
  set({
    shape: kind === 'polygon' ? { kind, points: Array.from({ length: 8 }, (_, i) => corner(i)) } : { kind, ...box },
  })
}
const cells = (rows: number, columns: number) =>
  place.kind === 'grid' ? { rows, columns, shape: roomForCells(place, rows, columns, page) } : {}
const printed = computed(() => (place.kind === 'grid' ? (place.printed?.join('\n') ?? '') : ''))
function numbered(rows: number, columns: number) {
  set({ printed: Array.from({ length: rows * columns }, (_, i) => String(i + 1)) })
}
function setPrinted(text: string) {
  const lines = text.split('\n').map(line => line.trim())
  set({ printed: lines.some(Boolean) ? lines : undefined })
}
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <h3 class="font-bold">{{ t(`places.kinds.${place.kind}`) }}</h3>
    <label v-if="place.kind !== 'gaps'"
      ><span class="label">{{ t(place.kind === 'pin' ? 'places.pinName' : 'places.heading') }}</span>
      <input
        ref="heading"
        class="field"
        data-words
        maxlength="80"
        :value="place.heading"
        :placeholder="t('places.headingExample')"
        @input="set({ heading: value($event) }, 'heading')"
        @keydown.enter="place.kind === 'zone' && emit('next')" />
    </label>
    <p v-if="wrong" class="trouble" role="alert">{{ t('places.wrong') }}</p>

    <template v-if="place.kind === 'zone'">
      <label class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-leaf-600"
          :checked="place.blank ?? false"
          @change="set({ blank: checked($event) })" />{{ t('places.blank') }}</label
      >
      <label
        ><span class="label">{{ t('places.shape') }}</span
        ><select class="field" :value="shape" @change="reshape(value($event) as (typeof SHAPES)[number])">
          <option v-for="kind in SHAPES" :key="kind" :value="kind">{{ t(`places.shapes.${kind}`) }}</option>
        </select></label
      >
    </template>
    <div v-if="shape === 'polygon'" class="flex flex-wrap gap-2">
      <button type="button" class="button px-3" @click="bench.change(addCorner(bench.board.value, page.id, place.id))">
        {{ t('places.cornerMore') }}
      </button>
      <button
        type="button"
        class="button px-3"
        @click="bench.change(removeCorner(bench.board.value, page.id, place.id))">
        {{ t('places.cornerLess') }}
      </button>
    </div>

    <template v-if="place.kind === 'lane'">
      <label
        ><span class="label">{{ t('places.direction') }}</span>
        <select
          class="field"
          :value="place.direction === 'column' ? 'down' : place.fromRight ? 'left' : 'right'"
          @change="
            set({
              direction: value($event) === 'down' ? 'column' : 'row',
              fromRight: value($event) === 'left' || undefined,
            })
          ">
          <option v-for="way in ['right', 'left', 'down'] as const" :key="way" :value="way">
            {{ t(`places.ways.${way}`) }}
          </option>
        </select></label
      >
    </template>

    <template v-if="place.kind === 'grid'">
      <div class="grid grid-cols-2 gap-2">
        <label
          ><span class="label">{{ t('places.rows') }}</span
          ><UiTyped
            type="number"
            min="1"
            max="40"
            :value="place.rows"
            @change="field($event, n => cells(Number(n), place.kind === 'grid' ? place.columns : 1))"
        /></label>
        <label
          ><span class="label">{{ t('places.columns') }}</span
          ><UiTyped
            type="number"
            min="1"
            max="40"
            :value="place.columns"
            @change="field($event, n => cells(place.kind === 'grid' ? place.rows : 1, Number(n)))"
        /></label>
      </div>
      <label
        ><span class="label">{{ t('places.printed') }}</span
        ><UiTyped tall rows="3" :value="printed" @change="setPrinted(value($event))"
      /></label>
      <button type="button" class="button px-3" @click="numbered(place.rows, place.columns)">
        {{ t('places.numbered', { last: place.rows * place.columns }) }}
      </button>
    </template>

    <template v-if="place.kind === 'scale'">
      <div class="grid grid-cols-3 gap-2">
        <label
          ><span class="label">{{ t('places.least') }}</span
          ><UiTyped class="px-2" maxlength="20" :value="place.least" @change="field($event, least => ({ least }))"
        /></label>
        <label
          ><span class="label">{{ t('places.most') }}</span
          ><UiTyped class="px-2" maxlength="20" :value="place.most" @change="field($event, most => ({ most }))"
        /></label>
        <label
          ><span class="label">{{ t('places.step') }}</span
          ><UiTyped
            class="px-2"
            maxlength="20"
            :value="place.step ?? ''"
            @change="field($event, step => ({ step: step.trim() || null }))"
        /></label>
      </div>
      <p class="note-line">{{ t('places.scaleHow') }}</p>
      <div v-if="place.step === null" class="grid grid-cols-2 gap-2">
        <label v-for="end in [0, 1] as const" :key="end"
          ><span class="label">{{ t(end ? 'places.endTo' : 'places.endFrom') }}</span>
          <input
            class="field"
            maxlength="80"
            :value="place.ends?.[end] ?? ''"
            @input="
              set(
                { ends: end ? [place.ends?.[0] ?? '', value($event)] : [value($event), place.ends?.[1] ?? ''] },
                `end ${end}`,
              )
            "
        /></label>
      </div>
    </template>

    <template v-if="place.kind === 'writing'">
      <label
        ><span class="label">{{ t('places.takes') }}</span>
        <select class="field" :value="place.lines" @change="set({ lines: value($event) })">
          <option v-for="lines in ['one', 'many', 'number'] as const" :key="lines" :value="lines">
            {{ t(`places.written.${lines}`) }}
          </option>
        </select></label
      >
    </template>
    <label v-if="place.kind === 'gaps'"
      ><span class="label">{{ t('places.gapText') }}</span
      ><UiTyped
        tall
        data-words
        rows="4"
        maxlength="3000"
        :value="place.text"
        @change="field($event, text => ({ text }))"
    /></label>
    <label v-if="place.kind === 'writing' || place.kind === 'gaps'"
      ><span class="label">{{ t('backdrop.textSize', { size: place.textSize }) }}</span>
      <input
        type="range"
        min="12"
        max="36"
        class="w-full accent-leaf-600"
        :value="place.textSize"
        @input="set({ textSize: Number(value($event)) }, 'size')"
    /></label>

    <label v-if="GROUND.has(place.kind)" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="place.clear ?? false"
        @change="set({ clear: checked($event) || undefined })" />{{ t('places.clear') }}</label
    >
    <label v-if="place.heading && place.kind !== 'pin'" class="flex min-h-9 items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5 shrink-0 accent-leaf-600"
        :checked="place.unseen ?? false"
        @change="set({ unseen: checked($event) || undefined })" />{{ t('places.unseen') }}</label
    >

    <label
      ><span class="label">{{ t('places.whose') }}</span>
      <select
        class="field"
        :value="place.part ?? ''"
        @change="set({ part: value($event) ? Number(value($event)) : undefined })">
        <option value="">{{ t('places.everybodys') }}</option>
        <option v-for="n in MOST_PARTS" :key="n" :value="n">{{ t('marks.part', { number: n }) }}</option>
      </select></label
    >
  </section>
</template>
