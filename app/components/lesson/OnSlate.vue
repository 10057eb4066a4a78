<script setup lang="ts">
import type { Timer } from '~~/core/lesson/timer'
import type { LiveSession } from '~~/core/sync/liveSession'
import type { Shut } from '~~/core/slate/status'
import type { Nudge } from '~~/core/lesson/nudge'
import type { CallOutView } from '~/composables/lesson/useCallOut'
import { useLesson } from '~/composables/lesson/useLesson'

/** What the teacher does with the class at work, as it stands over a slate: pencils down in words, and the timer. */
const {
  slate,
  handout,
  live,
  shut,
  marks = 0,
  language = 'en-GB',
} = defineProps<{
  slate: string
  handout: string
  live: Pick<LiveSession, 'lesson'>
  shut: Shut | null
  /** How much the teacher has left on the slate while they work. */
  marks?: number
  language?: string | undefined
}>()
const emit = defineEmits<{ page: [index: number] }>()
interface Here {
  timer: Timer | null
  jar: boolean
  call: CallOutView | null
  nudges: Nudge[]
}
const { t } = useWords()
const { lesson, version, read } = useLesson<Here>({ path: `/api/slates/${slate}/lesson`, handout }, live)
const asking = ref(false)
// What is called stands on a page: it opens.
watch(
  () => lesson.value?.call?.id,
  id => id && emit('page', lesson.value!.call!.page),
)
/** What was said last and not seen: one after the other. */
const nudge = computed(() => lesson.value?.nudges.find(one => !seen.value.has(one.id)) ?? null)
const seen = ref<ReadonlySet<string>>(new Set())
async function see({ id }: Nudge) {
  seen.value = new Set([...seen.value, id])
  // Without a connection it comes once more.
  await ask(`/api/slates/${slate}/nudges/${id}`, { method: 'PUT', body: {} }).catch(() => null)
  await read()
}
const news = ref('')
watch(
  () => marks,
  (now, before) => (news.value = now > before ? t('margin.isNew') : ''),
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
  <p class="sr-only" role="status">{{ news }}</p>
  <div
    class="pointer-events-none fixed inset-x-0 top-16 z-40 flex flex-col items-center px-3 text-stone-950 max-sm:top-auto max-sm:bottom-3"
    role="status">
    <p
      v-if="nudge"
      class="pointer-events-auto flex max-w-xl flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border-2 border-bilberry-700 bg-bilberry-100 px-5 py-3 text-lg shadow-lg"
      data-test="nudge">
      <span class="min-w-0 flex-1"
        ><strong class="block text-sm">{{ t('margin.title') }}</strong
        ><SlateSpoken :text="nudge.words" :language="language" /></span
      ><button type="button" class="button" @click="see(nudge)">{{ t('margin.seen') }}</button>
    </p>
  </div>
  <!-- Over the ledge, from which nothing is taken meanwhile; it covers no heading of the page. -->
  <div
    class="pointer-events-none fixed inset-x-0 bottom-3 z-30 flex flex-col items-center px-3 text-stone-950"
    role="status">
    <p
      v-if="shut === 'paused'"
      class="max-w-xl rounded-xl border-2 border-sunfleck-600 bg-sunfleck-200 px-5 py-3 text-center text-lg text-stone-950 shadow-lg"
      data-test="pencils-down">
      <strong class="block text-2xl">{{ t('slate.pencilsDown') }}</strong>{{ t('slate.pencilsDownSays') }}
    </p>
  </div>
</template>
