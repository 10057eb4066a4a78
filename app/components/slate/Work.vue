<script setup lang="ts">
import { leftToDo, stepsDone, type Left } from '~~/core/placement/tasks'
import { secondThoughts } from '~~/core/margin/pinned'
import { mayTouch } from '~~/core/slate/actor'
import type { Place } from '~~/core/board/place'
import type { Envelope } from '~~/core/sync/messages'
import { isUntouched } from '~~/core/slate/state'
import { canBeginAgain, saidStatus } from '~~/core/slate/status'
import { useSlate, type SlateView } from '~/composables/slate/useSlate'

/** A student at work on the own slate. */
const { view, kept } = defineProps<{ view: SlateView; kept: readonly Envelope[] }>()
const emit = defineEmits<{ outdated: []; elsewhere: [] }>()
const { t } = useWords()
const slate = useSlate(view, () => emit('outdated'), kept)
const {
  edition,
  state,
  status,
  shut,
  setAside,
  deviceFull,
  progress,
  unsent,
  connection,
  refused,
  refusals,
  margin,
  review,
  about,
} = slate
const { attempt, trouble } = useAsking()
const pictures = useSlatePictures({
  slate: view.id,
  author: view.actor.author,
  given: view.pictures ?? [],
  connected: () => connection.value === 'open',
  changed: slate.picturesChanged,
})
const { unsent: picturesOnWay, trouble: pictureTrouble } = pictures
const handingIn = ref(false)
const showKeys = ref(false)
/** What isn't needed to begin is fetched once the page stands. */
const standing = ref(false)
onNuxtReady(() => (standing.value = true))
const {
  index: pageIndex,
  stepIndex,
  page,
  count: pageCount,
  steps,
  step,
} = usePages(() => edition.board, `open on ${view.id}`, leftToDo(view.state, edition)[0]?.page ?? 0)
const editable = computed(() => shut.value === null)
/** Pencils are down for a while: what stands around the page stays where it is. */
const goingOn = computed(() => editable.value || shut.value === 'paused')
const back = computed(() => status.value === 'handed-back')
const members = computed(() => about.value.members)
const { several, named, holding, hands, here, following, presents, ask, pointed } = useCompany({
  kind: view.kind,
  own: view.actor.author,
  members: () => members.value,
  others: slate.others,
  be: slate.be,
  page: pageIndex,
  step: stepIndex,
  board: edition.board,
})
useHead({ title: () => edition.board.title })
provideBoardLanguage(() => edition.board.language)
useKeptSounds(edition.board)

const feedback = useFeedback({
  slate: view.id,
  when: () => edition.board.feedback,
  keyed: view.keyed,
  status,
  state: () => state.value,
})
const { items: told, gains, onPieces, shows: mayAsk, trouble: notTold } = feedback
const untouched = computed(() => isUntouched(state.value, edition))
const dueWords = useDue()
// Somebody has moved this student to another frame: they are led there.
watch(refused, code => code === 'not-yours' && emit('elsewhere'))
/** What others have made can be looked at: always, or once this is handed in. */
const mayLook = computed(
  () =>
    (view.kind === 'frame' || view.kind === 'page')
    && (about.value.looking === 'always'
      || (about.value.looking === 'after-hand-in' && (status.value === 'handed-in' || back.value))),
)
const beginningAgain = ref(false)
function startAgain() {
  beginningAgain.value = false
  slate.make({ kind: 'start-again' })
}

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

async function handIn(word: string) {
  if (!(await slate.allSent())) throw new Refused('unsent')
  await slate.handIn(word)
  handingIn.value = false
}

const done = computed(() => stepsDone(state.value, edition, page.value))
/** The parts of a frame: there only where each of several has one. */
const parted = computed(() => several && page.value.places.some(place => place.part !== undefined))
const actor = computed(() => about.value.actor)
const part = computed(() => (typeof actor.value.part === 'number' ? actor.value.part : null))

const before = computed(() => about.value.before)
const further = computed(() => before.value !== null)
const { side, open, besides, hintOf, hints } = useBeside({
  edition: () => edition,
  page: () => page.value,
  step: () => step.value,
  further: () => further.value,
})
const {
  talk,
  talks,
  open: mayTalk,
  unread,
  draft,
} = useTalk({
  slate: view.id,
  lines: () => about.value.talk,
  mayTalk: () => about.value.rules.talk,
  several,
  side: () => side.value,
})
const comparing = ref(false)
/** Both pages have all the room: what stands beside them is closed. */
function compare() {
  comparing.value = !comparing.value
  if (comparing.value) side.value = null
}
watch(further, now => !now && (comparing.value = false))
const mayBeginAgain = computed(
  () => about.value.rules.secondTry && canBeginAgain(status.value) && shut.value !== 'closed',
)
const mayTakeBack = computed(
  () => about.value.rules.takeBack && status.value === 'handed-in' && shut.value !== 'closed',
)
const stage = useTemplateRef<{ $el: HTMLElement }>('stage')
/** A piece that is dragged comes before two fingers that look closer. */
const dragging = ref(false)
const {
  notes,
  isThere: said,
  isOpen: saidOpen,
  asked,
  toggle: askSaid,
} = useTeacherSays({ margin, review, back, further, told, dragging })
function closeFeedback() {
  if (editable.value) feedback.hide()
  else saidOpen.value = false
}
const mayOpen = (place: Place) => mayTouch(place, actor.value)
const aside = computed(() => secondThoughts(margin.value, state.value))
provideSecondThoughts(() => aside.value)
const covered = useCovered(
  computed(() => stage.value?.$el ?? null),
  useTemplateRef<HTMLElement>('drawer'),
)
if (several)
  useShownToOthers(
    computed(() => stage.value?.$el ?? null),
    presents,
    slate.be,
  )
const zoom = useZoom(
  computed(() => stage.value?.$el ?? null),
  () => !dragging.value,
)
const { undoing } = useSlateSaid({
  edition,
  state,
  own: view.actor.author,
  several,
  members: () => members.value,
  hands,
  shut,
  told,
  aside,
  margin,
})
const undo = () => void undoing(slate.undo)
useSlateKeys({ showKeys: () => (showKeys.value = true), undo })
</script>

<template>
  <!-- In a window too low for all of it (a phone, or a laptop at 200 %) the whole scrolls, and the page keeps a height
       to work at. -->
  <div class="flex h-dvh flex-col low:overflow-y-auto">
    <UiTopBar :title="edition.board.title" :language="edition.board.language">
      <template #start
        ><RouterLink to="/desk" :aria-label="t('slate.toDesk')" class="flex min-h-11 min-w-11 items-center"
          ><UiMark /></RouterLink
      ></template>
      <SlateKept :unsent="unsent" :connected="connection === 'open'" :pictures="picturesOnWay" />
      <LazyLessonOnSlate
        v-if="standing"
        :slate="view.id"
        :handout="view.handout"
        :live="slate.live"
        :shut="shut"
        :marks="back ? 0 : margin.length"
        :language="edition.board.language"
        @page="pageIndex = $event" />
      <template #end>
        <button
          v-if="editable"
          type="button"
          class="button button-dark w-11 border-transparent px-0 max-sm:hidden"
          :aria-label="t('keys.title')"
          :title="t('keys.title')"
          @click="showKeys = true">
          <Icon name="lucide:keyboard" size="22" />
        </button>
        <span class="flex items-center gap-2 rounded-full bg-stone-800 px-3 py-2 font-medium">
          <UiRing v-if="progress.of" :share="progress.placed / progress.of" tone="sunfleck" />
          <span
            >{{ view.name || t('desk.everyone')
            }}<template v-if="progress.of"> · {{ t('slate.placed', progress) }}</template></span
          >
        </span>
        <SlateWayOut
          :others="mayLook ? view.handout : null"
          :feedback="editable && mayAsk"
          :unsent="unsent > 0"
          :take-back="mayTakeBack"
          :again="mayBeginAgain"
          :done="editable && view.kind !== 'class' ? (about.handIn ? 'handIn' : 'finish') : null"
          @feedback="feedback.ask()"
          @take-back="attempt(slate.takeBack)"
          @again="attempt(slate.beginAgain)"
          @done="handingIn = true" />
        <!-- There from the start, so that it is said when it comes. -->
        <span role="status" :class="editable ? '-ml-3' : ''" data-test="shut"
          ><strong v-if="!editable" class="block rounded-lg bg-leaf-700 px-4 py-2.5">{{
            shut && shut !== 'handed-in' ? t(`slate.shut.${shut}`) : t(`desk.status.${saidStatus(status, about)}`)
          }}</strong></span
        >
      </template>
    </UiTopBar>

    <main class="flex min-h-0 flex-1 flex-col gap-3 p-3 sm:px-6 sm:py-3.5 low:flex-[1_0_auto]">
      <p v-if="about.word || about.due" class="flex flex-wrap gap-x-5 text-sm">
        <span v-if="about.word">{{ about.word }}</span><span v-if="about.due" class="font-semibold">{{
          t('slate.due', { day: dueWords(about.due) })
        }}</span>
      </p>
      <LazySlateWorth v-if="view.counts !== 'nothing' && !back" :points="view.mostPoints" :rubric="view.rubric" />
      <LazySlateHeading
        v-if="view.kind === 'page' && editable"
        :slate="view.id"
        :heading="view.heading ?? ''"
        :hidden="about.headingHidden" />
      <div class="flex flex-wrap items-center justify-center gap-x-4 gap-y-2">
        <SlateInstructions
          v-if="edition.board.instructions || edition.board.spoken"
          class="min-w-64 flex-1"
          :text="edition.board.instructions"
          :language="edition.board.language"
          :spoken="edition.board.spoken" />
        <LazySlatePageTurner v-if="pageCount > 1" v-model="pageIndex" :count="pageCount" :reading="page.reading" />
        <BoardZoomButtons class="ml-auto" :zoom="zoom" />
      </div>
      <LazySlateStepTurner
        v-if="steps.length && !back"
        v-model="stepIndex"
        :steps="steps"
        :done="done"
        :language="edition.board.language" />
      <div
        v-if="several || talks || besides || hints.length || further || goingOn || said"
        class="flex flex-wrap items-center gap-x-2 gap-y-2 max-sm:flex-nowrap max-sm:overflow-x-auto max-sm:*:shrink-0">
        <LazySlateTogether
          v-if="several"
          :kind="view.kind"
          :members="members"
          :own="view.actor.author"
          :hands="hands"
          :editable="editable"
          :presents="presents"
          :following="following"
          :showable="pageCount > 1 || steps.length > 0"
          :talks="talks"
          :unread="unread"
          :named="named"
          @name="named = $event"
          @done="done => attempt(() => slate.sayDone(done))"
          @present="presents = $event"
          @ask="ask"
          @follow="following = $event"
          @talk="open('talk')" />
        <SlateSideButtons
          :side="side"
          :hand="goingOn && view.kind !== 'class' ? about.hand : null"
          :line="!several && talks ? unread : null"
          :hints="hints.length > 0 && (editable || !!state.hints[hintOf])"
          :besides="besides"
          :before="further"
          :comparing="comparing"
          :crowded="several"
          :said="said ? saidOpen : null"
          @said="askSaid"
          @open="open"
          @hand="up => attempt(() => slate.askForHelp(up))"
          @compare="compare" />
      </div>
      <SlateTroubles
        :refused="refused"
        :refusals="refusals"
        :set-aside="setAside"
        :unkept="deviceFull ? unsent : 0"
        :picture="pictureTrouble"
        :others="[trouble, notTold]" />
      <div class="relative flex min-h-0 flex-1 flex-col gap-4 lg:flex-row low:flex-[1_0_auto]">
        <LazySlateBefore
          v-if="comparing && before"
          :edition="edition"
          :page="page"
          :before="before.state"
          :now="state"
          :gains="gains" />
        <BoardStage
          ref="stage"
          plays
          :zoom="zoom.zoom.value"
          :zoom-about="zoom.about"
          class="lg:low:h-[min(26rem,100dvh)] max-lg:low:flex-[1_0_min(26rem,100dvh)]"
          :edition="edition"
          :page="page"
          :state="state"
          :editable="editable && !page.reading"
          :ledge="!back && !page.reading"
          :step="back ? null : step"
          :by="view.actor.author"
          :open="mayOpen"
          :others="holding"
          :covered="covered"
          @closer="zoom.begin"
          @pinch="zoom.pinch"
          @make="slate.make"
          @drag="dragging = $event"
          @hold="slate.be({ holds: $event ?? undefined })">
          <template v-if="told" #mark="{ piece, master }">
            <LazyReviewVerdictMark
              v-if="onPieces.get(piece.id)"
              :x="-master.width / 2 + 2"
              :y="master.height / 2 - 2"
              :verdict="onPieces.get(piece.id)!" />
          </template>
          <template v-if="goingOn" #ledge-end="{ low }">
            <SlateUndoButtons
              :low="low"
              :undo="slate.canUndo.value"
              :again="editable && !untouched"
              @undo="undo"
              @again="several ? (beginningAgain = true) : startAgain()" />
          </template>
          <template v-if="notes || told || several" #over>
            <LazySlateAuthors v-if="several && named" :page="page" :edition="edition" :state="state" />
            <LazySlateWriters
              v-if="several && (pointed || hands.some(hand => hand.writes))"
              :hands="hands"
              :page="page"
              :edition="edition"
              :state="state"
              :pointed="pointed" />
            <LazySlateParts v-if="parted" :page="page" :part="part" :members="members" />
            <LazyReviewPlaceMarks v-if="told" :page="page" :marks="told" kind />
            <LazyMarginLayer v-if="notes" :page="page" :edition="edition" :state="state" :margin="margin" />
          </template>
        </BoardStage>
        <!-- Over the side of the page, which stays as it is under a hand; where nothing can be done any more
             beside it. -->
        <div v-if="side || (said && saidOpen)" ref="drawer" :class="goingOn ? 'drawer' : 'beside'">
          <LazySlateTalk
            v-if="side === 'talk'"
            v-model:draft="draft"
            class="min-h-64 flex-1"
            :lines="talk"
            :members="members"
            :own="view.actor.author"
            :open="mayTalk"
            :several="several"
            :speak="slate.speak"
            @close="side = null" />
          <LazySlateHints
            v-else-if="side === 'hints'"
            :hints="hints"
            :seen="state.hints[hintOf] ?? 0"
            :editable="editable"
            @next="slate.make({ kind: 'hint', of: hintOf, number: $event })"
            @close="side = null" />
          <LazySlateBeside
            v-else-if="side === 'beside'"
            class="flex-1"
            :board="edition.board"
            :page="page"
            :state="state"
            :editable="editable && !page.reading"
            :before="before?.state ?? null"
            @make="slate.make"
            @close="side = null" />
          <LazyMarginNotes
            v-if="saidOpen && notes && (!told || margin.length || review?.comment || view.counts !== 'nothing')"
            :quiet="!asked"
            :edition="edition"
            :state="state"
            :editable="editable"
            :margin="margin"
            :review="review"
            :points="view.mostPoints"
            :rubric="view.rubric"
            :talk="about.talk"
            :speak="slate.speak"
            @close="saidOpen = false"
            @make="slate.make" />
          <LazySlateFeedback
            v-if="told && saidOpen"
            :quiet="!asked && !editable"
            :edition="edition"
            :state="state"
            :items="told"
            @close="closeFeedback" />
        </div>
      </div>
    </main>

    <LazySlateHandIn
      v-if="editable && standing"
      :open="handingIn"
      :edition="edition"
      :state="state"
      :before="before?.state ?? null"
      :kind="view.kind"
      :members="members"
      :here="here"
      :own="view.actor.author"
      :rules="about.rules"
      :counted="about.handIn"
      :hand-in="handIn"
      @close="handingIn = false"
      @go="goTo"
      @make="slate.make" />
    <LazySlateStartAgain
      v-if="several && standing"
      :open="beginningAgain"
      :edition="edition"
      :state="state"
      :actor="actor"
      @close="beginningAgain = false"
      @again="startAgain" />
    <UiAnnouncer />
    <LazyUiKeySheet v-if="showKeys" :open="showKeys" @close="showKeys = false" />
  </div>
</template>
