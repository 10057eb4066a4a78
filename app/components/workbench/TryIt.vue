<script setup lang="ts">
import { makeEdition, withoutAnswers, type Edition } from '~~/core/board/edition'
import { markSlate } from '~~/core/keys/mark'
import { startOf } from '~~/core/slate/state'
import { useTrial } from '~/composables/useTrial'

/** The board as a student gets it; nothing of it is kept. */
const { edition } = defineProps<{ edition: Edition }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const given = computed(() => makeEdition(withoutAnswers(edition.board)))
const trial = useTrial(() => given.value, () => startOf(given.value))
const pageIndex = ref(0)
const marked = ref(false)
const score = computed(() => markSlate(trial.state.value, edition).reduce((sum, m) => ({ points: sum.points + m.points, of: sum.of + m.of, undecided: sum.undecided + m.undecided }), { points: 0, of: 0, undecided: 0 }))
</script>

<template>
  <div class="fixed inset-0 z-30 flex flex-col">
    <UiTopBar :title="edition.board.title" :below="t('check.trying')">
      <template #end>
        <span v-if="marked" role="status">{{ t('check.score', score) }}</span>
        <button v-if="edition.board.keys.length" type="button" class="button button-dark" @click="marked = !marked">{{ t('check.mark') }}</button>
        <button type="button" class="button button-dark" @click="trial.again">{{ t('slate.startAgain') }}</button>
        <button type="button" class="button button-action" @click="emit('close')">{{ t('check.stopTrying') }}</button>
      </template>
    </UiTopBar>
    <main class="flex min-h-0 flex-1 flex-col gap-3 p-4">
      <SlateInstructions v-if="edition.board.instructions" :text="edition.board.instructions" />
      <BoardStage :edition="given" :page="given.board.pages[pageIndex]!" :state="trial.state.value" editable @make="trial.make" />
    </main>
  </div>
</template>
