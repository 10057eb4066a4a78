<script setup lang="ts">
import type { Step } from '~~/core/board/board'
import type { StepId } from '~~/core/board/ids'

/**
 * One activity at a time: what to do now, with its part of the page in the light, and which of them are done. Any can
 * be gone to.
 */
const {
  steps,
  done = NONE,
  language = 'en-GB',
} = defineProps<{ steps: readonly Step[]; done?: ReadonlySet<StepId>; language?: string | undefined }>()
const at = defineModel<number>({ required: true })
const { t } = useWords()
const step = computed(() => steps[at.value])
const labelOf = (one: Step, i: number) => t(done.has(one.id) ? 'steps.goDone' : 'steps.go', { number: i + 1 })
</script>

<script lang="ts">
const NONE: ReadonlySet<StepId> = new Set()
</script>

<template>
  <div
    v-if="step"
    class="flex flex-wrap items-center gap-3 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-2 text-stone-950"
    role="group"
    :aria-label="t('steps.of', { number: at + 1, count: steps.length })">
    <div class="flex min-w-60 flex-1 items-center gap-3" role="status" data-test="step">
      <SlateSpoken :text="step.instructions" :language="language" :spoken="step.spoken" class="board-text text-lg" />
    </div>
    <ol class="flex flex-wrap items-center gap-1.5">
      <li v-for="(one, i) in steps" :key="one.id">
        <button
          type="button"
          class="relative flex h-11 w-11 items-center justify-center rounded-full border-2 font-bold"
          :class="i === at ? 'border-stone-950 bg-sunfleck-400' : 'border-stone-500 bg-white'"
          :aria-current="i === at ? 'step' : undefined"
          :aria-label="labelOf(one, i)"
          @click="at = i">
          {{ i + 1
          }}<span
            v-if="done.has(one.id)"
            class="absolute -right-1 -bottom-1 flex h-5 w-5 items-center justify-center rounded-full bg-leaf-700 text-white"
            ><Icon name="lucide:check" size="14"
          /></span>
        </button>
      </li>
    </ol>
  </div>
</template>
