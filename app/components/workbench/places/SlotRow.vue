<script setup lang="ts">
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { PlaceIdSchema } from '~~/core/board/ids'
import type { Slot } from '~~/core/board/place'
import { changePlace } from '~~/core/design/places'
import { MOST_SLOTS_IN_ROW, setSlotCount } from '~~/core/design/slotRow'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Slots that belong together: how many they are, and what stands over each. */
const { bench, page, slots } = defineProps<{ bench: Workbench; page: Page; slots: readonly Slot[] }>()
const emit = defineEmits<{ made: [ids: string[]] }>()
const { t } = useWords()
const headings = useTemplateRef<HTMLInputElement[]>('headings')
defineExpose({ focus: () => headings.value?.[0]?.focus() })

function setCount(event: Event) {
  const field = event.target as HTMLInputElement
  const fresh = () => v.parse(PlaceIdSchema, nanoid())
  const ids = slots.map(slot => slot.id)
  const next = setSlotCount({ board: bench.board.value, pageId: page.id, ids, count: Number(field.value), fresh })
  if (next === bench.board.value) field.value = String(slots.length)
  else {
    bench.change(next)
    emit('made', ids.slice(0, 1))
  }
}
const setHeading = (slot: Slot, event: Event) =>
  bench.change(
    changePlace(bench.board.value, page.id, slot.id, place => ({
      ...place,
      heading: (event.target as HTMLInputElement).value,
    })),
    `heading ${slot.id}`,
  )
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <h3 class="font-bold">{{ t('places.slotRow') }}</h3>
    <label
      ><span class="label">{{ t('places.slotCount') }}</span
      ><input
        type="number"
        class="field w-24"
        min="1"
        :max="MOST_SLOTS_IN_ROW"
        :value="slots.length"
        @change="setCount"
    /></label>
    <label v-for="(slot, i) in slots" :key="slot.id"
      ><span class="label">{{ t('places.slotHeading', { number: i + 1 }) }}</span
      ><input ref="headings" class="field" maxlength="80" :value="slot.heading" @input="setHeading(slot, $event)"
    /></label>
    <p class="note-line">{{ t('places.slotRowHow') }}</p>
  </section>
</template>
