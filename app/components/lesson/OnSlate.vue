<script setup lang="ts">
import type { Timer } from '~~/core/lesson/timer'
import type { LiveSession } from '~~/core/sync/liveSession'
import type { Shut } from '~~/core/slate/status'
import type { CallOutView } from '~/composables/lesson/useCallOut'
import { useLesson } from '~/composables/lesson/useLesson'

/** What the teacher does with the class at work, as it stands over a slate: pencils down in words, and the timer. */
const {
  slate,
  handout,
  live,
  shut,
  language = 'en-GB',
} = defineProps<{
  slate: string
  handout: string
  live: Pick<LiveSession, 'lesson'>
  shut: Shut | null
  language?: string | undefined
}>()
const emit = defineEmits<{ page: [index: number] }>()
const { t } = useWords()
const { lesson, version } = useLesson<{ timer: Timer | null; jar: boolean; call: CallOutView | null }>(
  { path: `/api/slates/${slate}/lesson`, handout },
  live,
)
const asking = ref(false)
// What is called stands on a page: it opens.
watch(
  () => lesson.value?.call?.id,
  id => id && emit('page', lesson.value!.call!.page),
)
</script>

<template>
  <div
    v-if="lesson?.call"
    class="flex min-w-0 items-center gap-2 rounded-lg bg-sunfleck-200 px-3 py-0.5 text-lg font-bold text-stone-950"
    role="status"
    data-test="call">
    <SlateSpoken :text="t('call.build', { target: lesson.call.target })" :language="language" />
  </div>
  <LessonTimeLeft v-if="lesson?.timer" :timer="lesson.timer" />
  <button v-if="lesson?.jar || asking" type="button" class="button button-dark" @click="asking = true">
    <Icon name="lucide:message-circle-question" size="20" />{{ t('jar.title') }}
  </button>
  <LazyLessonQuestions
    v-if="lesson?.jar || asking"
    :slate="slate"
    :open="asking"
    :version="version"
    @close="asking = false" />
  <div class="pointer-events-none fixed inset-x-0 top-20 z-30 flex justify-center px-3" role="status">
    <p
      v-if="shut === 'paused'"
      class="max-w-xl rounded-xl border-2 border-sunfleck-600 bg-sunfleck-200 px-5 py-3 text-center text-lg text-stone-950 shadow-lg"
      data-test="pencils-down">
      <strong class="block text-2xl">{{ t('slate.pencilsDown') }}</strong>{{ t('slate.pencilsDownSays') }}
    </p>
  </div>
</template>
