<script setup lang="ts">
import { makeEdition, withoutAnswers, type Edition } from '~~/core/board/edition'
import { markSlate } from '~~/core/keys/mark'
import { stepsDone } from '~~/core/placement/tasks'
import { startOf } from '~~/core/slate/state'
import { useTrial } from '~/composables/useTrial'

/** CSS pixels of the screens that students work on; the window's own where nothing is said. */
const DEVICES = { window: null, tablet: { width: 1024, height: 768 }, laptop: { width: 1366, height: 768 }, phone: { width: 390, height: 844 } } as const
type Device = keyof typeof DEVICES

/** The board as a student gets it; nothing of it is kept. */
const { edition } = defineProps<{ edition: Edition }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const given = computed(() => makeEdition(withoutAnswers(edition.board)))
const trial = useTrial(() => given.value, () => startOf(given.value))
const { index, stepIndex, page, count, steps, step } = usePages(() => given.value.board)
const device = ref<Device>('window')
const frame = computed(() => {
  const size = DEVICES[device.value]
  return size ? { width: `${size.width}px`, height: `${size.height}px` } : {}
})
const marked = ref(false)
const score = computed(() => markSlate(trial.state.value, edition).reduce((sum, m) => ({ points: sum.points + m.points, of: sum.of + m.of, undecided: sum.undecided + m.undecided }), { points: 0, of: 0, undecided: 0 }))
</script>

<template>
  <div class="fixed inset-0 z-30 flex flex-col bg-stone-800">
    <UiTopBar :title="edition.board.title" :below="t('check.trying')">
      <template #end>
        <span v-if="marked" role="status">{{ t('check.score', score) }}</span>
        <label class="flex items-center gap-2 text-white"><span class="sr-only">{{ t('check.device') }}</span>
          <select v-model="device" class="field w-auto"><option v-for="(_, name) in DEVICES" :key="name" :value="name">{{ t(`check.devices.${name}`) }}</option></select></label>
        <button v-if="edition.board.keys.length" type="button" class="button button-dark" @click="marked = !marked">{{ t('check.mark') }}</button>
        <button type="button" class="button button-dark" @click="trial.again">{{ t('slate.startAgain') }}</button>
        <button type="button" class="button button-action" @click="emit('close')">{{ t('check.stopTrying') }}</button>
      </template>
    </UiTopBar>
    <div class="flex min-h-0 flex-1 overflow-auto">
      <main class="flex flex-col gap-3 bg-desk p-4" :class="device === 'window' ? 'min-h-0 w-full flex-1' : 'm-auto shrink-0'" :style="frame" :data-device="device">
        <SlateInstructions v-if="edition.board.instructions || edition.board.spoken" :text="edition.board.instructions" :language="edition.board.language" :spoken="edition.board.spoken" />
        <SlateStepTurner v-if="steps.length" v-model="stepIndex" :steps="steps" :done="stepsDone(trial.state.value, given, page)" :language="edition.board.language" />
        <SlatePageTurner v-model="index" :count="count" :reading="page.reading" />
        <BoardStage plays :edition="given" :page="page" :state="trial.state.value" :editable="!page.reading" :ledge="!page.reading" :step="step" @make="trial.make" />
      </main>
    </div>
  </div>
</template>
