<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { boxOf } from '~~/core/geometry/outline'
import { provideSeenPictures } from '~/composables/board/pictures'
import { startOf, type SlateState } from '~~/core/slate/state'

/**
 * A small framed slate. Without a state it shows the board as it is given out; without a page its first. Without a
 * label it says nothing, for what it is stands beside it.
 */
const {
  slate,
  label,
  board,
  edition: given,
  state: shown,
  ledge = false,
  lazily = false,
  page: number = 0,
  part = '',
} = defineProps<{
  slate?: string | undefined
  board?: Board
  edition?: Edition
  state?: SlateState
  label?: string
  ledge?: boolean
  /** Drawn only while it is in sight: of a thousand, a screen full. */
  lazily?: boolean
  page?: number
  /** The id of a place or an activity of the page that is shown alone. */
  part?: string
}>()
// Pictures may come after the moves that lay them.
provideSeenPictures(
  () => slate ?? '',
  () => Object.values(shown?.own ?? {}).filter(own => own.kind === 'picture' && !own.gone).length,
)
const edition = computed(() => given ?? makeEdition(board!))
provideBoardLanguage(() => edition.value.board.language)
const state = computed(() => shown ?? startOf(edition.value))
const page = computed(() => edition.value.board.pages[number] ?? edition.value.board.pages[0]!)

/** What is looked at: one part with a little around it, where that is on this page; else null. */
const AROUND = 0.06
const close = computed(() => {
  const place = page.value.places.find(one => one.id === part)
  const box = place ? boxOf(place) : page.value.steps?.find(one => one.id === part)
  if (!box) return null
  const around = AROUND * Math.max(box.width, box.height)
  const [x, y] = [Math.max(0, box.x - around), Math.max(0, box.y - around)]
  return {
    x,
    y,
    width: Math.min(page.value.width, box.x + box.width + around) - x,
    height: Math.min(page.value.height, box.y + box.height + around) - y,
  }
})
/** The whole page is so large around that part that the part fills the frame. */
const moved = computed(() => {
  if (!close.value) return undefined
  const { x, y, width, height } = close.value
  return {
    position: 'absolute' as const,
    width: `${(100 * page.value.width) / width}%`,
    height: `${(100 * page.value.height) / height}%`,
    left: `${(-100 * x) / width}%`,
    top: `${(-100 * y) / height}%`,
  }
})

/** Small pictures of upright pages are no taller than this lets them be, so that they stand in rows with the others. */
const LOWEST_RATIO = 1.4
const across = computed(() => Math.max(page.value.width, page.value.height * LOWEST_RATIO))
const root = useTemplateRef<HTMLElement>('root')
const near = lazily ? useNear(root) : ref(true)
const LEDGE_HEIGHT = 84
const GAP = 10
/** As many of the waiting pieces as stand side by side. */
const standing = computed(() => {
  let x = GAP * 2
  return page.value.ledge
    .filter(id => !state.value.pieces[id])
    .flatMap(id => {
      const entry = edition.value.pieces.get(id)!
      const scale = Math.min(1, (LEDGE_HEIGHT - 2 * GAP) / entry.master.height)
      const at = x + (entry.master.width * scale) / 2
      x = at + (entry.master.width * scale) / 2 + GAP
      return x < across.value ? [{ ...entry, at, scale }] : []
    })
})
</script>

<template>
  <span
    ref="root"
    class="block rounded-lg border border-ash-500 bg-ash-200 p-1.5 shadow-sm"
    :role="label ? 'img' : undefined"
    :aria-label="label"
    :aria-hidden="label ? undefined : true">
    <span
      class="relative block overflow-hidden rounded"
      :style="{ aspectRatio: close ? `${close.width} / ${close.height}` : `${across} / ${page.height}` }"
      aria-hidden="true">
      <BoardPage v-if="!lazily || near" :edition="edition" :page="page" :state="state" :style="moved" />
    </span>
    <svg v-if="ledge" class="mt-1 block w-full" :viewBox="`0 0 ${across} ${LEDGE_HEIGHT}`" aria-hidden="true">
      <g
        v-for="{ piece, master, at, scale } in standing"
        :key="piece.id"
        :transform="`translate(${at} ${LEDGE_HEIGHT / 2}) scale(${scale})`">
        <BoardPieceShape :piece="piece" :master="master" />
      </g>
    </svg>
  </span>
</template>
