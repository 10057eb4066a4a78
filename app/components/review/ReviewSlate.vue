<script setup lang="ts">
import type { Verdict } from '~~/core/keys/outcome'
import { useMarginTools } from '~/composables/review/useMarginTools'
import { useReplay } from '~/composables/review/useReplay'
import { useReview, type OutcomesView } from '~/composables/review/useReview'
import { gainsOf, namedGains } from '~~/core/review/gained'
import { canMove, saidStatus } from '~~/core/slate/status'
import type { SlateView } from '~/composables/slate/useSlate'

const { view, outcomes } = defineProps<{ view: SlateView; outcomes: OutcomesView | null }>()
const { t, said } = useWords()
const emit = defineEmits<{ outdated: []; on: [] }>()
const review = useReview(view, outcomes, () => emit('outdated'))
const { edition, state, status, paused, atOnce, margin, said: word, comment, items, total, trouble, decisions } = review
const replay = useReplay(view.id)
/** What is looked at: how it is now, or how it was after one of its moves. */
const shown = computed(() => replay.stand.value ?? { edition, state: state.value })
const past = computed(() => replay.stand.value !== null)
const { index: pageIndex, page, count: pageCount } = usePages(() => shown.value.edition.board)
// The page on which it happened.
watch(replay.move, made => {
  const piece = made && 'piece' in made.move ? shown.value.edition.pieces.get(made.move.piece) : undefined
  const at = piece ? shown.value.edition.board.pages.indexOf(piece.page) : -1
  if (at >= 0) pageIndex.value = at
})
const comparing = ref(false)
const gains = computed(() => {
  const before = review.marksBefore.value
  return before && view.keyed ? namedGains(gainsOf(before, review.marks.value)) : null
})

const byVerdict = byRank<Verdict>({ 'on-the-line': 0, wrong: 1, 'not-placed': 2, right: 3, noted: 4 })
const listed = computed(() =>
  [...items.value].map(([name, mark]) => ({ ...mark, name })).toSorted((a, b) => byVerdict(a.verdict, b.verdict)),
)
/** Of two items about one piece the one that needs a look shows: it comes last. */
const onPieces = computed(
  () =>
    new Map(
      listed.value.toReversed().flatMap(mark => (mark.is === 'piece' ? [[mark.item, mark.verdict] as const] : [])),
    ),
)

const itemList = useTemplateRef<{ focus: () => void }>('itemList')
const counting = useTemplateRef<{ focus: () => void }>('counting')
const commentField = useTemplateRef<HTMLTextAreaElement>('commentField')
const showKeys = ref(false)
const onPaper = ref(false)
/** Whoever comes from another slate by keys goes on by keys. */
onMounted(() => items.value.size && itemList.value?.focus())
async function handBackAndOn() {
  if (!review.canHandBack.value) return
  await review.handBack()
  if (!trouble.value) emit('on')
}
defineExpose({ flush: review.flush })
useReviewKeys({
  keys: () => (showKeys.value = true),
  on: () => void handBackAndOn(),
  comment: () => commentField.value?.focus(),
  list: () => itemList.value?.focus(),
})

const atWork = computed(() => canMove(status.value))
const desk = useMarginTools({
  edition,
  page: () => page.value,
  state: () => state.value,
  margin: () => margin.value,
  atWork: () => atWork.value,
  verdictOn: piece => onPieces.value.get(piece),
  add: review.add,
  remove: review.remove,
  setAside: review.setAside,
})
const { tool, takes } = desk
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-4 lg:flex-row">
    <div class="flex min-h-96 min-w-0 flex-1 flex-col gap-3">
      <ReviewMarginBar v-model:at-once="atOnce" :tools="desk" :past="past" :at-work="atWork">
        <button v-if="!past" type="button" class="button px-3" @click="((tool = 'look'), replay.open())">
          <Icon name="lucide:history" />{{ t('replay.open') }}
        </button>
        <button type="button" class="button px-3" :disabled="!review.canUndo.value" @click="review.undo()">
          <Icon name="lucide:undo-2" />{{ t('slate.undo') }}
        </button>
      </ReviewMarginBar>
      <SlatePageTurner v-model="pageIndex" :count="pageCount" />
      <button
        v-if="review.before.value"
        type="button"
        class="button self-start"
        :aria-pressed="comparing"
        @click="comparing = !comparing">
        <Icon name="lucide:columns-2" size="18" />{{ t(comparing ? 'again.hide' : 'again.show') }}
      </button>
      <p v-if="replay.trouble.value" class="trouble" role="alert">{{ replay.trouble.value }}</p>
      <ReviewReplay
        v-if="past"
        :replay="replay"
        :name="view.name || t('desk.everyone')"
        :kind="view.kind"
        :members="view.members"
        @close="replay.close()" />
      <div class="flex min-h-0 flex-1 gap-3">
        <SlateBefore
          v-if="comparing && review.before.value"
          :edition="edition"
          :page="page"
          :before="review.before.value.state"
          :now="state"
          :gains="gains" />
        <div class="flex min-w-0 flex-1 flex-col gap-2">
          <h2 v-if="comparing && review.before.value" class="text-center font-bold">{{ t('again.now') }}</h2>
          <BoardStage plays :edition="shown.edition" :page="page" :state="shown.state">
            <template v-if="!past" #mark="{ piece, master }">
              <ReviewVerdictMark
                v-if="onPieces.get(piece.id)"
                :x="-master.width / 2 + 2"
                :y="master.height / 2 - 2"
                :verdict="onPieces.get(piece.id)!" />
            </template>
            <template v-if="!past" #over>
              <ReviewPlaceMarks :page="page" :marks="listed" />
              <ReviewPenLayer
                v-if="tool === 'pen' || tool === 'highlighter'"
                :page="page"
                :tip="tool"
                @stroke="review.add({ kind: 'ink', page: page.id, points: $event, tip: tool })" />
              <ReviewPickLayer
                v-else-if="takes !== 'nothing'"
                :page="page"
                :targets="desk.targets.value"
                :spot-label="takes === 'anything' ? t('marginDesk.toSpot') : undefined"
                @pick="desk.pick"
                @spot="desk.spot" />
              <!-- It takes no pointer, so what is to be pressed may lie below it. -->
              <MarginLayer :page="page" :edition="edition" :state="state" :margin="margin" />
            </template>
          </BoardStage>
        </div>
      </div>
    </div>

    <aside class="panel flex w-full shrink-0 flex-col gap-4 overflow-y-auto lg:w-96" :aria-label="t('review.panel')">
      <ReviewAtWork
        v-if="atWork"
        :handout="view.handout"
        :slate="view.id"
        :name="view.name || t('desk.everyone')"
        :paused="paused"
        :may-hold="view.actor.author === 'teacher:0'"
        :several="view.kind !== 'copy'" />
      <div class="flex flex-wrap items-center gap-3">
        <p v-if="items.size" class="text-2xl font-bold" data-test="score">
          {{ total.of ? t('review.score', { points: total.points, of: total.of }) : t('review.onlyCounted') }}
        </p>
        <p v-if="total.undecided" class="rounded-lg bg-sunfleck-200 px-3 py-1 font-semibold text-sunfleck-700">
          {{ t('review.undecided', { count: total.undecided }) }}
        </p>
        <button
          type="button"
          class="button ml-auto min-h-10 w-11 px-0"
          :aria-label="t('paper.slate.title')"
          :title="t('paper.slate.title')"
          @click="onPaper = true">
          <Icon name="lucide:printer" />
        </button>
        <button
          type="button"
          class="button min-h-10 w-11 px-0"
          :aria-label="t('reviewKeys.title')"
          :title="t('reviewKeys.title')"
          @click="showKeys = true">
          <Icon name="lucide:keyboard" />
        </button>
        <p v-if="!view.keyed" class="note-line">{{ t('review.noKey') }}</p>
        <p v-if="review.reviewedAs.value" class="note-line">
          {{ t('review.reviewedAs', { points: review.reviewedAs.value.points, of: review.reviewedAs.value.of }) }}
        </p>
      </div>
      <div
        class="-mr-3 flex min-h-40 flex-1 flex-col gap-4 overflow-auto pr-3"
        role="group"
        :aria-label="t('review.pieces')">
        <ReviewItemList
          ref="itemList"
          :marks="listed"
          :edition="edition"
          :state="state"
          :decisions="decisions"
          :handout="view.handout"
          @decide="review.decide"
          @leave="counting?.focus()" />
        <ReviewAlone
          v-if="view.members.length > 1"
          v-model="review.alone.value"
          :members="view.members"
          :moves="review.moves.value"
          :most="view.mostPoints"
          @changed="review.saveSoon()" />
        <ReviewBeside :edition="edition" :state="state" :further="review.before.value !== null" />
        <ReviewMade
          :slate="view.id"
          :kind="view.kind"
          :state="state"
          :pictures="review.pictures.value"
          :members="view.members"
          :approves="view.rules.approve"
          @hide="review.hideThing"
          @approve="review.approve" />
        <ReviewTalk
          :lines="review.talk.value"
          :members="view.members"
          :kind="view.kind"
          :speak="review.speak"
          @hide="review.hide" />
        <section v-for="balance in view.balanced" :key="balance.key">
          <h2 class="label">{{ t('review.steps') }}</h2>
          <ol class="board-text flex flex-col gap-1 text-base">
            <li v-for="step in balance.steps" :key="step.equation" class="flex items-center gap-2">
              <Icon v-if="step.solved" name="lucide:check" class="text-action" />{{ step.equation }}
            </li>
          </ol>
        </section>
        <ReviewMarginList
          :edition="edition"
          :state="state"
          :margin="margin"
          :kept-back="status !== 'handed-back'"
          :talk="review.talk.value"
          :speak="review.speak"
          @remove="review.remove" />
      </div>
      <ReviewCounting
        ref="counting"
        v-model:points="review.points.value"
        v-model:levels="review.levels.value"
        :counts="view.counts"
        :most="view.mostPoints"
        :rubric="view.rubric"
        :proposed="total"
        @changed="review.saveSoon()"
        @back="itemList?.focus()" />
      <p v-if="word" class="told">
        <strong class="block text-sm">{{ t('review.said') }}</strong><bdi>{{ word }}</bdi>
      </p>
      <label
        ><span class="label">{{ t('review.comment') }}</span
        ><textarea
          ref="commentField"
          v-model="comment"
          dir="auto"
          rows="3"
          maxlength="2000"
          class="field"
          @input="review.saveSoon()" />
      </label>
      <p v-if="trouble" class="trouble" role="alert">{{ said(`refused.${trouble}`, 'refused.trouble') }}</p>
      <button
        v-if="review.canHandBack.value"
        type="button"
        class="button button-action"
        :title="t('reviewKeys.on.press')"
        @click="review.handBack()">
        <Icon name="lucide:undo-dot" />{{
          view.name ? t('review.handBack', { name: view.name }) : t('review.handBackAll')
        }}
      </button>
      <button
        v-if="status !== 'not-opened' && status !== 'under-way'"
        type="button"
        class="button"
        :title="t('review.againSays')"
        @click="review.handBack(true)">
        <Icon name="lucide:rotate-ccw" />{{ t('review.again') }}
      </button>
      <p v-if="!review.canHandBack.value" class="font-semibold" role="status">
        {{ t(`review.status.${saidStatus(status, view)}`) }}
      </p>
    </aside>

    <ReviewOnPaper :open="onPaper" :slate="view.id" :page="pageIndex" @close="onPaper = false" />
    <ReviewKeys :open="showKeys" @close="showKeys = false" />
    <ReviewMarginWords :tools="desk" />
  </div>
</template>
