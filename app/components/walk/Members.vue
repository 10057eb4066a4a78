<script setup lang="ts">
import { partsOf } from '~~/core/board/parts'
import type { WalkSlate } from '~/composables/review/useWalk'

/** Who works on which frame, and in which part of it; each is changed by one choice, in the middle of the lesson. */
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
    ...loose.map(one => ({ ...one, on: '', parts: 0, part: null as number | null })),
    ...frames.value.flatMap(slate =>
      slate.members.map(({ student, name, part }) => ({
        student,
        name,
        on: slate.id,
        parts: partsOf(slate.edition.board),
        part,
      })),
    ),
  ].toSorted((a, b) => a.name.localeCompare(b.name, 'en')),
)

/** Of a board with parts: who has which. Several may share one. */
async function setPart(row: { student: string; name: string }, part: number | null) {
  const done = await attempt(() =>
    ask(`/api/handouts/${handout}/members`, { method: 'PUT', body: { student: row.student, part } }),
  )
  emit('placed')
  if (done)
    said.value = t('walk.partSet', {
      name: row.name,
      part: part === null ? t('walk.noPart') : t('walk.partNumber', { number: part }),
    })
}
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
        <select
          v-if="row.parts"
          class="field w-32"
          :value="row.part ?? ''"
          :disabled="busy"
          :aria-label="t('walk.partOf', { name: row.name })"
          @change="setPart(row, Number(($event.target as HTMLSelectElement).value) || null)">
          <option value="">{{ t('walk.noPart') }}</option>
          <option v-for="number in row.parts" :key="number" :value="number">
            {{ t('walk.partNumber', { number }) }}
          </option>
        </select>
      </li>
    </ul>
    <p v-if="said" role="status" class="mt-3">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
