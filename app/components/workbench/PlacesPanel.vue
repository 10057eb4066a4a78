<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { PlaceIdSchema } from '~~/core/board/ids'
import { addZone, boxOf, changePlace, removePlace, sameSize, zonesInRow } from '~~/core/design/zones'
import type { Workbench } from '~/composables/useWorkbench'

const MM = 25.4 / 72

const { bench, page } = defineProps<{ bench: Workbench, page: Page }>()
const selected = defineModel<string | null>('selected', { required: true })
const { t } = useWords()
const heading = useTemplateRef<HTMLInputElement>('heading')
const place = computed(() => page.places.find(p => p.id === selected.value) ?? null)
const zones = computed(() => page.places.filter(p => p.kind === 'zone').length)
const millimetres = computed(() => {
  if (!place.value) return ''
  const { width, height } = boxOf(place.value)
  return t('places.size', { width: Math.round(width * MM), height: Math.round(height * MM) })
})

async function add() {
  const id = v.parse(PlaceIdSchema, nanoid())
  bench.change(addZone(bench.board.value, page.id, id, ''))
  selected.value = id
  await nextTick()
  heading.value?.focus()
}

function remove() {
  if (!place.value) return
  bench.change(removePlace(bench.board.value, page.id, place.value.id))
  selected.value = null
}
</script>

<template>
  <div class="flex flex-col gap-5">
    <button type="button" class="button w-full" @click="add"><Icon name="lucide:square-dashed" />{{ t('places.add') }}</button>
    <template v-if="place">
      <label><span class="label">{{ t('places.heading') }}</span>
        <input ref="heading" class="field" maxlength="80" :value="place.heading" :placeholder="t('places.headingExample')" @input="bench.change(changePlace(bench.board.value, page.id, place.id, { heading: ($event.target as HTMLInputElement).value }), `heading ${place.id}`)" @keydown.enter="add">
      </label>
      <p class="note-line">{{ millimetres }}</p>
      <div class="flex flex-wrap gap-2">
        <button v-if="place.kind === 'zone' && zones > 1" type="button" class="button" @click="bench.change(sameSize(bench.board.value, page.id, place.id))">{{ t('places.same') }}</button>
        <button type="button" class="button button-danger" @click="remove"><Icon name="lucide:trash-2" />{{ t('app.remove') }}</button>
      </div>
    </template>
    <p v-else-if="page.places.length" class="note-line">{{ t('places.select') }}</p>
    <button v-if="zones > 1" type="button" class="button" @click="bench.change(zonesInRow(bench.board.value, page.id))"><Icon name="lucide:columns-3" />{{ t('places.row') }}</button>
    <p class="note-line">{{ t('places.locked') }}</p>
  </div>
</template>
