<script setup lang="ts">
import { isUntouched } from '~~/core/slate/state'
import { useSlate, type SlateView } from '~/composables/useSlate'

/** A student at work on the own slate. */
const { view } = defineProps<{ view: SlateView }>()
const emit = defineEmits<{ outdated: [], elsewhere: [] }>()
const { t } = useWords()
const slate = useSlate(view, () => emit('outdated'))
const { edition, state, status, shut, setAside, progress, unsent, connection, refused, margin, review } = slate
const { attempt, trouble, busy } = useAsking()
const handingIn = ref(false)
const showKeys = ref(false)
const { index: pageIndex, stepIndex, page, count: pageCount, steps, step } = usePages(() => edition.board)
const editable = computed(() => shut.value === null)
const back = computed(() => status.value === 'handed-back')
useHead({ title: () => edition.board.title })

const kept = computed(() => {
  if (unsent.value === 0) return connection.value === 'open' ? t('slate.kept') : t('slate.keptOffline')
  return connection.value === 'open' ? t('slate.sending') : t('slate.keptHere', { count: unsent.value })
})
const feedback = useFeedback(view.id, () => edition.board.feedback, view.keyed, status, () => state.value)
const { items: told, onPieces, shows: mayAsk, trouble: notTold } = feedback
const untouched = computed(() => isUntouched(state.value, edition))
const dueWords = useDue()
const mates = computed(() => view.members.filter(member => `student:${member.hand}` !== view.actor.author).map(member => member.name))
// Somebody has moved this student to another frame: they are led there.
watch(refused, code => code === 'not-yours' && emit('elsewhere'))
const startAgain = () => slate.make({ kind: 'start-again' })

async function handIn() {
  const done = await attempt(async () => {
    if (!await slate.allSent()) throw new Refused('unsent')
    await slate.handIn()
    return true
  })
  if (done) handingIn.value = false
}
onKeyStroke('?', (event) => {
  if (!inField(event)) showKeys.value = true
})
onKeyStroke(['z', 'Z'], (event) => {
  // Inside a field the browser's own undo is what people expect.
  if (!(event.ctrlKey || event.metaKey) || inField(event)) return
  event.preventDefault()
  slate.undo()
})
</script>

<template>
  <div class="flex h-dvh flex-col">
    <UiTopBar :title="edition.board.title">
      <template #start><NuxtLink to="/desk" :aria-label="t('slate.toDesk')" class="flex min-h-11 items-center"><UiMark /></NuxtLink></template>
      <p class="flex items-center gap-2 text-sm text-stone-200" role="status" data-test="kept">
        <Icon :name="connection === 'open' ? 'lucide:check' : 'lucide:cloud-off'" />{{ kept }}
      </p>
      <template #end>
        <button v-if="editable" type="button" class="button button-dark w-11 border-transparent px-0 max-sm:hidden" :aria-label="t('keys.title')" :title="t('keys.title')" @click="showKeys = true"><Icon name="lucide:keyboard" size="22" /></button>
        <span class="flex items-center gap-2 rounded-full bg-stone-800 px-3 py-2 font-medium">
          <UiRing :share="progress.of ? progress.placed / progress.of : 0" tone="sunfleck" />
          <span>{{ view.name || t('desk.everyone') }} · {{ t('slate.placed', progress) }}</span>
        </span>
        <button v-if="editable && mayAsk" type="button" class="button button-dark" :disabled="unsent > 0" @click="feedback.ask()"><Icon name="lucide:search-check" size="20" />{{ t('feedback.ask') }}</button>
        <button v-if="editable" type="button" class="button button-action" @click="handingIn = true">{{ t(view.handIn ? 'slate.handIn' : 'slate.done') }}</button>
        <strong v-else class="rounded-lg bg-leaf-700 px-4 py-2.5">{{ shut === 'paused' || shut === 'closed' ? t(`slate.shut.${shut}`) : t(`desk.status.${status}`) }}</strong>
      </template>
    </UiTopBar>

    <main class="flex min-h-0 flex-1 flex-col gap-3 p-3 sm:px-6 sm:py-3.5">
      <p v-if="view.word || view.due || mates.length" class="flex flex-wrap gap-x-5 text-sm">
        <span v-if="view.word">{{ view.word }}</span><span v-if="view.due" class="font-semibold">{{ t('slate.due', { day: dueWords(view.due) }) }}</span><span v-if="mates.length">{{ t('slate.with', { names: mates.join(', ') }) }}</span>
      </p>
      <SlateInstructions v-if="edition.board.instructions" :text="edition.board.instructions" />
      <SlateStepTurner v-if="steps.length && !back" v-model="stepIndex" :steps="steps" />
      <p v-if="refused" class="trouble" role="alert">{{ t(`moveRefused.${refused}`) }}</p>
      <p v-if="setAside" class="trouble" role="status">{{ t('slate.setAside', { count: setAside }) }}</p>
      <p v-if="notTold" class="trouble" role="alert">{{ notTold }}</p>
      <SlatePageTurner v-model="pageIndex" :count="pageCount" />
      <div class="flex min-h-0 flex-1 flex-col gap-4 lg:flex-row">
        <BoardStage :edition="edition" :page="page" :state="state" :editable="editable" :ledge="!back" :step="back ? null : step" @make="slate.make">
          <template v-if="told" #mark="{ piece, master }">
            <ReviewVerdictMark v-if="onPieces.get(piece.id)" :x="-master.width / 2 + 2" :y="master.height / 2 - 2" :verdict="onPieces.get(piece.id)!" />
          </template>
          <template v-if="editable" #ledge-end>
            <button type="button" class="button px-3" :disabled="!slate.canUndo.value" @click="slate.undo()"><Icon name="lucide:undo-2" /><span class="max-sm:sr-only">{{ t('slate.undo') }}</span></button>
            <button type="button" class="button px-3" :disabled="untouched" @click="startAgain"><Icon name="lucide:rotate-ccw" /><span class="max-sm:sr-only">{{ t('slate.startAgain') }}</span></button>
          </template>
          <template v-if="back || told" #over>
            <ReviewPlaceMarks v-if="told" :page="page" :marks="told" kind />
            <SlateMarginLayer v-if="back" :page="page" :edition="edition" :state="state" :margin="margin" />
          </template>
        </BoardStage>
        <div v-if="told || back" class="flex min-h-0 w-full flex-col gap-4 overflow-auto lg:w-80">
          <SlateMarginNotes v-if="back && (!told || margin.length || review?.comment)" class="shrink-0" :edition="edition" :margin="margin" :review="review" />
          <SlateFeedback v-if="told" class="min-h-48" :edition="edition" :items="told" :closable="editable" @close="feedback.hide()" />
        </div>
      </div>
    </main>

    <UiAsk :open="handingIn" :title="t(view.handIn ? 'slate.handInTitle' : 'slate.done')" @close="handingIn = false">
      <p v-if="progress.placed < progress.of" class="text-lg">{{ t('slate.notPlaced', { count: progress.of - progress.placed }) }}</p>
      <p v-else class="text-lg">{{ t('slate.allPlaced') }}</p>
      <p class="mt-2">{{ t('slate.thenNothingMoves') }}</p>
      <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
      <template #buttons>
        <button type="button" class="button" @click="handingIn = false">{{ t('slate.keepWorking') }}</button>
        <button type="button" class="button button-action" :disabled="busy" @click="handIn">{{ t(view.handIn ? 'slate.handInNow' : 'slate.done') }}</button>
      </template>
    </UiAsk>
    <UiKeySheet :open="showKeys" @close="showKeys = false" />
  </div>
</template>
