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
const { lesson } = useLesson<{ timer: Timer | null }>({ path: `/api/slates/${slate}/lesson`, handout }, live)
</script>

<template>
  <LessonTimeLeft v-if="lesson?.timer" :timer="lesson.timer" />
  <div class="pointer-events-none fixed inset-x-0 top-20 z-30 flex justify-center px-3" role="status">
    <p
      v-if="shut === 'paused'"
      class="max-w-xl rounded-xl border-2 border-sunfleck-600 bg-sunfleck-200 px-5 py-3 text-center text-lg text-stone-950 shadow-lg"
      data-test="pencils-down">
      <strong class="block text-2xl">{{ t('slate.pencilsDown') }}</strong>{{ t('slate.pencilsDownSays') }}
    </p>
  </div>
</template>
