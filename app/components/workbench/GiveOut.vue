<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { preflight } from '~~/core/preflight/preflight'
import type { Workbench } from '~/composables/useWorkbench'

const { open, boardId, bench } = defineProps<{ open: boolean, boardId: string, bench: Workbench }>()
const emit = defineEmits<{ close: [] }>()
interface ClassRow { id: string, name: string, code: string, students: number }

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const classes = ref<ClassRow[]>([])
const chosen = ref<ClassRow>()
const once = useOnce()
const given = ref<{ id: string, slates: number } | null>(null)
const stops = computed(() => preflight(bench.board.value).filter(f => f.severity === 'stops').length)
const link = computed(() => given.value && chosen.value ? `${location.origin}/join?class=${chosen.value.code}&handout=${given.value.id}` : '')

watch(() => open, async (now) => {
  if (!now) return
  given.value = null
  once.anew()
  classes.value = await attempt(() => ask<ClassRow[]>('/api/classes')) ?? []
  chosen.value = classes.value.find(c => c.students > 0) 
})

async function giveOut() {
  const done = await attempt(async () => {
    if (!await bench.keep()) throw new Refused('not-kept')
    const body = { classId: chosen.value!.id }
    return ask<{ id: string, slates: number }>(`/api/boards/${boardId}/handouts`, { method: 'POST', body, once: once.keyFor(body) })
  })
  if (done) given.value = done
}
</script>

<template>
  <UiAsk :open="open" :title="given ? t('giveOut.done') : t('giveOut.title')" @close="emit('close')">
    <template v-if="!given">
      <p v-if="classes.length === 0" class="mb-3">{{ t('giveOut.noClass') }} <NuxtLink to="/classes" class="font-semibold text-action underline">{{ t('classes.title') }}</NuxtLink></p>
      <RadioGroup v-else v-model="chosen" by="id" class="flex flex-col gap-2">
        <RadioGroupLabel as="span" class="label">{{ t('giveOut.whom') }}</RadioGroupLabel>
        <RadioGroupOption v-for="row in classes" :key="row.id" v-slot="{ checked }" :value="row" :disabled="row.students === 0">
          <span class="button w-full justify-start" :class="[checked ? 'border-leaf-700 bg-leaf-100 text-stone-950' : '', row.students === 0 ? 'opacity-60' : '']">
            <Icon :name="checked ? 'lucide:circle-check-big' : 'lucide:circle'" />{{ row.name }}
            <span class="ml-auto font-normal">{{ t('classes.students', { count: row.students }) }}</span>
          </span>
        </RadioGroupOption>
      </RadioGroup>
      <p v-if="chosen" class="mt-4 rounded-lg border-l-[6px] border-sunfleck-400 bg-sunfleck-100 p-4 text-stone-950">{{ t('giveOut.sentence', { count: chosen.students, name: chosen.name }) }}</p>
      <p v-if="stops" class="trouble mt-3">{{ t('giveOut.stops', { count: stops }) }}</p>
    </template>
    <template v-else>
      <p class="mb-4">{{ t('giveOut.gave', { count: given.slates, name: chosen!.name }) }}</p>
      <WalkJoinCard :code="chosen!.code" :link="link" />
    </template>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ given ? t('app.close') : t('app.cancel') }}</button>
      <NuxtLink v-if="given" :to="`/handout/${given.id}`" class="button button-action">{{ t('giveOut.walk') }}</NuxtLink>
      <button v-else type="button" class="button button-action" :disabled="busy || !chosen" @click="giveOut">{{ t('giveOut.action', { count: chosen?.students ?? 0 }) }}</button>
    </template>
  </UiAsk>
</template>
