<script setup lang="ts">
import type { Side } from '~/composables/slate/useBeside'

/**
 * What stands over the page: a hand to put up, and what opens beside it (a line, hints, reasons, how it was before).
 */
const { side, hand, line, hints, besides, before, comparing, crowded, said } = defineProps<{
  side: Side | null
  /** Whether help is asked for; null where nobody can. */
  hand: boolean | null
  /** How many lines from the teacher are new; null where there is no line to the teacher. */
  line: number | null
  hints: boolean
  besides: boolean
  before: boolean
  comparing: boolean
  /** Others are named in the same row, so that the words give way sooner. */
  crowded: boolean
  /** Whether what the teacher said and marked stands beside the page; null where there is nothing of it. */
  said: boolean | null
}>()
const emit = defineEmits<{ open: [side: Side]; compare: []; hand: [up: boolean]; said: [] }>()
const { t } = useWords()
</script>

<template>
  <button
    v-if="hand !== null"
    type="button"
    class="button px-3 py-1"
    :class="hand ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
    :aria-pressed="hand"
    :title="t(hand ? 'hand.down' : 'hand.ask')"
    @click="emit('hand', !hand)">
    <Icon name="lucide:hand" size="18" /><span class="max-sm:sr-only">{{ t(hand ? 'hand.down' : 'hand.ask') }}</span>
  </button>
  <button
    v-if="line !== null"
    type="button"
    class="button px-3 py-1"
    :aria-expanded="side === 'talk'"
    :title="t('together.lineOpen')"
    @click="emit('open', 'talk')">
    <Icon name="lucide:message-square" size="18" /><span class="max-sm:sr-only">{{ t('together.lineOpen') }}</span
    ><span v-if="line" class="rounded-full bg-sunfleck-400 px-2 text-sm text-stone-950">{{
      t('together.unread', { count: line })
    }}</span>
  </button>
  <button
    v-if="hints"
    type="button"
    class="button px-3 py-1"
    :aria-expanded="side === 'hints'"
    :title="t('hints.open')"
    @click="emit('open', 'hints')">
    <Icon name="lucide:lightbulb" size="18" /><span class="max-sm:sr-only">{{ t('hints.open') }}</span>
  </button>
  <button
    v-if="besides"
    type="button"
    class="button px-3 py-1"
    :aria-expanded="side === 'beside'"
    :title="t('beside.open')"
    @click="emit('open', 'beside')">
    <Icon name="lucide:notebook-pen" size="18" /><span :class="crowded ? 'max-2xl:sr-only' : 'max-sm:sr-only'">{{
      t('beside.open')
    }}</span>
  </button>
  <button
    v-if="said !== null"
    type="button"
    class="button px-3 py-1"
    :aria-expanded="said"
    :title="t('margin.title')"
    @click="emit('said')">
    <Icon name="lucide:message-square-text" size="18" /><span :class="crowded ? 'max-2xl:sr-only' : 'max-sm:sr-only'">{{
      t('margin.title')
    }}</span>
  </button>
  <button v-if="before" type="button" class="button px-3 py-1" :aria-pressed="comparing" @click="emit('compare')">
    <Icon name="lucide:columns-2" size="18" />{{ t(comparing ? 'again.hide' : 'again.show') }}
  </button>
</template>
