<script setup lang="ts">
import type { Timer } from '~~/core/lesson/timer'
import type { LiveSession } from '~~/core/sync/liveSession'
import type { Shut } from '~~/core/slate/status'
import { useLesson } from '~/composables/lesson/useLesson'

/** What the teacher does with the class at work, as it stands over a slate: pencils down in words, and the timer. */
const { slate, handout, live, shut } = defineProps<{
  slate: string
  handout: string
  live: Pick<LiveSession, 'lesson'>
  shut: Shut | null
}>()
const { t } = useWords()
const { lesson, version } = useLesson<{ timer: Timer | null; jar: boolean }>(
  { path: `/api/slates/${slate}/lesson`, handout },
  live,
)
const asking = ref(false)
</script>

<template>
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
