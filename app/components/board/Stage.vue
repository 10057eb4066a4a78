<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { binOf } from '~~/core/board/binOf'
import type { PieceId } from '~~/core/board/ids'
import type { Master } from '~~/core/board/piece'
import { progress } from '~~/core/placement/tasks'
import { voiceFor } from '~~/core/text/spoken'
import { writtenSpots } from '~~/core/layout/written'
import { FINGER } from '~/composables/board/useStageSize'
import { KEYED_TOOLS, type Tool } from '~~/core/board/tools'
import { nanoid } from 'nanoid'
import type { Point, Size } from '~~/core/geometry/shape'
import { HOLDER, type Author } from '~~/core/slate/actor'
import { FIRST_CHOICE, GESTURES, pictureFrom, type Choice } from '~~/core/tools/making'
import type { Move } from '~~/core/slate/move'
import { toolsAnywhereOn, toolsOn, type Own } from '~~/core/slate/own'
import { rubbedAt } from '~~/core/tools/rubbing'
import type { SlateState } from '~~/core/slate/state'
import { spotOf } from '~/composables/board/lyingPieces'
import type { OtherHand } from '~/composables/slate/otherHands'
import type { OwnPicture } from '~/composables/board/pictures'

/**
 * The page in its frame with the ledge below it, and pieces that can be moved between them: by drag, by taps, by
 * keyboard. Where the board gives room for it, students also write, draw, and join pieces by arrows here, unless
 * `piecesOnly` says that nothing but pieces is to be moved. What the teacher gave to make things with stands below the
 * page (`withTools`; *keyed*: of them only what a key reads). Where it `plays`, clips are played and links lead away.
 * What others hold is asked for (`others`) by what draws it alone: it changes many times a second.
 */
const {
  edition,
  page,
  state,
  editable = false,
  ledge = true,
  marked = [],
  zoom = 1,
  step = null,
  piecesOnly = false,
  withTools = true,
  plays = false,
  by = HOLDER.author,
  others = () => [],
} = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  editable?: boolean
  ledge?: boolean
  marked?: readonly string[] | undefined
  zoom?: number
  step?: string | null
  piecesOnly?: boolean
  withTools?: boolean | 'keyed'
  plays?: boolean
  by?: Author
  others?: () => readonly OtherHand[]
}>()
const emit = defineEmits<{ make: [move: Move]; hold: [holds: { piece: PieceId; x: number; y: number } | null] }>()

const { t } = useWords()
const room = useTemplateRef<HTMLElement>('room')
const boardPage = useTemplateRef<{ svg: SVGSVGElement | null }>('boardPage')
const shelf = useTemplateRef<{ root: HTMLElement | null }>('shelf')
const { width: roomWidth } = useElementSize(room)
const slots = useSlots()
/** What the buttons at the end of the ledge take of it. */
const endWidth = () => (slots['ledge-end'] ? (roomWidth.value < 640 ? 64 : 170) : 0)
/**
 * Room is kept for the bar wherever it may be needed, so that nothing jumps when a piece is picked: a row of it, or
 * what it takes.
 */
const ROW = 44
const GAP = 12
const barElement = useTemplateRef<HTMLElement>('barElement')
const { height: barHeight } = useElementSize(barElement)
const works = computed(() => editable && !piecesOnly)
/** What the teacher gave to make things with. */
const given = computed(() =>
  works.value && withTools
    ? withTools === 'keyed'
      ? toolsAnywhereOn(edition.board, page).filter(one => KEYED_TOOLS.includes(one))
      : toolsOn(edition.board, page, step)
    : [],
)
/** What stands on pieces is read aloud where the teacher allows it and the device has a voice. */
const readable = ref(false)
if (edition.board.readPieces && 'speechSynthesis' in window) {
  const look = () =>
    (readable.value = voiceFor(speechSynthesis.getVoices(), edition.board.language ?? 'en-GB') !== null)
  look()
  useEventListener(speechSynthesis, 'voiceschanged', look)
}
const barred = computed(
  () =>
    works.value
    && (given.value.length > 0
      || page.pieces.length === 0
      || readable.value
      || page.arrows
      || page.places.some(p => p.kind === 'drawing')
      || page.pieces.some(p => p.turns || p.kind === 'note' || (p.kind === 'tile' && p.other))),
)
const bar = computed(() => (barred.value ? Math.max(ROW, barHeight.value) + GAP : 0))
const size = useStageSize({
  room,
  page: () => page,
  edition: () => edition,
  editable: () => editable,
  endWidth,
  barHeight: () => bar.value,
})
/** CSS pixels for a point of the page; the ledge keeps its own while the page is looked at closely. */
const pageScale = computed(() => size.value.scale * zoom)
const frame = useTemplateRef<HTMLElement>('frame')
const sheet = useTemplateRef<HTMLElement>('sheet')
/**
 * A page larger than its frame is pushed about, with the keyboard too. Asked when both have been laid out: one that is
 * measured before the other would say so for a moment of every page.
 */
const scrolls = ref(false)
useResizeObserver([frame, sheet], () => {
  const at = frame.value
  scrolls.value = !!at && (at.scrollWidth > at.clientWidth + 1 || at.scrollHeight > at.clientHeight + 1)
})
const said = ref('')
/** Instead of moving pieces: joining them by arrows, rubbing out, or making something. */
const tool = ref<'move' | 'join' | 'rub' | Tool>('move')
const making = computed({
  get: () => given.value.find(one => one === tool.value) ?? null,
  set: chosen => (tool.value = chosen ?? 'move'),
})
const choice = ref<Choice>(FIRST_CHOICE)
// What the tools are made of is there before one is taken in hand: what is typed at once must not be lost.
watch(
  () => given.value.length > 0,
  has =>
    has
    && void Promise.all([
      import('~/components/board/Making.vue'),
      import('~/components/board/OwnField.vue'),
      import('~/components/board/OwnBar.vue'),
    ]),
  { immediate: true },
)
watch(
  () => given.value.includes('picture') || given.value.includes('photo'),
  has =>
    has
    && void Promise.all([
      import('~/components/board/PictureDialog.vue'),
      import('~/components/board/OwnShape.vue'),
      import('~/components/ui/Dialog.vue'),
    ]),
  { immediate: true },
)
watch(given, () => tool.value !== 'join' && tool.value !== 'rub' && !making.value && (tool.value = 'move'))
const writes = computed(() => writtenSpots(page).length > 0)
const drawings = computed(() => page.places.filter(place => place.kind === 'drawing'))
const tools = computed(() =>
  !works.value
    ? []
    : [
        ...(page.arrows ? ['join' as const] : []),
        ...(drawings.value.length || given.value.includes('pen') || given.value.includes('highlighter')
          ? ['rub' as const]
          : []),
      ],
)
const TOOLS = { join: 'lucide:move-up-right', rub: 'lucide:eraser' } as const

const stage = useStage({
  edition: () => edition,
  page: () => page,
  state: () => state,
  editable: () => editable,
  pageSvg: () => boardPage.value?.svg,
  ledgeElement: () => shelf.value?.root,
  joining: () => tool.value === 'join',
  make(move, piece, focus) {
    moved = true
    emit('make', move)
    void nextTick(() => settle(move, piece, focus))
  },
})
const { held, lit, joinFrom, press, tapPage, tapLedge, key } = stage
const players = useTemplateRef<{ tap: (event: MouseEvent) => boolean }>('players')
const tapSheet = (event: MouseEvent) => (!held.value && players.value?.tap(event)) || tapPage(event)
watch(stage.holding, now => emit('hold', now))
const accompanied = computed(() => others().length > 0)
const heldNames = computed(() =>
  others()
    .flatMap(({ holds }) => (holds ? [holds.piece] : []))
    .join(' '),
)
const heldByOthers = computed(() => new Set(heldNames.value.split(' ')))
const table = computed(() => ({ state, page, edition }))
const own = useOwnHands({
  table: () => table.value,
  state: () => state,
  by: () => by,
  editable: () => works.value && making.value === null && held.value?.way !== 'tap',
  toPage: stage.toPage,
  make: move => emit('make', move),
})
const pickedOwn = computed(() => (works.value && own.picked.value ? (own.ownOf(own.picked.value) ?? null) : null))
/**
 * Taken by the rubber already in this gesture, though the page hasn't been drawn anew since: rubbing twice would be a
 * step of undo that does nothing.
 */
let rubbed = new Set<string>()
const beginRubbing = () => void (rubbed = new Set())
const rub = (at: Point) =>
  rubbedAt({ state, page: page.id, spaces: drawings.value.map(place => place.id), at, by, gone: rubbed }).forEach(
    move => emit('make', move),
  )
/** The keyboard goes on from what was written. */
async function doneWriting(thing: string) {
  own.writing.value = null
  await nextTick()
  if (document.activeElement === document.body) room.value?.querySelector<SVGElement>(`[data-own="${thing}"]`)?.focus()
}
const MOST_FRAMES = 120
/** A tool whose things are chosen first and laid then. */
const gesture = computed(() => making.value && GESTURES[making.value])
const choosing = computed(() => (making.value === 'picture' || making.value === 'photo' ? making.value : null))
/** Pasted, while pictures are given: it is looked at before it is laid. */
const pasted = shallowRef<File | null>(null)
useEventListener(document, 'paste', (event: ClipboardEvent) => {
  const file = [...(event.clipboardData?.files ?? [])].find(one => one.type.startsWith('image/'))
  if (!file || !given.value.includes('picture') || inField(event)) return
  event.preventDefault()
  pasted.value = file
  making.value = 'picture'
})
watch(choosing, now => !now && (pasted.value = null))
async function lay(picture: Pick<OwnPicture, 'picture' | 'from' | 'alt'>, size: Size) {
  const thing = nanoid(12)
  emit('make', { kind: 'own', thing, as: pictureFrom(picture, size, page), by })
  making.value = null
  own.picked.value = thing
  // The dialog gives the keyboard back to where it came from in a moment of its own, and what draws the first thing may
  // still be fetched.
  for (let frame = 0; frame < MOST_FRAMES; frame++) {
    await new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
    const drawn = room.value?.querySelector<SVGElement>(`[data-own="${thing}"]`)
    if (drawn) return drawn.focus()
  }
}
function write(thing: string, as: Own) {
  own.write(thing, as)
  making.value = null
}

/** Around a small tile, so much that a finger catches it. */
function fingerRoom({ width, height }: Master) {
  const [w, h] = [Math.max(width, FINGER / size.value.scale), Math.max(height, FINGER / size.value.scale)]
  return { x: -w / 2, y: -h / 2, width: w, height: h }
}

const heldPiece = computed(() => held.value?.piece ?? null)
const heldLies = computed(() => (heldPiece.value ? state.pieces[heldPiece.value] : undefined))
const heldEntry = computed(() => heldPiece.value && edition.pieces.get(heldPiece.value))
const { nameOf, whereIs, targetName } = useStageNames({ edition: () => edition, page: () => page, state: () => state })
const shownAs = (id: PieceId) => (state.pieces[id] ? id : (binOf(id) ?? id))
/** A piece that is picked on the page, with what can be done to it there. */
const picked = computed(() =>
  heldPiece.value && held.value?.way !== 'drag' && state.pieces[heldPiece.value] ? heldPiece.value : null,
)
/** What stands on the piece that is in hand, to be read aloud. */
const spoken = computed(() =>
  readable.value && heldPiece.value && held.value?.way !== 'drag' ? nameOf(heldPiece.value) : '',
)
/** After a move: says where the piece is now, and lets the keyboard go on from there. */
function settle(move: Move, piece: PieceId, focus: 'piece' | 'next') {
  const { placed, of } = progress(state, edition)
  if (move.kind === 'connect' || move.kind === 'disconnect')
    said.value = t(`stage.${move.kind}`, { from: nameOf(move.from), to: nameOf(move.to) })
  else if (move.kind === 'turn')
    said.value = t('stage.turned', {
      name: nameOf(piece),
      degrees: move.turn,
      side: move.flipped ? t('stage.flipped') : '',
    })
  else said.value = t('stage.settled', { name: nameOf(piece), where: whereIs(piece), placed, of })
  const find = (id: string) => room.value?.querySelector<HTMLElement>(`[data-piece="${id}"]`)
  const next = focus === 'next' ? (binOf(piece) ?? page.ledge.find(id => !state.pieces[id])) : undefined
  const target = find(next ?? shownAs(piece))
  target?.focus({ preventScroll: focus === 'piece' })
}

/** What was done with what was held is said by the move; that nothing was, by this. */
let moved = false
watch(held, (now, before) => {
  if (!now && before && before.way !== 'drag' && !moved) said.value = t('stage.letGo', { name: nameOf(before.piece) })
  moved = false
  if (!now || now.way === 'drag') return
  if (now.way === 'tap') said.value = t('stage.picked', { name: nameOf(now.piece) })
  else if (before?.way !== 'key')
    said.value = t('stage.pickedUp', { name: nameOf(now.piece), where: targetName(now.target) })
  else said.value = t('stage.over', { where: targetName(now.target) })
})
watch(joinFrom, from => from && (said.value = t('stage.joining', { name: nameOf(from) })))
const ghostAt = computed(() => (held.value?.way === 'key' ? held.value.landing?.at : null))
</script>

<template>
  <div ref="room" class="relative flex min-h-0 flex-1 select-none flex-col items-center gap-3" @dragstart.prevent>
    <div
      ref="frame"
      data-frame
      class="frame max-w-full overflow-auto"
      :tabindex="scrolls ? 0 : undefined"
      :role="scrolls ? 'group' : undefined"
      :aria-label="scrolls ? t('stage.frame') : undefined"
      :style="{ maxHeight: ledge ? `calc(100% - ${size.ledgeHeight + 12 + bar}px)` : '100%' }">
      <div
        ref="sheet"
        class="relative"
        :style="{ width: `${page.width * pageScale}px`, height: `${page.height * pageScale}px` }"
        @click="tapSheet">
        <BoardPage
          ref="boardPage"
          :edition="edition"
          :page="page"
          :state="state"
          :lit="lit"
          :writing="works"
          :step="step"
          :own-hands="own.onPage.value"
          role="group"
          :aria-label="t('stage.page')">
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
            <g
              v-for="{ piece, master, at } in lying"
              :key="piece.id"
              :data-piece="piece.id"
              :transform="spotOf(at)"
              class="piece"
              :class="[
                editable ? 'cursor-grab touch-none' : '',
                (heldPiece === piece.id && held?.way !== 'tap') || heldByOthers.has(piece.id) ? 'opacity-25' : '',
              ]"
              :role="editable ? 'button' : 'img'"
              :tabindex="editable ? 0 : undefined"
              :aria-label="t('stage.pieceIs', { name: nameOf(piece.id), where: whereIs(piece.id) })"
              :aria-pressed="editable ? heldPiece === piece.id : undefined"
              @pointerdown="press($event, piece.id)"
              @click.stop
              @keydown="key($event, piece.id)">
              <rect
                v-if="editable && piece.kind === 'tile' && master.look?.kind !== 'sector'"
                v-bind="fingerRoom(master)"
                fill="transparent" />
              <BoardPieceShape
                :piece="piece"
                :master="master"
                :held="(heldPiece === piece.id && held?.way === 'tap') || joinFrom === piece.id"
                :flipped="at.flipped"
                :written="state.texts[piece.id]" />
              <rect
                v-if="marked.includes(piece.id)"
                :x="-master.width / 2 - 4"
                :y="-master.height / 2 - 4"
                :width="master.width + 8"
                :height="master.height + 8"
                rx="9"
                fill="none"
                stroke="#a86a05"
                stroke-width="4" />
              <slot name="mark" :piece="piece" :master="master" />
            </g>
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
            <LazyBoardMaking
              v-if="making && gesture"
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
        <LazyBoardOwnField
          v-if="works && own.writing.value"
          :key="own.writing.value.thing"
          :thing="own.writing.value.thing"
          :own="own.writing.value.own"
          :scale="pageScale"
          @write="own.written"
          @leave="doneWriting(own.writing.value.thing)" />
        <LazyBoardPlayers
          v-if="plays && (page.backdrop.clips?.length || page.backdrop.links?.length)"
          ref="players"
          :page="page"
          :scale="pageScale" />
        <LazyBoardWritingFields
          v-if="works && writes"
          :page="page"
          :texts="state.texts"
          :scale="pageScale"
          @make="emit('make', $event)" />
      </div>
    </div>
    <div
      v-if="barred"
      ref="barElement"
      class="flex min-h-11 max-w-full flex-wrap items-center justify-center gap-2"
      role="toolbar"
      :aria-label="t('stage.tools')">
      <LazyBoardToolBar v-if="given.length" v-model:tool="making" v-model:choice="choice" :given="given" />
      <button
        v-for="name in tools"
        :key="name"
        type="button"
        class="button"
        :class="tool === name ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
        :aria-pressed="tool === name"
        @click="tool = tool === name ? 'move' : name">
        <Icon :name="TOOLS[name]" size="20" /><span :class="given.length ? 'max-lg:sr-only' : ''">{{
          t(`stage.tool.${name}`)
        }}</span>
      </button>
      <LazyBoardOwnBar
        v-if="pickedOwn && !making"
        :thing="own.picked.value!"
        :own="pickedOwn"
        :page="page"
        @make="emit('make', $event)"
        @write="own.write(own.picked.value!)" />
      <LazyBoardReadPiece v-if="spoken" :text="spoken" :language="edition.board.language ?? 'en-GB'" />
      <LazyBoardPieceBar
        v-if="picked"
        :edition="edition"
        :state="state"
        :piece="picked"
        @make="emit('make', $event)"
        @turn="stage.turn(picked, $event)"
        @flip="stage.flip(picked)" />
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
      :scale="size.scale"
      :height="size.ledgeHeight"
      :editable="editable"
      :marked="marked"
      :held-piece="heldPiece && shownAs(heldPiece)"
      :dragging="held?.way === 'drag'"
      @press="press"
      @key="key"
      @tap="tapLedge">
      <template v-if="$slots['ledge-end']" #end><slot name="ledge-end" /></template>
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
    <p class="sr-only" aria-live="polite" data-test="said">{{ said }}</p>
  </div>
</template>

<style scoped>
.piece:focus,
:deep(.own:focus) {
  outline: none;
}
.piece:focus-visible,
:deep(.own:focus-visible) {
  outline: 3px solid #a86a05;
  outline-offset: 2px;
}
</style>
