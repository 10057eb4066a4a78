<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition, KnownPiece } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { neededElsewhere } from '~~/core/board/pagePieces'
import type { Size } from '~~/core/geometry/shape'
import { TIP_LENGTH } from '~~/core/bodies/claim'
import type { SlateState } from '~~/core/slate/state'

/** The wooden shelf along the foot of the page on which pieces wait. */
const {
  edition,
  page,
  state,
  scale,
  height,
  editable = false,
  roomy = false,
  heldPiece = null,
  dragging = false,
  marked = [],
  step = null,
} = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  scale: number
  height: number
  editable?: boolean
  /** Every piece has as much room as a finger, however small it is drawn. */
  roomy?: boolean
  heldPiece?: PieceId | null
  dragging?: boolean
  marked?: readonly string[]
  /** The activity that is done now: what only others need isn't shown. */
  step?: string | null
}>()
const emit = defineEmits<{ key: [event: KeyboardEvent, piece: PieceId] }>()

/** CSS pixels: so high a ledge has room for two buttons, one above the other. */
const TWO_BUTTONS = 108
const { t } = useWords()
const spokenName = usePieceNames()
const leftHanded = useLeftHanded()
const root = useTemplateRef<HTMLElement>('root')
const shelf = useTemplateRef<HTMLElement>('shelf')
defineExpose({ root })

const secondThoughts = useSecondThoughts()
const elsewhere = computed(() => neededElsewhere(page, step))
const onLedge = computed(() =>
  page.ledge.filter(id => !state.pieces[id] && !elsewhere.value.has(id)).map(id => edition.pieces.get(id)!),
)
const aside = computed(() => onLedge.value.filter(({ piece }) => secondThoughts().has(piece.id)))
/** What was set aside comes first, in a tray of its own. */
const waiting = computed(() =>
  aside.value.length ? [...aside.value, ...onLedge.value.filter(one => !aside.value.includes(one))] : onLedge.value,
)
function nameOf({ piece, master }: KnownPiece): string {
  const kind = piece.bin ? 'binOf' : secondThoughts().has(piece.id) ? 'setAside' : 'pieceOnLedge'
  return t(`stage.${kind}`, { name: spokenName(piece, master) })
}
const share = computed(() => ledgeShare(page, edition))
/** How large a piece is drawn here, in CSS pixels. */
function drawn(id: PieceId, { width, height }: Size): Size {
  const by = scale * share.value(id)
  return { width: width * by, height: height * by }
}
const { height: inner, width: along } = useElementSize(shelf)
const more = ref(false)
// Asked anew whenever the shelf or what stands on it is of another size: cards that were in two rows may be in one.
watchPostEffect(() => {
  more.value =
    waiting.value.length > 0
    && inner.value > 0
    && along.value > 0
    && scale > 0
    && !!shelf.value
    && shelf.value.scrollHeight > shelf.value.clientHeight + 4
})
// What is carried by keys goes where arrows say; else they lead along the ledge.
useRoving(shelf, () => heldPiece === null)
const turn = (by: number) => shelf.value?.scrollBy({ top: by * shelf.value.clientHeight })
</script>

<template>
  <div
    ref="root"
    class="ledge flex select-none rounded-b-2xl rounded-t border border-ash-500 shadow-md"
    :class="leftHanded ? 'flex-row-reverse' : ''"
    data-test="ledge"
    :lang="edition.board.language"
    :style="{ height: `${height}px` }"
    data-hand="ledge">
    <div
      ref="shelf"
      class="flex h-full min-w-0 flex-1 flex-wrap content-start gap-x-2.5 gap-y-2.5 touch-none overflow-y-hidden px-4 pb-4 pt-3.5"
      role="group"
      :aria-label="t('stage.ledge')">
      <strong
        v-if="aside.length"
        class="max-w-24 self-center rounded-md bg-bilberry-700 max-sm:hidden px-2 py-1 text-center text-sm leading-tight text-white"
        aria-hidden="true"
        >{{ t('stage.secondThoughts') }}</strong
      >
      <svg
        v-for="({ piece, master }, i) in waiting"
        :key="piece.id"
        :data-piece="piece.id"
        :data-hand="editable ? 'piece' : undefined"
        :width="drawn(piece.id, master).width"
        :height="drawn(piece.id, master).height"
        :viewBox="`${-master.width / 2} ${-master.height / 2} ${master.width} ${master.height}`"
        :style="{
          padding: roomy ? fingerPadding(drawn(piece.id, master)) : undefined,
          marginInline: piece.kind === 'label' ? `${TIP_LENGTH * scale}px` : undefined,
        }"
        class="box-content shrink-0 overflow-visible rounded-md"
        :class="[
          editable ? 'cursor-grab' : '',
          marked.includes(piece.id) ? 'marked' : '',
          i < aside.length ? 'aside' : '',
          i > 0 && i === aside.length ? 'ml-3' : '',
          piece.bin ? 'bin' : heldPiece === piece.id && dragging ? 'opacity-25' : '',
        ]"
        :role="editable ? 'button' : 'img'"
        :tabindex="editable ? -1 : undefined"
        :aria-label="nameOf({ piece, master, page })"
        :aria-pressed="editable ? heldPiece === piece.id : undefined"
        @keydown="emit('key', $event, piece.id)">
        <BoardPieceShape :piece="piece" :master="master" :held="heldPiece === piece.id" />
      </svg>
      <p v-if="waiting.length === 0 && page.pieces.length" class="m-auto text-base font-semibold text-stone-900">
        {{ t('stage.ledgeEmpty') }}
      </p>
    </div>
    <div
      v-if="more"
      class="flex justify-center gap-1 px-1 pb-3"
      :class="height < TWO_BUTTONS ? 'items-center' : 'flex-col'">
      <button type="button" class="button min-h-11 w-11 p-0" :aria-label="t('stage.ledgeBack')" @click="turn(-1)">
        <Icon name="lucide:chevron-up" size="22" />
      </button>
      <button type="button" class="button min-h-11 w-11 p-0" :aria-label="t('stage.ledgeMore')" @click="turn(1)">
        <Icon name="lucide:chevron-down" size="22" />
      </button>
    </div>
    <div
      v-if="$slots.end"
      class="flex justify-center gap-1 px-2 pb-3"
      :class="height < TWO_BUTTONS ? 'items-center' : 'flex-col items-stretch'">
      <slot name="end" :low="height < TWO_BUTTONS" />
    </div>
  </div>
</template>

<style scoped>
/* An open box: what stands in it never runs out. */
.bin {
  background: #d2bb92;
  outline: 3px solid #8a6f43;
  outline-offset: 3px;
  border-radius: 3px;
  margin-inline: 5px;
}
.aside {
  outline: 3px dashed #4a34a0;
  outline-offset: 2px;
}
.marked {
  outline: 4px solid #a86a05;
  outline-offset: 2px;
}
.ledge {
  background: linear-gradient(#efe4cf, #e3d2b3 calc(100% - 1.1rem), #d2bb92 calc(100% - 1.1rem));
}
</style>
