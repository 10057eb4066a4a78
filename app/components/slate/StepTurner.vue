<script setup lang="ts">
import type { Step } from '~~/core/board/board'

/** One activity at a time: what to do now, with its part of the page in the light. */
const { steps } = defineProps<{ steps: readonly Step[] }>()
const at = defineModel<number>({ required: true })
const { t } = useWords()
const step = computed(() => steps[at.value])
</script>

<template>
  <div v-if="step" class="flex items-center gap-3 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-2 text-stone-950" role="group" :aria-label="t('steps.of', { number: at + 1, count: steps.length })">
    <span class="flex h-9 w-9 shrink-0 items-center justify-center rounded-full bg-sunfleck-400 font-bold" aria-hidden="true">{{ at + 1 }}</span>
    <p class="board-text min-w-0 flex-1 text-lg" role="status" data-test="step">{{ step.instructions }}</p>
    <button type="button" class="button w-11 border-stone-500 bg-white px-0 text-stone-950" :disabled="at === 0" :aria-label="t('steps.earlier')" @click="at--"><Icon name="lucide:chevron-left" size="22" /></button>
    <button type="button" class="button w-11 border-stone-500 bg-white px-0 text-stone-950" :disabled="at === steps.length - 1" :aria-label="t('steps.later')" @click="at++"><Icon name="lucide:chevron-right" size="22" /></button>
  </div>
</template>
