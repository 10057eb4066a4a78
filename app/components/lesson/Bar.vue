<script setup lang="ts">
import type { useChosen } from '~/composables/lesson/useChosen'
import type { TimerHere } from '~/composables/lesson/useLesson'
import type { WalkSlate } from '~/composables/review/useWalk'

/** What a teacher does with a class at work: pencils down and up, the timer, handing in; for all, or for some. */
const { handout, lesson, slates, chosen } = defineProps<{
  handout: string
  /** As it is now; null until it is read. */
  lesson: { readonly paused: boolean; readonly timer: TimerHere | null } | null
  slates: readonly WalkSlate[]
  chosen: ReturnType<typeof useChosen>
}>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const emit = defineEmits<{ changed: [] }>()
const timing = ref(false)
const collecting = ref(false)
const nudging = ref(false)
const handingBack = ref(false)
const said = ref('')
const path = (what: string) => `/api/handouts/${handout}/${what}`

const { choosing, ids } = chosen
const meant = computed(() => (choosing.value ? slates.filter(slate => chosen.has(slate.id)) : slates))
const some = computed(() => (choosing.value ? { slates: ids.value } : {}))
/** For all: by one press for all, or for most of those at work one by one. */
const down = computed(() =>
  choosing.value
    ? meant.value.length > 0 && meant.value.every(slate => slate.openness?.paused)
    : (lesson?.paused ?? false) || alone.value.down > alone.value.up,
)
const alone = computed(() => {
  const atWork = slates.filter(slate => slate.status === 'under-way' || slate.status === 'not-opened')
  const resting = atWork.filter(slate => slate.openness?.paused).length
  return { down: resting, up: atWork.length - resting }
})
const nobody = computed(() => choosing.value && ids.value.length === 0)
async function pencils() {
  await attempt(() => askFor(path('pencils'), { method: 'PUT', body: { down: !down.value, ...some.value } }))
  emit('changed')
}
const underWay = computed(() => meant.value.filter(slate => slate.status === 'under-way').length)
const handedIn = computed(() => meant.value.filter(slate => slate.status === 'handed-in').length)
const collected = computed(() => meant.value.filter(slate => slate.openness?.collected).length)
async function collect(back: boolean) {
  const done = await attempt(() =>
    askFor<{ count: number }>(path('collect'), { method: 'POST', body: { back, ...some.value } }),
  )
  collecting.value = false
  if (done) said.value = t(back ? 'lesson.wentOn' : 'lesson.collected', { count: done.count })
}
</script>

<template>
  <section class="mb-4 flex flex-col gap-3" :aria-label="t('lesson.title')">
    <div class="flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="button min-h-10 py-1"
        :class="down ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
        :disabled="busy || nobody || (choosing && lesson?.paused)"
        :title="lesson?.paused && choosing ? t('lesson.allDown') : undefined"
        @click="pencils">
        <Icon :name="down ? 'lucide:pencil' : 'lucide:pencil-off'" size="20" />{{
          choosing
            ? t(down ? 'lesson.pencilsUpSome' : 'lesson.pencilsDownSome', { count: ids.length })
            : t(down ? 'lesson.pencilsUp' : 'lesson.pencilsDown')
        }}
      </button>
      <button type="button" class="button min-h-10 py-1" :disabled="busy || nobody" @click="collecting = true">
        <Icon name="lucide:inbox" size="20" />{{
          choosing ? t('lesson.collectSome', { count: ids.length }) : t('lesson.collect')
        }}
      </button>
      <button v-if="collected" type="button" class="button min-h-10 py-1" :disabled="busy" @click="collect(true)">
        <Icon name="lucide:undo-2" size="20" />{{ t('lesson.goOn') }}
      </button>
      <button v-if="handedIn" type="button" class="button min-h-10 py-1" :disabled="busy" @click="handingBack = true">
        <Icon name="lucide:undo-dot" size="20" />{{ t('handBackAll.open') }}
      </button>
      <button type="button" class="button min-h-10 py-1" :disabled="nobody" @click="nudging = true">
        <Icon name="lucide:message-circle" size="20" />{{ t('nudge.button') }}
      </button>
      <template v-if="choosing">
        <span role="status">{{ t('lesson.choosing', { count: ids.length }) }}</span>
        <button type="button" class="button min-h-10 py-1" @click="chosen.all()">{{ t('lesson.chooseAll') }}</button>
        <button type="button" class="button min-h-10 py-1" @click="chosen.end()">{{ t('lesson.chooseEnd') }}</button>
      </template>
      <template v-else>
        <button type="button" class="button min-h-10 py-1" @click="timing = true">
          <Icon name="lucide:hourglass" size="20" />{{ t('lesson.timer.title') }}
        </button>
        <button v-if="slates.length > 1" type="button" class="button min-h-10 py-1" @click="chosen.begin()">
          <Icon name="lucide:list-checks" size="20" />{{ t('lesson.choose') }}
        </button>
        <slot />
      </template>
      <LessonTimeLeft v-if="lesson?.timer" :timer="lesson.timer" class="ml-auto" />
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p role="status" :class="said || lesson?.paused ? 'told' : 'sr-only'">
      {{ lesson?.paused ? t('lesson.allDown') : said }}
    </p>
    <LessonTimerPanel
      :open="timing"
      :handout="handout"
      :timer="lesson?.timer ?? null"
      @close="timing = false"
      @changed="emit('changed')" />
    <LessonNudgePanel
      :open="nudging"
      :handout="handout"
      :slates="choosing ? ids : undefined"
      :title="choosing ? t('nudge.toSome', { count: ids.length }) : t('nudge.toAll')"
      @close="(now: string) => ((nudging = false), (said = now || said))" />
    <ReviewHandBackAll
      :open="handingBack"
      :handout="handout"
      :slates="choosing ? ids : undefined"
      @close="(now: string) => ((handingBack = false), (said = now || said))" />
    <UiAsk :open="collecting" :title="t('lesson.collectTitle')" @close="collecting = false">
      <p>{{ underWay ? t('lesson.collectSays', { count: underWay }) : t('lesson.collectNone') }}</p>
      <p v-if="underWay" class="mt-2">{{ t('lesson.collectLate') }}</p>
      <template #buttons>
        <button type="button" class="button" @click="collecting = false">{{ t('app.cancel') }}</button>
        <button type="button" class="button button-action" :disabled="busy || !underWay" @click="collect(false)">
          {{ choosing ? t('lesson.collectSome', { count: underWay }) : t('lesson.collect') }}
        </button>
      </template>
    </UiAsk>
  </section>
</template>
