<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import { boxOf, overlaps } from '~~/core/geometry/outline'
import { ownOn, type OwnKind, type OwnOnSlate } from '~~/core/slate/own'
import { arrowsOf, strokesOf, type SlateState } from '~~/core/slate/state'
import type { OwnView } from '~/composables/board/useOwnHands'
import { writtenSpots } from '~~/core/layout/written'
import { lyingPieces, spotOf } from '~/composables/board/lyingPieces'

/**
 * One page as it is seen everywhere: at the workbench, on a slate, in the walk-round, in review. While `writing`,
 * fields stand over it instead of what is written.
 */
const {
  edition,
  page,
  state,
  lit = [],
  writing = false,
  step = null,
  ownHands = null,
} = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  lit?: readonly PlaceId[]
  writing?: boolean
  step?: string | null
  ownHands?: OwnView | null
}>()
const lying = computed(() => lyingPieces(state, page, edition))
const here = computed(() => new Set(page.places.map(p => p.id)))
const ink = computed(() => strokesOf(state).filter(([, stroke]) => here.value.has(stroke.place)))
const arrows = computed(() => arrowsOf(state).filter(([from]) => edition.pieces.get(from)?.page === page))
const pressed = computed(() => [...(page.backdrop.clips ?? []), ...(page.backdrop.links ?? [])])
const written = computed(() => writtenSpots(page).filter(spot => state.texts[spot.name]))
/** What students made: colour lies under the places, shapes under the pieces, all else over them. */
const own = computed(() =>
  ownOn(state.own, page.id).map(([id, thing]) => ({ id, thing: ownHands?.shown(id, thing) ?? thing })),
)
const layer = (kinds: (kind: OwnKind) => boolean) => computed(() => own.value.filter(({ thing }) => kinds(thing.kind)))
const [colours, shapes, above] = [
  layer(kind => kind === 'colour'),
  layer(kind => kind === 'shape'),
  layer(kind => kind !== 'colour' && kind !== 'shape'),
]
/** Zones on which another's ground lies: their outlines are drawn once more over it, or it would veil them. */
const veiled = computed(() => {
  const zones = page.places.filter(place => place.kind === 'zone')
  return zones.filter((zone, i) => zones.slice(i + 1).some(over => overlaps(boxOf(zone), boxOf(over))))
})
const { t } = useWords()
/** The ground of a place that somebody coloured lets the colour through. */
const coloured = computed(
  () => new Set(colours.value.flatMap(({ thing }) => (thing.kind === 'colour' ? [thing.place] : []))),
)
function ownLabel(thing: OwnOnSlate): string {
  const words = 'text' in thing ? thing.text : ''
  return t(`tools.made.${thing.kind}`, {
    words,
    what:
      thing.kind === 'picture'
        ? thing.alt
        : thing.kind === 'shape'
          ? t(`tools.shape.${thing.shape}`)
          : thing.kind === 'sign'
            ? t(`tools.sign.${thing.sign}`)
            : thing.kind === 'colour'
              ? t(`tools.fill.${thing.fill}`)
              : '',
  })
}
const ownAttrs = (id: string, thing: OwnOnSlate) => ({
  role: 'img',
  class: 'pointer-events-none',
  'aria-label': ownLabel(thing),
  ...ownHands?.attrs(id, thing, ownLabel(thing)),
})
const svg = useTemplateRef<SVGSVGElement>('svg')
defineExpose({ svg })
</script>

<template>
  <!-- A layer of its own: what is drawn beside it, frame by frame, doesn't make the browser go through the page again.
       -->
  <svg
    ref="svg"
    :lang="edition.board.language"
    :viewBox="`0 0 ${page.width} ${page.height}`"
    class="isolate block h-full w-full rounded-md">
    <BoardBackdrop :page="page" />
    <LazyBoardStepMarks v-if="page.steps?.length" :page="page" :current="step" />
    <slot name="under" />
    <LazyBoardOwnShape
      v-for="{ id, thing } in colours"
      :key="id"
      v-bind="ownAttrs(id, thing)"
      :own="thing"
      :page="page"
      :state="state"
      :edition="edition" />
    <BoardPlaceShape
      v-for="place in page.places"
      :key="place.id"
      :data-thing="place.id"
      :place="place"
      :lit="lit.includes(place.id)"
      :clear="coloured.has(place.id)" />
    <BoardPlaceOutline
      v-for="place in veiled.filter(one => !lit.includes(one.id))"
      :key="`outline ${place.id}`"
      :place="place"
      class="pointer-events-none"
      fill="none"
      stroke="#526061"
      stroke-width="1.6"
      stroke-dasharray="7 5" />
    <!-- Printed, but to be pressed: over the places, under the pieces. -->
    <g class="pointer-events-none">
      <LazyBoardClipCard v-for="thing in pressed" :key="thing.id" :data-thing="thing.id" :thing="thing" />
    </g>
    <template v-if="!writing">
      <LazyBoardWrittenText v-for="spot in written" :key="spot.name" :spot="spot" :text="state.texts[spot.name]!" />
    </template>
    <LazyBoardInkStroke v-for="[id, stroke] in ink" :key="id" :points="stroke.points" />
    <LazyBoardOwnShape
      v-for="{ id, thing } in shapes"
      :key="id"
      v-bind="ownAttrs(id, thing)"
      :own="thing"
      :page="page"
      :state="state"
      :edition="edition"
      :chosen="ownHands?.picked === id" />
    <slot name="ink" />
    <LazyBoardArrowLine
      v-for="[from, to] in arrows"
      :key="`${from}>${to}`"
      :edition="edition"
      :state="state"
      :from="from"
      :to="to" />
    <slot name="pieces" :lying="lying">
      <g v-for="{ piece, master, at } in lying" :key="piece.id" data-test="lying" :transform="spotOf(at)">
        <BoardPieceShape :piece="piece" :master="master" :flipped="at.flipped" :written="state.texts[piece.id]" />
      </g>
    </slot>
    <LazyBoardOwnShape
      v-for="{ id, thing } in above"
      :key="id"
      v-bind="ownAttrs(id, thing)"
      :own="thing"
      :page="page"
      :state="state"
      :edition="edition"
      :chosen="ownHands?.picked === id" />
    <slot name="over" />
  </svg>
</template>
