<script setup lang="ts">
import { LONGEST_QUESTION, type JarSetting, type Question, type Vote } from '~~/core/lesson/jar'

/** The question jar as a student sees it: ask, read what others ask, vote for it or against it. */
const { slate, open, version } = defineProps<{
  slate: string
  open: boolean
  /** Counts news of the lesson. */
  version: number
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const path = `/api/slates/${slate}/questions`
const view = shallowRef<{ jar: JarSetting; questions: Question[] } | null>(null)
const words = ref('')
/** The id of what is being asked: sent again after a lost answer it is the same question. */
const id = ref(newUuid())

async function read() {
  view.value = (await askFor<{ jar: JarSetting; questions: Question[] }>(path).catch(() => null)) ?? view.value
}
/** A class that votes makes one reading of it. */
const readSoon = useDebounceFn(read, 300, { maxWait: 1500 })
watch(
  () => open,
  now => now && void read(),
  { immediate: true },
)
watch(
  () => version,
  () => open && void readSoon(),
)
async function send() {
  if (!words.value.trim()) return
  const sent = await attempt(
    async () => (await askFor(path, { method: 'POST', body: { id: id.value, words: words.value } }), true),
  )
  if (!sent) return
  words.value = ''
  id.value = newUuid()
  await read()
}
async function vote(question: Question, how: Vote) {
  await attempt(() =>
    askFor(`${path}/${question.id}`, { method: 'PUT', body: { vote: question.vote === how ? 0 : how } }),
  )
  await read()
}
</script>

<template>
  <UiAsk :open="open" :title="t('jar.open')" wide @close="emit('close')">
    <div class="flex flex-col gap-4">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <form v-if="view?.jar.open" class="flex flex-col gap-2" @submit.prevent="send">
        <label
          ><span class="label">{{ t('jar.ask') }}</span
          ><textarea v-model="words" class="field min-h-20" dir="auto" :maxlength="LONGEST_QUESTION"></textarea>
        </label>
        <div class="flex flex-wrap items-center gap-4">
          <p class="min-w-0 flex-1">{{ t(view.jar.named ? 'jar.named' : 'jar.nameless') }}</p>
          <button type="submit" class="button button-action" :disabled="busy || !words.trim()">
            {{ t('jar.send') }}
          </button>
        </div>
      </form>
      <p v-else-if="view">{{ t('jar.closed') }}</p>
      <p v-if="view && view.questions.length === 0">{{ t('jar.none') }}</p>
      <ul v-else-if="view" class="flex flex-col divide-y divide-panel-line">
        <li v-for="one in view.questions" :key="one.id" class="flex flex-wrap items-center gap-3 py-2">
          <div class="min-w-48 flex-1">
            <p class="board-text text-lg wrap-anywhere whitespace-pre-wrap" dir="auto">{{ one.words }}</p>
            <p class="text-sm">
              <bdi v-if="one.name && !one.mine" class="mr-2 font-semibold">{{ one.name }}</bdi><span
                v-if="one.mine"
                class="mr-2 font-semibold"
                >{{ t('jar.mine') }}</span
              >{{ t('jar.votes', { up: one.up, down: one.down })
              }}<span v-if="one.answered">&#32;· {{ t('jar.answered') }}</span>
            </p>
          </div>
          <span v-if="!one.mine && view.jar.open" class="flex gap-2">
            <button
              v-for="how in [1, -1] as const"
              :key="how"
              type="button"
              class="button w-11 px-0"
              :class="one.vote === how ? 'border-leaf-700 bg-leaf-100 text-stone-950' : ''"
              :aria-pressed="one.vote === how"
              :aria-label="t(how === 1 ? 'jar.for' : 'jar.against', { words: one.words })"
              :disabled="busy"
              @click="vote(one, how)">
              <Icon :name="how === 1 ? 'lucide:thumbs-up' : 'lucide:thumbs-down'" size="20" />
            </button>
          </span>
        </li>
      </ul>
    </div>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
