<script setup lang="ts">
import { isStudent } from '~~/core/slate/actor'
import { nanoid } from 'nanoid'
import { LONGEST_LINE, type Said, type TalkLine } from '~~/core/handout/talk'
import { shortNames } from '~~/core/roster/names'
import { isOfSeveral, type SlateKind } from '~~/core/slate/kind'
import type { Member } from '~/composables/slate/useSlate'

/**
 * What was said beside the page: to each other, where the teacher reads along, or between the teacher and the one
 * student of it. The teacher speaks, and hides what doesn't belong.
 */
const { lines, members, kind, speak } = defineProps<{
  lines: readonly TalkLine[]
  members: readonly Member[]
  kind: SlateKind
  speak: (said: Said) => Promise<void>
}>()
const emit = defineEmits<{ hide: [line: TalkLine] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const talk = computed(() => lines.filter(line => line.about === null))
const short = computed(() => shortNames(members.map(one => one.name)))
const nameOf = ({ by }: TalkLine) =>
  short.value(
    members.find(member => authorOf(member) === by)?.name ?? t(isStudent(by) ? 'together.someone' : 'together.teacher'),
  )
const several = computed(() => isOfSeveral(kind))
const sayTo = computed(() => (several.value ? 'review.sayToAll' : 'review.sayToOne'))
const words = ref('')
let id = nanoid()
async function send() {
  if (!words.value.trim() || !(await attempt(async () => (await speak({ id, words: words.value.trim() }), true))))
    return
  words.value = ''
  id = nanoid()
}
</script>

<template>
  <section data-test="talk">
    <h2 class="label">{{ t(several ? 'review.talk' : 'review.privateLine') }}</h2>
    <ol class="flex flex-col gap-1">
      <li v-for="line in talk" :key="line.id" class="flex items-center gap-2">
        <span class="min-w-0 flex-1" :class="line.hidden ? 'text-ink-soft line-through' : ''"
          ><strong>{{ nameOf(line) }}</strong
          >: <bdi class="break-words">{{ line.words }}</bdi><span v-if="line.hidden" class="sr-only"
            >, {{ t('review.hidden') }}</span
          ></span
        >
        <button type="button" class="button button-quiet min-h-10 px-2 py-1" @click="emit('hide', line)">
          {{ t(line.hidden ? 'review.showAgain' : 'review.hide') }}
        </button>
      </li>
      <li v-if="!talk.length" class="note-line">
        {{ t(several ? 'together.nothingSaid' : 'review.lineOpens') }}
      </li>
    </ol>
    <form class="mt-2 flex gap-2" @submit.prevent="send">
      <input
        v-model="words"
        class="field min-w-0 flex-1"
        :maxlength="LONGEST_LINE"
        dir="auto"
        :aria-label="t(sayTo)"
        :placeholder="t(sayTo)" />
      <button type="submit" class="button w-12 px-0" :disabled="busy || !words.trim()" :aria-label="t('together.send')">
        <Icon name="lucide:send" size="20" />
      </button>
    </form>
    <p v-if="trouble" class="trouble mt-2" role="alert">{{ trouble }}</p>
  </section>
</template>
