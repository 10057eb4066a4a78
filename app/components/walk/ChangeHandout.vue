<script setup lang="ts">
import type { CarryChange } from '~~/core/slate/carry'
import type { WalkView } from '~/composables/useWalk'

/** What can be changed after giving out: words, the day, the board itself, closing, taking back. */
const { open, view } = defineProps<{ open: boolean, view: WalkView }>()
const emit = defineEmits<{ close: [], changed: [] }>()
interface Preview { upToDate: boolean, slates: number, touched: { what: CarryChange['what'], slates: number }[], unreadable: number }

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = computed(() => `/api/handouts/${view.id}`)
const word = ref('')
const day = ref('')
const time = ref('')
const handIn = ref(true)
const preview = ref<Preview | null>(null)
const said = ref('')
const untouched = computed(() => view.slates.every(slate => slate.status === 'not-opened'))
watch(() => open, async (now) => {
  if (!now) return
  word.value = view.word
  day.value = view.due?.day ?? ''
  time.value = view.due?.time ?? ''
  handIn.value = view.handIn
  said.value = ''
  preview.value = await attempt(() => ask<Preview>(`${path.value}/correction`)) ?? null
}, { immediate: true })

async function done(work: () => Promise<unknown>, words: string) {
  if (await attempt(async () => (await work(), true))) {
    said.value = words
    emit('changed')
  }
}
const keep = () => done(() => ask(path.value, { method: 'PUT', body: { word: word.value, due: day.value ? { day: day.value, ...time.value && { time: time.value } } : null, handIn: handIn.value } }), t('change.kept'))
const close = (closed: boolean) => done(() => ask(path.value, { method: 'PUT', body: { closed } }), t(closed ? 'change.didClose' : 'change.didOpen'))
async function correct() {
  const corrected = await attempt(() => ask<{ changed: number }>(`${path.value}/correction`, { method: 'POST', body: {} }))
  if (!corrected) return
  said.value = t('change.corrected', { count: corrected.changed })
  preview.value = await ask<Preview>(`${path.value}/correction`)
  emit('changed')
}
async function takeBack() {
  if (await attempt(() => ask(path.value, { method: 'DELETE' }))) await navigateTo('/handouts')
}
</script>

<template>
  <UiAsk :open="open" :title="t('change.title')" wide @close="emit('close')">
    <div class="grid gap-6 md:grid-cols-2">
      <form class="flex flex-col gap-3" @submit.prevent="keep">
        <label><span class="label">{{ t('giveOut.word') }}</span><textarea v-model="word" rows="3" maxlength="500" class="field" /></label>
        <div class="flex flex-wrap gap-3">
          <label><span class="label">{{ t('giveOut.due') }}</span><input v-model="day" type="date" class="field"></label>
          <label v-if="day"><span class="label">{{ t('giveOut.dueTime') }}</span><input v-model="time" type="time" class="field"></label>
        </div>
        <label class="flex items-center gap-2"><input v-model="handIn" type="checkbox">{{ t('giveOut.handIn') }}</label>
        <button class="button button-action w-fit" :disabled="busy">{{ t('change.keep') }}</button>
      </form>
      <div class="flex flex-col gap-5">
        <section v-if="preview">
          <h3 class="mb-1 font-bold">{{ t('change.board') }}</h3>
          <p v-if="preview.upToDate">{{ t('change.upToDate') }}</p>
          <template v-else>
            <p>{{ preview.touched.length ? t('change.touches') : t('change.touchesNothing', { count: preview.slates }) }}</p>
            <ul class="list-disc pl-6"><li v-for="one in preview.touched" :key="one.what">{{ t(`change.what.${one.what}`, { count: one.slates }) }}</li></ul>
            <p v-if="preview.unreadable">{{ t('change.unreadable', { count: preview.unreadable }) }}</p>
            <button type="button" class="button mt-2" :disabled="busy" @click="correct"><Icon name="lucide:layers" />{{ t('change.correct', { count: preview.slates }) }}</button>
          </template>
          <NuxtLink :to="`/board/${view.boardId}`" class="button button-quiet mt-2"><Icon name="lucide:pencil-ruler" />{{ t('change.toBoard') }}</NuxtLink>
        </section>
        <section class="flex flex-wrap gap-2">
          <button v-if="!view.closed" type="button" class="button" :disabled="busy" @click="close(true)"><Icon name="lucide:lock" />{{ t('change.close') }}</button>
          <button v-else type="button" class="button" :disabled="busy" @click="close(false)"><Icon name="lucide:lock-open" />{{ t('change.open') }}</button>
          <button v-if="untouched" type="button" class="button button-danger" :disabled="busy" @click="takeBack"><Icon name="lucide:undo-2" />{{ t('change.takeBack') }}</button>
        </section>
        <p class="note-line">{{ t(untouched ? 'change.nobody' : 'change.fixed') }}</p>
      </div>
    </div>
    <p v-if="said" role="status" class="mt-3 font-semibold">{{ said }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template>
  </UiAsk>
</template>
