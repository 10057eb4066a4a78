<script setup lang="ts">
import type { SlotsKey } from '~~/core/keys/slots/key'
import type { Workbench } from '~/composables/workbench/useWorkbench'

const MOST_SLOTS = 40

/** Slots that may change places with each other, in as many groups as there are. */
const { bench, answer } = defineProps<{ bench: Workbench; answer: SlotsKey }>()
const emit = defineEmits<{ change: [key: SlotsKey] }>()
const { t } = useWords()
const itemName = useItemName(() => bench.edition.value)
const slots = computed(() => Object.keys(answer.fits).slice(0, MOST_SLOTS))
/** The group of each slot; one that has a slot alone says nothing yet, and is in no key. */
const groupOf = reactive(new Map((answer.alike ?? []).flatMap((group, i) => group.map(slot => [slot, i] as const))))
/** One more than there are, so that a new one can be begun. */
const groups = computed(() => Math.max(-1, ...groupOf.values()) + 2)

function put(slot: string, group: string) {
  if (group) groupOf.set(slot, Number(group))
  else groupOf.delete(slot)
  const { alike: _, ...rest } = answer
  const alike = Array.from({ length: groups.value }, (_, i) => slots.value.filter(s => groupOf.get(s) === i)).filter(
    members => members.length > 1,
  )
  emit('change', alike.length ? { ...rest, alike } : rest)
}
</script>

<template>
  <details v-if="slots.length > 1" :open="!!answer.alike?.length">
    <summary class="min-h-11 cursor-pointer py-2 font-semibold">{{ t('answers.alike') }}</summary>
    <label v-for="slot in slots" :key="slot" class="mb-1 flex items-center gap-2"
      ><span class="min-w-0 flex-1">{{ itemName({ item: slot, is: 'place' }) }}</span
      ><select
        class="field w-auto"
        :value="groupOf.get(slot) ?? ''"
        @change="put(slot, ($event.target as HTMLSelectElement).value)">
        <option value="">{{ t('answers.stays') }}</option>
        <option v-for="n in groups" :key="n" :value="n - 1">{{ t('answers.alikeGroup', { number: n }) }}</option>
      </select></label
    >
  </details>
</template>
