<script setup lang="ts">
import { makeEdition, withoutAnswers, type Edition } from '~~/core/board/edition'
import { markSlate } from '~~/core/keys/mark'
import { stepsDone } from '~~/core/placement/tasks'
import { startOf } from '~~/core/slate/state'
import { useTrial } from '~/composables/workbench/useTrial'

/** CSS pixels of the screens that students work on; the window's own where nothing is said. */
const DEVICES = {
  window: null,
  tablet: { width: 1024, height: 768 },
  laptop: { width: 1366, height: 768 },
  phone: { width: 390, height: 844 },
} as const
type Device = keyof typeof DEVICES

/** The board as a student gets it; nothing of it is kept. */
const { edition } = defineProps<{ edition: Edition }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const given = computed(() => makeEdition(withoutAnswers(edition.board)))
const trial = useTrial(
  () => given.value,
  () => startOf(given.value),
)
const { index, stepIndex, page, count, steps, step } = usePages(() => given.value.board)
const device = ref<Device>('window')
const frame = computed(() => {
  const size = DEVICES[device.value]
  return size ? { width: `${size.width}px`, height: `${size.height}px` } : {}
})
const { side, open, besides, hintOf, hints } = useBeside({
  edition: () => given.value,
  page: () => page.value,
  step: () => step.value,
  further: () => false,
})
const marked = ref(false)
const score = computed(() =>
  markSlate(trial.state.value, edition).reduce(
    (sum, m) => ({ points: sum.points + m.points, of: sum.of + m.of, undecided: sum.undecided + m.undecided }),
    { points: 0, of: 0, undecided: 0 },
  ),
)
</script>

<template>
  <div class="fixed inset-0 z-30 flex flex-col bg-stone-800">
    <UiTopBar :title="edition.board.title" :below="t('check.trying')">
      <template #end>
        <span v-if="marked" role="status">{{ t('check.score', score) }}</span>
        <label class="flex items-center gap-2 text-white"
          ><span class="sr-only">{{ t('check.device') }}</span>
          <select v-model="device" class="field w-auto">
            <option v-for="(_, name) in DEVICES" :key="name" :value="name">{{ t(`check.devices.${name}`) }}</option>
          </select></label
        >
        <button v-if="edition.board.keys.length" type="button" class="button button-dark" @click="marked = !marked">
          {{ t('check.mark') }}
        </button>
        <button type="button" class="button button-dark" @click="trial.again">{{ t('slate.startAgain') }}</button>
        <button type="button" class="button button-action" @click="emit('close')">{{ t('check.stopTrying') }}</button>
      </template>
    </UiTopBar>
    <div class="flex min-h-0 flex-1 overflow-auto">
      <main
        class="flex flex-col gap-3 bg-desk p-4"
        :class="device === 'window' ? 'min-h-0 w-full flex-1' : 'm-auto shrink-0 overflow-auto'"
        :style="frame"
        :data-device="device">
        <SlateInstructions
          v-if="edition.board.instructions || edition.board.spoken"
          :text="edition.board.instructions"
          :language="edition.board.language"
          :spoken="edition.board.spoken" />
        <SlateStepTurner
          v-if="steps.length"
          v-model="stepIndex"
          :steps="steps"
          :done="stepsDone(trial.state.value, given, page)"
          :language="edition.board.language" />
        <div v-if="count > 1 || besides || hints.length" class="flex flex-wrap items-center justify-center gap-2">
          <SlatePageTurner v-model="index" :count="count" :reading="page.reading" />
          <button
            v-if="hints.length"
            type="button"
            class="button min-h-10 px-3 py-1"
            :aria-expanded="side === 'hints'"
            @click="open('hints')">
            <Icon name="lucide:lightbulb" size="18" />{{ t('hints.open') }}
          </button>
          <button
            v-if="besides"
            type="button"
            class="button min-h-10 px-3 py-1"
            :aria-expanded="side === 'beside'"
            @click="open('beside')">
            <Icon name="lucide:notebook-pen" size="18" />{{ t('beside.open') }}
          </button>
        </div>
        <div class="flex min-h-0 flex-1 flex-col gap-4" :class="device === 'phone' ? '' : 'lg:flex-row'">
          <BoardStage
            plays
            :class="device === 'phone' ? 'min-h-96' : ''"
            :edition="given"
            :page="page"
            :state="trial.state.value"
            :editable="!page.reading"
            :ledge="!page.reading"
            :step="step"
            @make="trial.make" />
          <div v-if="side" class="flex min-h-0 w-full flex-col" :class="device === 'phone' ? '' : 'lg:w-80'">
            <LazySlateHints
              v-if="side === 'hints'"
              :hints="hints"
              :seen="trial.state.value.hints[hintOf] ?? 0"
              editable
              @next="trial.make({ kind: 'hint', of: hintOf, number: $event })"
              @close="side = null" />
            <LazySlateBeside
              v-else
              class="flex-1"
              :board="given.board"
              :page="page"
              :state="trial.state.value"
              :editable="!page.reading"
              :before="null"
              @make="trial.make"
              @close="side = null" />
          </div>
        </div>
      </main>
    </div>
  </div>
</template>
