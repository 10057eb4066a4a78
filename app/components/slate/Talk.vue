<script setup lang="ts">
import { nanoid } from 'nanoid'
import { LONGEST_LINE, type Said, type TalkLine } from '~~/core/handout/talk'
import { shortNames } from '~~/core/roster/names'
import { isStudent, type Author } from '~~/core/slate/actor'
import type { Member } from '~/composables/slate/useSlate'

/**
 * What the people of a slate say to each other beside the page, where the teacher reads along, which is said here; or
 * what its one student and the teacher write to each other.
 */
const { lines, members, own, open, several, speak } = defineProps<{
  lines: readonly TalkLine[]
  members: readonly Member[]
  own: Author
  open: boolean
  several: boolean
  speak: (said: Said) => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
/** What is written and not said stays, also while this is closed. */
const words = defineModel<string>('draft', { required: true })
/** Kept until it has arrived, so that what is sent twice stands there once. */
let id = nanoid()
const short = computed(() => shortNames(members.map(one => one.name)))
const member = (by: Author) => members.find(one => authorOf(one) === by)
const nameOf = (by: Author) =>
  by === own
    ? t('together.you')
    : member(by)
      ? short.value(member(by)!.name)
      : isStudent(by)
        ? t('together.someone')
        : t('together.teacher')
const list = useTemplateRef<HTMLElement>('list')
watch(
  () => lines.length,
  async () => {
    await nextTick()
    list.value?.scrollTo({ top: list.value.scrollHeight })
  },
  { immediate: true },
)
async function send() {
  if (!words.value.trim()) return
  if (!(await attempt(async () => (await speak({ id, words: words.value.trim() }), true)))) return
  words.value = ''
  id = nanoid()
}
</script>

<template>
  <SlateSidePanel :title="t(several ? 'together.talk' : 'together.line')" data-test="talk" @close="emit('close')">
    <p class="note-line">{{ t(several ? 'together.readAlong' : 'together.private') }}</p>
    <ol
      ref="list"
      class="flex min-h-24 flex-1 flex-col gap-2 overflow-auto"
      tabindex="0"
      aria-live="polite"
      :aria-label="t('together.lines')">
      <li v-for="line in lines" :key="line.id" class="flex gap-2">
        <ClassGroupMark v-if="member(line.by)" :mark="markOfHand(member(line.by)!.hand)" small />
        <Icon v-else name="lucide:pencil-ruler" size="22" class="shrink-0" />
        <span class="min-w-0"
          ><bdi class="font-semibold">{{ nameOf(line.by) }}</bdi
          ><br /><bdi class="break-words">{{ line.words }}</bdi></span
        >
      </li>
      <li v-if="!lines.length" class="note-line">
        {{ t(several ? 'together.nothingSaid' : 'together.nothingWritten') }}
      </li>
    </ol>
    <form v-if="open" class="flex gap-2" @submit.prevent="send">
      <input
        v-model="words"
        dir="auto"
        class="field min-w-0 flex-1"
        :maxlength="LONGEST_LINE"
        :aria-label="t(several ? 'together.say' : 'together.sayToTeacher')"
        :placeholder="t(several ? 'together.say' : 'together.sayToTeacher')" />
      <button type="submit" class="button w-12 px-0" :disabled="busy || !words.trim()" :aria-label="t('together.send')">
        <Icon name="lucide:send" size="20" />
      </button>
    </form>
    <p v-else class="note-line">{{ t('together.closed') }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </SlateSidePanel>
</template>
