<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import type { SlateState } from '~~/core/slate/state'
import { lyingPieces } from '~/composables/lyingPieces'

/** One page as it is seen everywhere: at the workbench, on a slate, in the walk-round, in review. */
const { edition, page, state, lit = null } = defineProps<{ edition: Edition, page: Page, state: SlateState, lit?: PlaceId | null }>()
const lying = computed(() => lyingPieces(state, page, edition))
const svg = useTemplateRef<SVGSVGElement>('svg')
defineExpose({ svg })
</script>

<template>
  <svg ref="svg" :viewBox="`0 0 ${page.width} ${page.height}`" class="block h-full w-full rounded-md">
    <BoardBackdrop :page="page" />
    <slot name="under" />
    <BoardPlaceShape v-for="place in page.places" :key="place.id" :place="place" :lit="place.id === lit" />
    <slot name="pieces" :lying="lying">
      <g v-for="{ piece, master, at } in lying" :key="piece.id" :transform="`translate(${at.x} ${at.y})`">
        <BoardPieceShape :piece="piece" :master="master" />
      </g>
    </slot>
    <slot name="over" />
  </svg>
</template>
