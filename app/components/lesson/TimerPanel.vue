<script setup lang="ts">
import { LONGEST_TIMER, TIMER_ENDS, USUAL_COUNTDOWN, type TimerEnd } from '~~/core/lesson/timer'
import type { TimerHere } from '~/composables/lesson/useLesson'

/** Sets the timer of a lesson, gives it more time, takes it away. */
const { open, handout, timer } = defineProps<{ open: boolean; handout: string; timer: TimerHere | null }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
/** Common practice, no source: group work is timed at about five minutes. */
const USUAL_MINUTES = 5
const minutes = useLocalStorage('timer-minutes', USUAL_MINUTES)
const countdown = ref(USUAL_COUNTDOWN)
const atEnd = ref<TimerEnd>('nothing')
const onSlates = ref(true)
watch(
  () => open,
  now => {
    if (!now || !timer) return
    countdown.value = timer.countdown
    atEnd.value = timer.atEnd
    onSlates.value = timer.onSlates
  },
)
const seconds = computed(() => Math.round(minutes.value * 60))
const fits = computed(() => seconds.value >= 1 && seconds.value <= LONGEST_TIMER)

const path = computed(() => `/api/handouts/${handout}/timer`)
async function put(body: object | null) {
  if (!(await attempt(async () => (await askFor(path.value, { method: 'PUT', body: { timer: body } }), true)))) return
  emit('changed')
  emit('close')
}
const start = () =>
  put({ seconds: seconds.value, countdown: countdown.value, atEnd: atEnd.value, onSlates: onSlates.value })
async function more() {
  if (await attempt(async () => (await askFor(path.value, { method: 'POST', body: { seconds: 60 } }), true)))
    emit('changed')
}
</script>

<template>
  <UiAsk :open="open" :title="t('lesson.timer.title')" @close="emit('close')">
    <form id="timer" class="flex flex-col gap-4" @submit.prevent="start">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <div v-if="timer" class="flex flex-wrap items-center gap-3">
        <LessonTimeLeft :timer="timer" />
        <button type="button" class="button" :disabled="busy" @click="more">
          <Icon name="lucide:plus" />{{ t('lesson.timer.more') }}
        </button>
        <button type="button" class="button" :disabled="busy" @click="put(null)">{{ t('lesson.timer.stop') }}</button>
      </div>
      <div class="flex flex-wrap gap-4">
        <label
          ><span class="label">{{ t('lesson.timer.minutes') }}</span
          ><input
            v-model.number="minutes"
            class="field w-32"
            type="number"
            min="0.5"
            step="0.5"
            :max="LONGEST_TIMER / 60"
            required
        /></label>
        <label
          ><span class="label">{{ t('lesson.timer.countdown') }}</span
          ><input v-model.number="countdown" class="field w-32" type="number" min="0" max="60" step="1" required
        /></label>
      </div>
      <fieldset>
        <legend class="label">{{ t('lesson.timer.atEnd') }}</legend>
        <label v-for="end in TIMER_ENDS" :key="end" class="flex min-h-10 items-center gap-3"
          ><input v-model="atEnd" type="radio" name="at-end" :value="end" class="h-5 w-5" />{{
            t(`lesson.timer.ends.${end}`)
          }}</label
        >
      </fieldset>
      <label class="flex min-h-10 items-center gap-3"
        ><input v-model="onSlates" type="checkbox" class="h-5 w-5" />{{ t('lesson.timer.onSlates') }}</label
      >
    </form>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button>
      <button type="submit" form="timer" class="button button-action" :disabled="busy || !fits">
        {{ t(timer ? 'lesson.timer.anew' : 'lesson.timer.start') }}
      </button>
    </template>
  </UiAsk>
</template>
