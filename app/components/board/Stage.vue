<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { pieceName, type Master } from '~~/core/board/piece'
import type { Point } from '~~/core/geometry/shape'
import { placePieces, progress } from '~~/core/placement/placement'
import { FINGER } from '~/composables/useStageSize'
import type { SlateState } from '~~/core/slate/state'

/** The page in its frame with the ledge below it, and pieces that can be moved between them: by drag, by taps, by keyboard. */
const { edition, page, state, editable = false, ledge = true } = defineProps<{
  edition: Edition, page: Page, state: SlateState, editable?: boolean, ledge?: boolean
}>()
const emit = defineEmits<{ put: [piece: PieceId, at: Point], shelve: [piece: PieceId] }>()

const { t } = useWords()
const room = useTemplateRef<HTMLElement>('room')
const boardPage = useTemplateRef<{ svg: SVGSVGElement | null }>('boardPage')
const shelf = useTemplateRef<{ root: HTMLElement | null }>('shelf')
const { width: roomWidth } = useElementSize(room)
const slots = useSlots()
/** What the buttons at the end of the ledge take of it. */
const endWidth = () => slots['ledge-end'] ? (roomWidth.value < 640 ? 64 : 170) : 0
const size = useStageSize(room, () => page, () => edition, () => editable, endWidth)
const said = ref('')

const stage = useStage({
  edition: () => edition, page: () => page, state: () => state, editable: () => editable,
  pageSvg: () => boardPage.value?.svg, ledgeElement: () => shelf.value?.root,
  put(piece, at, focus) {
    emit('put', piece, at)
    void nextTick(() => settle(piece, focus))
  },
  shelve(piece) {
    emit('shelve', piece)
    void nextTick(() => settle(piece, 'piece'))
  },
})
const { held, lit, press, tapPage, tapLedge, key } = stage

/** Around a small tile, so much that a finger catches it. */
function fingerRoom({ width, height }: Master) {
  const [w, h] = [Math.max(width, FINGER / size.value.scale), Math.max(height, FINGER / size.value.scale)]
  return { x: -w / 2, y: -h / 2, width: w, height: h }
}

const heldPiece = computed(() => held.value?.piece ?? null)
const heldEntry = computed(() => heldPiece.value && edition.pieces.get(heldPiece.value))
const nameOf = (id: PieceId) => pieceName(edition.pieces.get(id)!.piece)
function headingOf(id: string): string {
  const place = page.places.find(p => p.id === id)
  if (place?.heading) return place.heading
  // Pins are told apart by number; what they are is for the student to find.
  return place?.kind === 'pin' ? t('stage.pin', { number: page.places.filter(p => p.kind === 'pin').indexOf(place) + 1 }) : t('stage.unnamedPlace')
}

function whereIs(id: PieceId): string {
  const placement = placePieces(state, page, edition).find(p => p.piece === id)
  if (!placement || placement.at === 'ledge') return t('stage.onLedge')
  const best = placement.shares[0]
  return best ? t(best.certainty === 'in' ? 'stage.inPlace' : 'stage.nearEdge', { place: headingOf(best.place) }) : t('stage.outside')
}

/** After a move: says where the piece is now, and lets the keyboard go on from there. */
function settle(piece: PieceId, focus: 'piece' | 'next') {
  const { placed, of } = progress(state, edition)
  said.value = t('stage.settled', { name: nameOf(piece), where: whereIs(piece), placed, of })
  const find = (id: string) => room.value?.querySelector<HTMLElement>(`[data-piece="${id}"]`)
  const next = focus === 'next' ? page.ledge.find(id => !state.pieces[id]) : undefined
  const target = find(next ?? piece)
  target?.focus({ preventScroll: focus === 'piece' })
}

watch(held, (now, before) => {
  if (!now || now.way === 'drag') return
  if (now.way === 'tap') said.value = t('stage.picked', { name: nameOf(now.piece) })
  else if (before?.way !== 'key') said.value = t('stage.pickedUp', { name: nameOf(now.piece), where: targetName(now.target) })
  else said.value = t('stage.over', { where: targetName(now.target) })
})
const targetName = (target: string) => target === 'ledge' ? t('stage.theLedge') : target === 'here' ? t('stage.here') : headingOf(target)
const ghostAt = computed(() => held.value?.way === 'key' ? held.value.at : null)
const dragPoint = computed(() => held.value?.way === 'drag'
  ? { x: held.value.pointer.x - held.value.grip.x, y: held.value.pointer.y - held.value.grip.y }
  : null)
</script>

<template>
  <div ref="room" class="relative flex min-h-0 flex-1 select-none flex-col items-center gap-3" @dragstart.prevent>
    <div class="frame max-w-full overflow-auto" :style="{ maxHeight: ledge ? `calc(100% - ${size.ledgeHeight + 12}px)` : '100%' }">
      <div :style="{ width: `${page.width * size.scale}px`, height: `${page.height * size.scale}px` }" @click="tapPage">
        <BoardPage ref="boardPage" :edition="edition" :page="page" :state="state" :lit="lit" role="group" :aria-label="t('stage.page')">
          <template #under><slot name="under" /></template>
          <template #pieces="{ lying }">
            <g
              v-for="{ piece, master, at } in lying" :key="piece.id" :data-piece="piece.id" :transform="`translate(${at.x} ${at.y})`"
              class="piece" :class="[editable ? 'cursor-grab touch-none' : '', heldPiece === piece.id && held?.way !== 'tap' ? 'opacity-25' : '']"
              :role="editable ? 'button' : 'img'" :tabindex="editable ? 0 : undefined"
              :aria-label="t('stage.pieceIs', { name: pieceName(piece), where: whereIs(piece.id) })" :aria-pressed="editable ? heldPiece === piece.id : undefined"
              @pointerdown="press($event, piece.id)" @click.stop @keydown="key($event, piece.id)"
            >
              <rect v-if="editable && piece.kind === 'tile'" v-bind="fingerRoom(master)" fill="transparent" />
              <BoardPieceShape :piece="piece" :master="master" :held="heldPiece === piece.id && held?.way === 'tap'" />
              <slot name="mark" :piece="piece" :master="master" />
            </g>
            <g v-if="ghostAt && heldEntry" :transform="`translate(${ghostAt.x} ${ghostAt.y})`" class="pointer-events-none">
              <BoardPieceShape :piece="heldEntry.piece" :master="heldEntry.master" held />
            </g>
          </template>
          <template #over><slot name="over" /></template>
        </BoardPage>
      </div>
    </div>
    <BoardLedge
      v-if="ledge && page.pieces.length" ref="shelf" class="w-full" :style="{ maxWidth: `${Math.max(page.width * size.scale + 18, 320)}px` }"
      :edition="edition" :page="page" :state="state" :scale="size.scale"
      :height="size.ledgeHeight" :editable="editable" :held-piece="heldPiece" :dragging="held?.way === 'drag'"
      @press="press" @key="key" @tap="tapLedge"
    >
      <template v-if="$slots['ledge-end']" #end><slot name="ledge-end" /></template>
    </BoardLedge>
    <svg
      v-if="dragPoint && heldEntry" class="pointer-events-none fixed left-0 top-0 z-50 overflow-visible" aria-hidden="true"
      :width="1" :height="1" :style="{ transform: `translate(${dragPoint.x}px, ${dragPoint.y}px) rotate(-1.5deg) scale(${size.scale * 1.04})` }"
    >
      <BoardPieceShape :piece="heldEntry.piece" :master="heldEntry.master" held />
    </svg>
    <p class="sr-only" aria-live="polite" data-test="said">{{ said }}</p>
  </div>
</template>

<style scoped>
.piece:focus { outline: none; }
.piece:focus-visible { outline: 3px solid #a86a05; outline-offset: 2px; }
</style>
