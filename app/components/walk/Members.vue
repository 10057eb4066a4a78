<script setup lang="ts">
import type { WalkSlate } from '~/composables/review/useWalk'

/** Who works on which frame; each student is moved by one choice, in the middle of the lesson. */
const { open, handout, slates, loose } = defineProps<{
  open: boolean
  handout: string
  slates: readonly WalkSlate[]
  loose: readonly { student: string; name: string }[]
}>()
const emit = defineEmits<{ close: []; placed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const said = ref('')
const frames = computed(() => slates.filter(slate => slate.mark !== null))
const rows = computed(() =>
  [
    ...loose.map(one => ({ ...one, on: '' })),
    ...frames.value.flatMap(slate =>
      slate.members.map(member => ({ student: member.student, name: member.name, on: slate.id })),
    ),
  ].toSorted((a, b) => a.name.localeCompare(b.name, 'en')),
)

async function place(student: { student: string; name: string }, to: string) {
  const done = await attempt(() =>
    ask(`/api/handouts/${handout}/members`, { method: 'PUT', body: { student: student.student, to: to || null } }),
  )
  emit('placed')
  if (done)
    said.value = t('walk.placed', {
      name: student.name,
      group: frames.value.find(slate => slate.id === to)?.name ?? t('walk.noFrame'),
    })
}
</script>

<template>
  <UiAsk :open="open" :title="t('walk.whoWhere')" @close="emit('close')">
    <p class="mb-3">{{ t('walk.placeHow') }}</p>
    <ul class="flex max-h-[60vh] flex-col gap-1 overflow-auto p-1">
      <li
        v-for="row in rows"
        :key="row.student"
        class="flex items-center gap-3"
        :class="row.on ? '' : 'rounded-lg bg-sunfleck-100 text-stone-950'">
        <label class="flex w-full items-center gap-3 px-2"
          ><span class="grow font-semibold"
            ><bdi>{{ row.name }}</bdi></span
          >
          <select
            class="field w-48"
            :value="row.on"
            :disabled="busy"
            @change="place(row, ($event.target as HTMLSelectElement).value)">
            <option value="">{{ t('walk.noFrame') }}</option>
            <option v-for="slate in frames" :key="slate.id" :value="slate.id">
              {{ slate.name }} ({{ slate.members.length }})
            </option>
          </select>
        </label>
      </li>
    </ul>
    <p v-if="said" role="status" class="mt-3">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
