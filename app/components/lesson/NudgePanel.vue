<script setup lang="ts">
import { LONGEST_NUDGE } from '~~/core/lesson/nudge'

/** A word to those who are at work: a ready sentence, or one's own. */
const { open, handout, slates, title } = defineProps<{
  open: boolean
  handout: string
  /** Absent for all who are at work. */
  slates?: readonly string[] | undefined
  title: string
}>()
const emit = defineEmits<{ close: [said: string] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const words = ref('')
const READY = ['again', 'sure', 'why', 'ledge', 'way', 'neighbour'] as const
const ready = READY.map(one => t(`sentences.nudge.${one}`))
watch(
  () => open,
  now => now && (words.value = ''),
)
async function send() {
  const done = await attempt(() =>
    ask(`/api/handouts/${handout}/nudges`, {
      method: 'POST',
      body: { words: words.value.trim(), ...(slates && { slates }) },
    }),
  )
  if (done) emit('close', done.count ? t('nudge.said', { count: done.count }) : t('nudge.toNobody'))
}
</script>

<template>
  <UiAsk :open="open" :title="title" @close="emit('close', '')">
    <form id="nudge" @submit.prevent="send">
      <label
        ><span class="label">{{ t('nudge.words') }}</span
        ><input v-model="words" dir="auto" class="field" :maxlength="LONGEST_NUDGE" autocomplete="off"
      /></label>
      <LessonSentences v-model="words" :ready="ready" :longest="LONGEST_NUDGE" />
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    </form>
    <template #buttons>
      <button type="button" class="button" @click="emit('close', '')">{{ t('app.cancel') }}</button>
      <button form="nudge" class="button button-action" :disabled="busy || !words.trim()">
        <Icon name="lucide:send" size="20" />{{ t('nudge.send') }}
      </button>
    </template>
  </UiAsk>
</template>
