<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import { arrowsOf, strokesOf, type SlateState } from '~~/core/slate/state'
import { writtenSpots } from '~~/core/layout/written'
import { lyingPieces, spotOf } from '~/composables/lyingPieces'

/** One page as it is seen everywhere: at the workbench, on a slate, in the walk-round, in review. While `writing`, fields stand over it instead of what is written. */
const { edition, page, state, lit = null, writing = false, step = null } = defineProps<{ edition: Edition, page: Page, state: SlateState, lit?: PlaceId | null, writing?: boolean, step?: string | null }>()
const lying = computed(() => lyingPieces(state, page, edition))
const here = computed(() => new Set(page.places.map(p => p.id)))
const ink = computed(() => strokesOf(state).filter(([, stroke]) => here.value.has(stroke.place)))
const arrows = computed(() => arrowsOf(state).filter(([from]) => edition.pieces.get(from)?.page === page))
const written = computed(() => writtenSpots(page).filter(spot => state.texts[spot.name]))
const svg = useTemplateRef<SVGSVGElement>('svg')
defineExpose({ svg })
</script>

<template>
  <!-- A layer of its own: what is drawn beside it, frame by frame, doesn't make the browser go through the page again. -->
  <svg ref="svg" :viewBox="`0 0 ${page.width} ${page.height}`" class="isolate block h-full w-full rounded-md">
    <BoardBackdrop :page="page" />
    <BoardStepMarks v-if="page.steps?.length" :page="page" :current="step" />
    <slot name="under" />
    <BoardPlaceShape v-for="place in page.places" :key="place.id" :data-thing="place.id" :place="place" :lit="place.id === lit" />
    <template v-if="!writing"><BoardWrittenText v-for="spot in written" :key="spot.name" :spot="spot" :text="state.texts[spot.name]!" /></template>
    <BoardInkStroke v-for="[id, stroke] in ink" :key="id" :points="stroke.points" />
    <slot name="ink" />
    <BoardArrowLine v-for="[from, to] in arrows" :key="`${from}>${to}`" :edition="edition" :state="state" :from="from" :to="to" />
    <slot name="pieces" :lying="lying">
      <g v-for="{ piece, master, at } in lying" :key="piece.id" :transform="spotOf(at)">
        <BoardPieceShape :piece="piece" :master="master" :flipped="at.flipped" :written="state.texts[piece.id]" />
      </g>
    </slot>
    <slot name="over" />
  </svg>
</template>
