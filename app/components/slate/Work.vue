<script setup lang="ts">
import { leftToDo, type Left } from '~~/core/placement/tasks'
import { isUntouched } from '~~/core/slate/state'
import { useSlate, type SlateView } from '~/composables/useSlate'

/** A student at work on the own slate. */
const { view } = defineProps<{ view: SlateView }>()
const emit = defineEmits<{ outdated: [], elsewhere: [] }>()
const { t } = useWords()
const slate = useSlate(view, () => emit('outdated'))
const { edition, state, status, shut, setAside, deviceFull, progress, unsent, connection, refused, margin, review, about } = slate
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
/** What others have made can be looked at: always, or once this is handed in. */
const mayLook = computed(() => (view.kind === 'frame' || view.kind === 'page') && (about.value.looking === 'always' || (about.value.looking === 'after-hand-in' && (status.value === 'handed-in' || back.value))))
const heading = ref(view.heading ?? '')
const nameIt = () => attempt(() => ask(`/api/slates/${view.id}/name`, { method: 'PUT', body: { name: heading.value } }))
const word = ref('')
const startAgain = () => slate.make({ kind: 'start-again' })

/** Where something is still to do: the page and the activity open, and the keyboard stands at the first of it. */
async function goTo({ page: at, step: id, pieces, spaces }: Left) {
  handingIn.value = false
  pageIndex.value = at
  await nextTick()
  const found = steps.value.findIndex(one => one.id === id)
  if (found >= 0) stepIndex.value = found
  await nextTick()
  const first = pieces[0] ? `[data-piece="${pieces[0]}"]` : `[data-space="${spaces[0]}"]`
  document.querySelector<HTMLElement>(first)?.focus()
}

async function handIn() {
  const done = await attempt(async () => {
    if (!await slate.allSent()) throw new Refused('unsent')
    await slate.handIn(word.value)
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
        <NuxtLink v-if="mayLook" :to="`/others/${view.handout}`" class="button button-dark"><Icon name="lucide:layout-grid" size="20" />{{ t('others.title') }}</NuxtLink>
        <button v-if="editable && mayAsk" type="button" class="button button-dark" :disabled="unsent > 0" @click="feedback.ask()"><Icon name="lucide:search-check" size="20" />{{ t('feedback.ask') }}</button>
        <button v-if="editable" type="button" class="button button-action" @click="handingIn = true">{{ t(about.handIn ? 'slate.handIn' : 'slate.done') }}</button>
        <strong v-else class="rounded-lg bg-leaf-700 px-4 py-2.5">{{ shut === 'paused' || shut === 'closed' ? t(`slate.shut.${shut}`) : t(`desk.status.${status}`) }}</strong>
      </template>
    </UiTopBar>

    <main class="flex min-h-0 flex-1 flex-col gap-3 p-3 sm:px-6 sm:py-3.5">
      <p v-if="about.word || about.due || mates.length" class="flex flex-wrap gap-x-5 text-sm">
        <span v-if="about.word">{{ about.word }}</span><span v-if="about.due" class="font-semibold">{{ t('slate.due', { day: dueWords(about.due) }) }}</span><span v-if="mates.length">{{ t('slate.with', { names: mates.join(', ') }) }}</span>
      </p>
      <LazySlateWorth v-if="view.counts !== 'nothing' && !back" :points="view.mostPoints" :rubric="view.rubric" />
      <label v-if="view.kind === 'page' && editable" class="flex items-center gap-3"><span class="shrink-0 font-semibold">{{ t('slate.heading') }}</span><input v-model="heading" class="field min-h-9 max-w-md py-1" maxlength="60" @change="nameIt"></label>
      <SlateInstructions v-if="edition.board.instructions" :text="edition.board.instructions" />
      <SlateStepTurner v-if="steps.length && !back" v-model="stepIndex" :steps="steps" />
      <p v-if="refused" class="trouble" role="alert">{{ t(`moveRefused.${refused}`) }}</p>
      <p v-if="setAside" class="trouble" role="status">{{ t('slate.setAside', { count: setAside }) }}</p>
      <p v-if="deviceFull && unsent" class="trouble" role="alert">{{ t('slate.deviceFull', { count: unsent }) }}</p>
      <p v-if="notTold" class="trouble" role="alert">{{ notTold }}</p>
      <SlatePageTurner v-model="pageIndex" :count="pageCount" :reading="page.reading" />
      <div class="flex min-h-0 flex-1 flex-col gap-4 lg:flex-row">
        <BoardStage :edition="edition" :page="page" :state="state" :editable="editable && !page.reading" :ledge="!back && !page.reading" :step="back ? null : step" :by="view.actor.author" @make="slate.make">
          <template v-if="told" #mark="{ piece, master }">
            <LazyReviewVerdictMark v-if="onPieces.get(piece.id)" :x="-master.width / 2 + 2" :y="master.height / 2 - 2" :verdict="onPieces.get(piece.id)!" />
          </template>
          <template v-if="editable" #ledge-end>
            <button type="button" class="button px-3" :disabled="!slate.canUndo.value" @click="slate.undo()"><Icon name="lucide:undo-2" /><span class="max-sm:sr-only">{{ t('slate.undo') }}</span></button>
            <button type="button" class="button px-3" :disabled="untouched" @click="startAgain"><Icon name="lucide:rotate-ccw" /><span class="max-sm:sr-only">{{ t('slate.startAgain') }}</span></button>
          </template>
          <template v-if="back || told" #over>
            <LazyReviewPlaceMarks v-if="told" :page="page" :marks="told" kind />
            <LazySlateMarginLayer v-if="back" :page="page" :edition="edition" :state="state" :margin="margin" />
          </template>
        </BoardStage>
        <div v-if="told || back" class="flex min-h-0 w-full flex-col gap-4 overflow-auto lg:w-80">
          <LazySlateMarginNotes v-if="back && (!told || margin.length || review?.comment || view.counts !== 'nothing')" class="shrink-0" :edition="edition" :margin="margin" :review="review" :points="view.mostPoints" :rubric="view.rubric" />
          <LazySlateFeedback v-if="told" class="min-h-48" :edition="edition" :items="told" :closable="editable" @close="feedback.hide()" />
        </div>
      </div>
    </main>

    <UiAsk :open="handingIn" :title="t(about.handIn ? 'slate.handInTitle' : 'slate.done')" @close="handingIn = false">
      <SlateLeft v-if="progress.placed < progress.of" :board="edition.board" :left="leftToDo(state, edition)" @go="goTo" />
      <p v-else class="text-lg">{{ t('slate.allPlaced') }}</p>
      <label v-if="about.handIn" class="mt-3 block"><span class="label">{{ t('slate.word') }}</span><textarea v-model="word" class="field" rows="2" maxlength="500" /></label>
      <p class="mt-2">{{ t('slate.thenNothingMoves') }}</p>
      <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
      <template #buttons>
        <button type="button" class="button" @click="handingIn = false">{{ t('slate.keepWorking') }}</button>
        <button type="button" class="button button-action" :disabled="busy" @click="handIn">{{ t(about.handIn ? 'slate.handInNow' : 'slate.done') }}</button>
      </template>
    </UiAsk>
    <LazyUiKeySheet v-if="showKeys" :open="showKeys" @close="showKeys = false" />
  </div>
</template>
