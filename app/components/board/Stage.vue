<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { binOf } from '~~/core/board/binOf'
import type { PieceId } from '~~/core/board/ids'
import type { Place } from '~~/core/board/place'
import type { Point } from '~~/core/geometry/shape'
import { writtenSpots } from '~~/core/layout/written'
import { HOLDER, type Author } from '~~/core/slate/actor'
import type { Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'
import { spotOf } from '~/composables/board/spotOf'
import type { ZoomAbout } from '~/composables/board/useZoom'
import type { OtherHand } from '~/composables/slate/otherHands'

/**
 * The page in its frame with the ledge below it, and pieces that can be moved between them: by drag, by taps, by
 * keyboard. Where the board gives room for it, students also write, draw, and join pieces by arrows here, unless
 * `piecesOnly` says that nothing but pieces is to be moved. What the teacher gave to make things with stands below the
 * page (`withTools`; *keyed*: of them only what a key reads). Where it `plays`, clips are played and links lead away.
 * At the workbench it stands *steady*: as large at every station. What others hold is asked for by what draws it alone,
 * for it changes many times a second.
 */
const {
  edition,
  page,
  state,
  editable = false,
  ledge = true,
  marked = [],
  zoom = 1,
  zoomAbout = () => null,
  steady = false,
  step = null,
  piecesOnly = false,
  withTools = true,
  plays = false,
  by = HOLDER.author,
  open = () => true,
  others = () => [],
  covered = 0,
} = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  editable?: boolean
  ledge?: boolean
  marked?: readonly string[] | undefined
  zoom?: number
  zoomAbout?: () => ZoomAbout
  steady?: boolean
  step?: string | null
  piecesOnly?: boolean
  withTools?: boolean | 'keyed'
  plays?: boolean
  by?: Author
  /** Whether a place is open to this hand. */
  open?: (place: Place) => boolean
  others?: () => readonly OtherHand[]
  /** CSS pixels of its right side under something else: so much farther it can be pushed. */
  covered?: number
}>()
const emit = defineEmits<{
  make: [move: Move]
  hold: [holds: { piece: PieceId; x: number; y: number } | null]
  drag: [drags: boolean]
  /** How much more closely than it fits the page is to be looked at to be read and caught. */
  closer: [ratio: number]
  pinch: [pinch: { begins: boolean; ratio: number; about: Point }]
}>()

const { t } = useWords()
provideBoardLanguage(() => edition.board.language)
const room = useTemplateRef<HTMLElement>('room')
const boardPage = useTemplateRef<{ svg: SVGSVGElement | null }>('boardPage')
const shelf = useTemplateRef<{ root: HTMLElement | null }>('shelf')
const slots = useSlots()
const barElement = useTemplateRef<HTMLElement>('barElement')
const works = computed(() => editable && !piecesOnly)
const { given, mayBeGiven, tool, making, choice, gesture, choosing, drawings, tools, pasted, parts } = useStageTools({
  edition: () => edition,
  page: () => page,
  step: () => step,
  works: () => works.value,
  withTools: () => withTools,
})
/** What stands on pieces is read aloud where the teacher allows it and the device has a voice. */
const readable = edition.board.readPieces ? useHasVoice(() => edition.board.language ?? 'en-GB') : ref(false)
const { barred, bar, size } = useStageRoom({
  room,
  barElement,
  page: () => page,
  edition: () => edition,
  editable: () => editable,
  steady: () => steady,
  ledge: () => ledge,
  works: () => works.value,
  mayBeGiven: () => mayBeGiven.value,
  readable: () => readable.value,
  ended: () => !!slots['ledge-end'],
})
/** CSS pixels for a point of the page; the ledge keeps its own while the page is looked at closely. */
const pageScale = computed(() => size.value.whole * zoom)
watch(
  () => size.value.closer,
  closer => emit('closer', closer),
  { immediate: true },
)
useRoving(barElement)
const frame = useTemplateRef<HTMLElement>('frame')
const sheet = useTemplateRef<HTMLElement>('sheet')
const scrolls = useScrolls(frame, sheet, () => covered)
provideThingIds()
const { said, times, nameOf, labels, placed, placeName, noteMove, sayMove, sayHeld, sayJoining } = useStageSaid({
  edition: () => edition,
  page: () => page,
  state: () => state,
})
/** Where fields stand over the page: what is written elsewhere is part of the picture. */
const fields = computed(
  () =>
    new Set(
      works.value
        ? page.places
            .filter(place => open(place))
            .flatMap(place => writtenSpots({ ...page, places: [place] }).map(s => s.name))
        : [],
    ),
)

/** Whether a spot, a drawing space or a clip has an element of its own over the page. */
const reached = (spot: string) =>
  fields.value.has(spot)
  || (works.value && drawings.value.some(place => place.id === spot))
  || (plays && [...(page.backdrop.clips ?? []), ...(page.backdrop.links ?? [])].some(one => one.id === spot))

const stage = useStage({
  edition: () => edition,
  page: () => page,
  state: () => state,
  editable: () => editable,
  pageSvg: () => boardPage.value?.svg,
  ledgeElement: () => shelf.value?.root,
  joining: () => tool.value === 'join',
  make(move, piece, focus) {
    const fresh = (move.kind === 'put' || move.kind === 'arrange') && !state.pieces[piece]
    noteMove(move)
    emit('make', move)
    void nextTick(() => settle(move, piece, focus, fresh))
  },
  isWritten: piece => works.value && words.isWritten(piece),
  write: (piece, starts) => words.writePiece(piece, starts),
})
const { held, joinFrom, tapPage, tapLedge, key } = stage
const litNow = () => stage.lit.value
const players = useTemplateRef<{ tap: (at: Point) => boolean }>('players')
const drags = computed(() => held.value?.way === 'drag')
watch(drags, now => emit('drag', now))
watch(stage.holding, now => emit('hold', now))
const accompanied = computed(() => others().length > 0)
const heldByOthers = useHeldByOthers(() => others())
const table = computed(() => ({ state, page, edition }))
const { own, words, pickedOwn, beginRubbing, rub, doneWriting, lay, write } = useStageOwn({
  table: () => table.value,
  by: () => by,
  works: () => works.value,
  drawings: () => drawings.value,
  free: () => works.value && making.value === null && held.value?.way !== 'tap',
  putTool: () => (making.value = null),
  toPage: stage.toPage,
  make: move => emit('make', move),
  room: () => room.value,
})

const gestures = provideGestures(room, { push: pushed, pinch: pinch => emit('pinch', pinch) })
gestures.take('piece', stage.taker)
gestures.take('own', own.taker)
gestures.take('ledge', { as: 'ground', tap: tapLedge })
gestures.take('page', {
  as: 'ground',
  tap({ at }) {
    const point = stage.toPage(at)
    if (!tapPage(at) && point) players.value?.tap(point)
  },
})
// Another page is looked at with empty hands, and whoever takes up a card has put the pen down.
watch([() => page.id, () => held.value?.way], ([at, way], [before]) => {
  if (at !== before || way) tool.value = 'move'
})
// What is in a hand when the page is closed to it lies where it was.
watch(
  () => editable,
  may => {
    if (may) return
    gestures.letBe()
    held.value = null
  },
)

const { heldPiece, heldLies, heldEntry, heldSize, picked, pickedOnPage, ghostAt } = useStageHeld({
  held: () => held.value,
  edition: () => edition,
  state: () => state,
})
useStageView({
  frame,
  sheet,
  scale: () => pageScale.value,
  about: zoomAbout,
  heldSize,
  part: () => page.steps?.find(one => one.id === step) ?? null,
  hands: stage,
})
const writtenPiece = computed(() => {
  const what = words.writing.value
  return works.value && what?.on === 'piece' ? what.piece : null
})
const barPiece = computed(() => pickedOnPage.value ?? writtenPiece.value)
/** Another picture of it is under a hand. */
const isFaint = (piece: PieceId) =>
  (heldPiece.value === piece && held.value?.way !== 'tap') || heldByOthers.value.has(piece)
/** Whoever doesn't drag gives a note to another spot with two taps, as any piece. */
function moveWritten() {
  const piece = writtenPiece.value
  words.leave()
  if (piece) held.value = { way: 'tap', piece }
}
/** What is pressed beside a note while words are written on it doesn't end the writing. */
const keepField = (event: MouseEvent) => words.writing.value && event.preventDefault()
/** What stands on the piece that is in hand, to be read aloud. */
const spoken = computed(() => (readable.value && picked.value ? nameOf(picked.value) : ''))
/** After a move: says where the piece is now, and lets the keyboard go on from there. */
function settle(move: Move, piece: PieceId, focus: 'piece' | 'next', fresh: boolean) {
  sayMove(move, piece)
  // What is to be written on is written on at once, when it was laid.
  if (fresh && !state.texts[piece] && works.value && words.isWritten(piece)) return words.writePiece(piece)
  const find = (id: string) => room.value?.querySelector<HTMLElement>(`[data-piece="${id}"]`)
  const next = focus === 'next' ? (binOf(piece) ?? page.ledge.find(id => !state.pieces[id])) : undefined
  const target = find(next ?? stage.shownAs(piece))
  target?.focus({ preventScroll: focus === 'piece' })
}

watch(held, sayHeld)
watch(joinFrom, sayJoining)
</script>

<template>
  <div ref="room" class="relative flex min-h-0 min-w-0 flex-1 touch-none select-none flex-col items-center gap-3">
    <div
      ref="frame"
      data-frame
      class="frame max-w-full touch-none overflow-auto"
      :class="covered ? '[scrollbar-width:none]' : ''"
      :tabindex="scrolls ? 0 : undefined"
      :role="scrolls ? 'group' : undefined"
      :aria-label="scrolls ? t('stage.frame') : undefined"
      :style="{ maxHeight: ledge ? `calc(100% - ${size.ledgeHeight + 12 + bar}px)` : '100%' }">
      <div
        ref="sheet"
        class="relative"
        data-hand="page"
        role="group"
        :lang="edition.board.language"
        :aria-label="t('stage.page')"
        :style="{ width: `${page.width * pageScale}px`, height: `${page.height * pageScale}px` }">
        <div
          v-if="covered"
          class="pointer-events-none absolute top-0 left-full h-px"
          :style="{ width: `${covered}px` }"
          aria-hidden="true" />
        <LazyBoardPageTree
          :edition="edition"
          :page="page"
          :state="state"
          :reached="reached"
          :placements="placed"
          :name-of="nameOf"
          :place-name="placeName" />
        <BoardPage
          ref="boardPage"
          :edition="edition"
          :page="page"
          :state="state"
          :lit="litNow"
          :fields="fields"
          :step="step"
          :own-hands="own.onPage.value"
          role="none">
          <template #under><slot name="under" /></template>
          <template v-if="works && drawings.length" #ink>
            <LazyBoardDrawingSpace
              v-for="place in drawings"
              :key="place.id"
              :place="place"
              :page="page"
              :rubbing="tool === 'rub'"
              @make="emit('make', $event)"
              @rub="rub"
              @begin="beginRubbing"
              @say="said = $event" />
          </template>
          <template #pieces="{ lying }">
            <template v-for="{ piece, master, at } in lying" :key="piece.id">
              <BoardLyingPiece
                :piece="piece"
                :master="master"
                :at="at"
                :scale="pageScale"
                :label="labels.get(piece.id) ?? ''"
                :editable="editable"
                :taken="heldPiece === piece.id"
                :chosen="(heldPiece === piece.id && held?.way === 'tap') || joinFrom === piece.id"
                :faint="isFaint(piece.id)"
                :marked="marked.includes(piece.id)"
                :written="state.texts[piece.id]"
                @key="key" />
              <g
                v-if="$slots.mark"
                :transform="spotOf(at)"
                class="pointer-events-none"
                :class="isFaint(piece.id) ? 'opacity-25' : ''"
                aria-hidden="true">
                <slot name="mark" :piece="piece" :master="master" />
              </g>
            </template>
            <g
              v-if="ghostAt && heldEntry"
              :transform="spotOf({ ...ghostAt, turn: heldLies?.turn })"
              class="pointer-events-none">
              <BoardPieceShape
                :piece="heldEntry.piece"
                :master="heldEntry.master"
                held
                :flipped="heldLies?.flipped"
                :written="state.texts[heldEntry.piece.id]" />
            </g>
          </template>
          <template #over>
            <component
              :is="parts.making"
              v-if="parts && making && gesture"
              :tool="making"
              :how="gesture"
              :choice="choice"
              :table="table"
              :by="by"
              @make="emit('make', $event)"
              @write="write"
              @say="said = $event"
              @leave="making = null" />
            <LazyBoardSheet
              v-else-if="tool === 'rub' && !drawings.length"
              taken
              :box="{ x: 0, y: 0, width: page.width, height: page.height }"
              :width="page.width"
              :height="page.height"
              how="rub"
              :most="1"
              :label="t('tools.rubber')"
              @rub="rub"
              @begin="beginRubbing"
              @say="said = $event"
              @leave="tool = 'move'" />
            <slot name="over" :scale="pageScale" />
          </template>
        </BoardPage>
        <LazyBoardHeldByOthers
          v-if="accompanied"
          :edition="edition"
          :page="page"
          :state="state"
          :scale="pageScale"
          :hands="others" />
        <component
          :is="parts.field"
          v-if="parts && works && words.now.value"
          :key="words.now.value.name"
          v-bind="words.now.value"
          :scale="pageScale"
          @edit="words.edited"
          @leave="doneWriting(words.now.value.name)" />
        <LazyBoardPlayers
          v-if="plays && (page.backdrop.clips?.length || page.backdrop.links?.length)"
          ref="players"
          :page="page"
          :scale="pageScale" />
        <LazyBoardWritingFields
          v-if="fields.size"
          :names="fields"
          :page="page"
          :state="state"
          :scale="pageScale"
          @make="emit('make', $event)" />
      </div>
    </div>
    <div
      v-if="barred"
      ref="barElement"
      class="flex min-h-11 max-w-full touch-pan-x items-center gap-2 overflow-x-auto [scrollbar-width:thin] *:shrink-0"
      role="toolbar"
      :aria-label="t('stage.tools')"
      @mousedown="keepField">
      <component
        :is="parts.bar"
        v-if="parts && given.length"
        v-model:tool="making"
        v-model:choice="choice"
        :given="given" />
      <button
        v-for="name in tools"
        :key="name"
        type="button"
        class="button"
        :class="tool === name ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
        :aria-pressed="tool === name"
        @click="tool = tool === name ? 'move' : name">
        <Icon :name="TOOL_ICONS[name]" size="20" /><span :class="given.length ? 'max-lg:sr-only' : ''">{{
          t(`stage.tool.${name}`)
        }}</span>
      </button>
      <LazyBoardOwnBar
        v-if="pickedOwn && !making"
        :thing="own.picked.value!"
        :own="pickedOwn"
        :page="page"
        @make="emit('make', $event)"
        @write="words.writeOwn(own.picked.value!)" />
      <LazyBoardReadPiece v-if="spoken" :text="spoken" :language="edition.board.language ?? 'en-GB'" />
      <LazyBoardPieceBar
        v-if="barred && barPiece"
        :edition="edition"
        :piece="barPiece"
        :written="writtenPiece !== null"
        @turn="stage.turn(barPiece, $event)"
        @flip="stage.flip(barPiece)"
        @move="moveWritten" />
      <slot v-if="!page.pieces.length" name="ledge-end" />
    </div>
    <BoardLedge
      v-if="ledge && page.pieces.length"
      ref="shelf"
      class="w-full"
      :style="{ maxWidth: `${Math.max(page.width * size.scale + 18, 320)}px` }"
      :edition="edition"
      :page="page"
      :state="state"
      :step="step"
      :scale="size.scale"
      :height="size.ledgeHeight"
      :editable="editable"
      :roomy="editable || steady"
      :marked="marked"
      :held-piece="heldPiece && stage.shownAs(heldPiece)"
      :dragging="drags"
      @key="key">
      <template v-if="$slots['ledge-end']" #end="{ low }"><slot name="ledge-end" :low="low" /></template>
    </BoardLedge>
    <BoardDragged
      v-if="held?.way === 'drag' && heldEntry"
      :at="stage.middle"
      :turn="heldLies?.turn ?? 0"
      :scale="pageScale">
      <BoardPieceShape
        :piece="heldEntry.piece"
        :master="heldEntry.master"
        held
        :flipped="heldLies?.flipped"
        :written="state.texts[heldEntry.piece.id]" />
    </BoardDragged>
    <LazyBoardPictureDialog v-if="choosing" :how="choosing" :pasted="pasted" @put="lay" @close="making = null" />
    <p class="sr-only" aria-live="polite" data-test="said">
      <span :key="times"><BoardMixed :sentence="said" /></span>
    </p>
  </div>
</template>

<style scoped>
:deep(.piece:focus),
:deep(.own:focus) {
  outline: none;
}
:deep(.piece:focus-visible),
:deep(.own:focus-visible) {
  outline: 3px solid #a86a05;
  outline-offset: 2px;
}
</style>
