<script setup lang="ts">
import { timeLeft } from '~~/core/lesson/timer'
import type { TimerHere } from '~/composables/lesson/useLesson'

/** How much time is left: in minutes, then a short countdown. Heard once a minute, and where the countdown begins. */
const { timer, large = false } = defineProps<{ timer: TimerHere; large?: boolean }>()
const { t } = useWords()
const TICK_MS = 200
const now = ref(performance.now())
useIntervalFn(() => (now.value = performance.now()), TICK_MS)
const left = computed(() => timeLeft(timer.endsAt - now.value, timer.countdown))
const seen = computed(() => {
  const now = left.value
  if (now.kind === 'minutes') return t('timer.minutes', { count: now.minutes })
  if (now.kind === 'countdown') return String(now.seconds)
  return t(now.kind === 'over' ? 'timer.over' : 'timer.lastMinute')
})
const heard = computed(() =>
  left.value.kind === 'countdown' ? t('timer.countdownSaid', { count: timer.countdown }) : seen.value,
)
</script>

<template>
  <span
    class="inline-flex items-center gap-2 rounded-lg bg-sunfleck-200 font-semibold text-stone-950 tabular-nums"
    :class="large ? 'px-6 py-3 text-4xl' : 'h-11 min-w-36 justify-center px-3'"
    data-test="time-left">
    <Icon name="lucide:hourglass" :size="large ? 36 : 20" />
    <span aria-hidden="true" :class="left.kind === 'countdown' ? 'min-w-8 text-center text-2xl leading-none' : ''">{{
      seen
    }}</span>
    <span class="sr-only" role="status">{{ heard }}</span>
  </span>
</template>
