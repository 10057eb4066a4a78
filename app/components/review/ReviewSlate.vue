<script setup lang="ts">
import type { PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { Piece } from '~~/core/board/piece'
import { LONGEST_NOTE } from '~~/core/margin/item'
import { layOf } from '~~/core/margin/pinned'
import type { Verdict } from '~~/core/keys/outcome'
import { useReplay } from '~/composables/review/useReplay'
import { useReview, type OutcomesView } from '~/composables/review/useReview'
import { canMove } from '~~/core/slate/status'
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
const tool = ref<keyof typeof TOOLS>('look')
const comparing = ref(false)
const notePiece = ref<PieceId | null>(null)
const noteText = ref('')
const TOOLS = {
  look: 'lucide:mouse-pointer-2',
  pen: 'lucide:pen-line',
  note: 'lucide:message-square-plus',
  flag: 'lucide:eye',
  aside: 'lucide:archive-restore',
} as const

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
const nameOf = (id: PieceId) => pieceName(edition.pieces.get(id)!.piece)

const itemList = useTemplateRef<{ focus: () => void }>('itemList')
const counting = useTemplateRef<{ focus: () => void }>('counting')
const commentField = useTemplateRef<HTMLTextAreaElement>('commentField')
const showKeys = ref(false)
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

function pin(piece: PieceId) {
  notePiece.value = piece
  noteText.value = ''
}
async function addNote() {
  if (!notePiece.value || !noteText.value.trim()) return
  const item = { kind: 'note' as const, page: page.value.id, piece: notePiece.value, text: noteText.value.trim() }
  notePiece.value = null
  tool.value = 'look'
  await review.add(item)
}
/** Only who works has something to think over. */
const atWork = computed(() => canMove(status.value))
const tools = computed(() =>
  (Object.keys(TOOLS) as (keyof typeof TOOLS)[]).filter(one => one !== 'aside' || atWork.value),
)
const picking = computed(() => (tool.value === 'look' || tool.value === 'pen' ? null : tool.value))
const chosen = ref<ReadonlySet<PieceId>>(new Set())
watch([tool, pageIndex], () => (chosen.value = new Set()))
const setting = ref(false)
const why = ref('')
const PICKS = { note: 'marginDesk.pinTo', flag: 'marginDesk.flagTo', aside: 'marginDesk.asideOf' } as const
const pickLabel = (piece: Piece) => t(PICKS[picking.value!], { name: pieceName(piece) })
function pick(piece: PieceId) {
  if (tool.value === 'note') pin(piece)
  else if (tool.value === 'flag')
    void review.add({ kind: 'flag', page: page.value.id, piece, lay: layOf(state.value.pieces[piece]!) })
  else
    chosen.value = new Set(
      chosen.value.has(piece) ? [...chosen.value].filter(p => p !== piece) : [...chosen.value, piece],
    )
}
const wrong = computed(() => pickable.value.filter(piece => onPieces.value.get(piece.id) === 'wrong'))
async function setThemAside() {
  const these = [...chosen.value]
  setting.value = false
  tool.value = 'look'
  await review.setAside(these, why.value.trim())
}
const readyNotes = (['why', 'look', 'tell', 'good'] as const).map(one => t(`sentences.note.${one}`))
const readyWhys = (['rule', 'heading', 'other', 'try'] as const).map(one => t(`sentences.aside.${one}`))
const lying = computed(() => page.value.pieces.filter(p => state.value.pieces[p.id]))
/** A bin stays where it is. */
const pickable = computed(() => lying.value.filter(piece => !piece.bin))
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-4 lg:flex-row">
    <div class="flex min-h-96 min-w-0 flex-1 flex-col gap-3">
      <div class="flex flex-wrap items-center gap-2" role="toolbar" :aria-label="t('marginDesk.tools')">
        <button
          v-for="name in tools"
          :key="name"
          type="button"
          class="button"
          :class="tool === name ? 'border-bilberry-700 bg-bilberry-100 text-stone-950' : ''"
          :aria-pressed="tool === name"
          :disabled="past && name !== 'look'"
          @click="tool = name">
          <Icon :name="TOOLS[name]" />{{ t(`marginDesk.tool.${name}`) }}
        </button>
        <button v-if="!past" type="button" class="button ml-auto" @click="((tool = 'look'), replay.open())">
          <Icon name="lucide:history" />{{ t('replay.open') }}
        </button>
        <button
          type="button"
          class="button"
          :class="past ? 'ml-auto' : ''"
          :disabled="!review.canUndo.value"
          @click="review.undo()">
          <Icon name="lucide:undo-2" />{{ t('slate.undo') }}
        </button>
      </div>
      <label v-if="atWork && tool !== 'look' && tool !== 'aside'" class="flex items-center gap-2"
        ><input v-model="atOnce" type="checkbox" class="h-5 w-5" />{{ t('marginDesk.atOnce') }}</label
      >
      <div v-if="picking" class="flex flex-wrap items-center gap-2">
        <p class="note-line" role="status">
          {{ pickable.length ? t(`marginDesk.how.${picking}`) : t('marginDesk.nothingLies') }}
        </p>
        <template v-if="picking === 'aside'">
          <button
            v-if="wrong.length"
            type="button"
            class="button min-h-10 py-1"
            @click="chosen = new Set(wrong.map(piece => piece.id))">
            {{ t('marginDesk.chooseWrong', { count: wrong.length }) }}
          </button>
          <button
            type="button"
            class="button button-action min-h-10 py-1"
            :disabled="!chosen.size"
            @click="((why = ''), (setting = true))">
            {{ t('marginDesk.setThemAside', { count: chosen.size }) }}
          </button>
        </template>
      </div>
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
          :now="state" />
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
            <MarginLayer :page="page" :edition="edition" :state="state" :margin="margin" />
            <ReviewPenLayer
              v-if="tool === 'pen'"
              :page="page"
              @stroke="review.add({ kind: 'ink', page: page.id, points: $event })" />
            <ReviewPickLayer
              v-else-if="picking"
              :pieces="pickable"
              :edition="edition"
              :state="state"
              :label="pickLabel"
              :chosen="picking === 'aside' ? chosen : undefined"
              @pick="pick" />
          </template>
        </BoardStage>
      </div>
    </div>

    <aside class="panel flex w-full shrink-0 flex-col gap-4 lg:w-96" :aria-label="t('review.panel')">
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
        class="-mr-3 flex min-h-0 flex-1 flex-col gap-4 overflow-auto pr-3"
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
      <p v-if="!review.canHandBack.value" class="font-semibold" role="status">{{ t(`review.status.${status}`) }}</p>
    </aside>

    <ReviewKeys :open="showKeys" @close="showKeys = false" />
    <UiAsk
      :open="notePiece !== null"
      :title="notePiece ? t('marginDesk.pinTo', { name: nameOf(notePiece) }) : ''"
      @close="notePiece = null">
      <form id="note" @submit.prevent="addNote">
        <label
          ><span class="label">{{ t('marginDesk.noteText') }}</span
          ><textarea v-model="noteText" dir="auto" rows="3" :maxlength="LONGEST_NOTE" class="field" required />
        </label>
        <LessonSentences v-model="noteText" :ready="readyNotes" :longest="LONGEST_NOTE" />
      </form>
      <template #buttons>
        <button type="button" class="button" @click="notePiece = null">{{ t('app.cancel') }}</button>
        <button form="note" class="button button-action" :disabled="!noteText.trim()">{{ t('marginDesk.pin') }}</button>
      </template>
    </UiAsk>
    <UiAsk :open="setting" :title="t('marginDesk.asideTitle', { count: chosen.size })" @close="setting = false">
      <form id="aside" @submit.prevent="setThemAside">
        <label
          ><span class="label">{{ t('marginDesk.asideWhy') }}</span
          ><textarea v-model="why" dir="auto" rows="2" :maxlength="LONGEST_NOTE" class="field" />
        </label>
        <LessonSentences v-model="why" :ready="readyWhys" :longest="LONGEST_NOTE" />
      </form>
      <template #buttons>
        <button type="button" class="button" @click="setting = false">{{ t('app.cancel') }}</button>
        <button form="aside" class="button button-action">
          {{ t('marginDesk.setThemAside', { count: chosen.size }) }}
        </button>
      </template>
    </UiAsk>
  </div>
</template>
