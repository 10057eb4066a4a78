<script setup lang="ts">
import { isStudent } from '~~/core/slate/actor'
import { nanoid } from 'nanoid'
import { LONGEST_LINE, type Said, type TalkLine } from '~~/core/handout/talk'

/** What was answered to a note in the margin, and one more answer. */
const { about, lines, speak } = defineProps<{
  about: string
  lines: readonly TalkLine[]
  speak: ((said: Said) => Promise<void>) | null
}>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const writing = ref(false)
const words = ref('')
let id = nanoid()
const answers = computed(() => lines.filter(line => line.about === about))
const field = useTemplateRef<HTMLInputElement>('field')
async function begin() {
  writing.value = true
  await nextTick()
  field.value?.focus()
}
async function send() {
  if (
    !words.value.trim()
    || !speak
    || !(await attempt(async () => (await speak({ id, words: words.value.trim(), about }), true)))
  )
    return
  words.value = ''
  writing.value = false
  id = nanoid()
}
</script>

<template>
  <span class="mt-1 flex flex-col gap-1">
    <span v-for="line in answers" :key="line.id" class="rounded-lg border border-panel-line px-2 py-1"
      ><strong class="text-sm">{{ t(isStudent(line.by) ? 'margin.answer' : 'margin.teachersAnswer') }}</strong
      >&#32;<bdi class="break-words">{{ line.words }}</bdi></span
    >
    <form v-if="writing" class="flex gap-2" @submit.prevent="send">
      <input
        ref="field"
        v-model="words"
        dir="auto"
        class="field min-w-0 flex-1 py-1"
        :maxlength="LONGEST_LINE"
        :aria-label="t('margin.answerHere')"
        @keydown.escape="writing = false" />
      <button type="submit" class="button w-11 px-0" :disabled="busy || !words.trim()" :aria-label="t('together.send')">
        <Icon name="lucide:send" size="18" />
      </button>
    </form>
    <button v-else-if="speak" type="button" class="button button-quiet self-start px-2 py-1" @click="begin">
      <Icon name="lucide:reply" size="18" />{{ t('margin.answerIt') }}
    </button>
    <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
  </span>
</template>
