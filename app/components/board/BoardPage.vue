<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PlaceId } from '~~/core/board/ids'
import { fixedOn, joinsOn, lyingPieces, ownLayers, strokesOn, type OwnThing } from '~~/core/drawing/layers'
import type { OwnOnSlate } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import { spotOf } from '~/composables/board/spotOf'
import type { OwnView } from '~/composables/board/useOwnHands'

/**
 * One page as it is seen everywhere: at the workbench, on a slate, in the walk-round, in review. Where fields stand
 * over it, what is written isn't drawn.
 */
const {
  edition,
  page,
  state,
  lit = () => [],
  fields = undefined,
  step = null,
  ownHands = null,
} = defineProps<{
  edition: Edition
  page: Page
  state: SlateState
  /** Asked for by what draws the places alone. */
  lit?: () => readonly PlaceId[]
  fields?: ReadonlySet<string> | undefined
  step?: string | null
  ownHands?: OwnView | null
}>()
const lying = computed(() => lyingPieces(state, page, edition))
const ink = computed(() => strokesOn(state, page))
const joins = computed(() => joinsOn(state, page, edition))
const fixed = computed(() => fixedOn(page))
const written = computed(() => fixed.value.spots.filter(spot => !fields?.has(spot.name) && state.texts[spot.name]))
const own = computed(() => ownLayers(state, page))
const shown = ({ id, thing }: OwnThing) => ownHands?.shown(id, thing) ?? thing
const { t } = useWords()
const idOf = useThingIds()
const authorName = useAuthorNames()
function ownLabel(thing: OwnOnSlate): string {
  const words = 'text' in thing ? thing.text : ''
  const by = authorName(thing.by)
  const what = t(`tools.made.${thing.kind}`, {
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
  return by ? t('tools.madeBy', { what, name: by }) : what
}
const ownAttrs = (id: string, thing: OwnOnSlate) => ({
  role: 'img',
  class: 'pointer-events-none',
  'aria-label': ownLabel(thing),
  id: idOf(id),
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
    <BoardBackdrop :page="page" aria-hidden="true" />
    <LazyBoardStepMarks v-if="page.steps?.length" :page="page" :current="step" aria-hidden="true" />
    <slot name="under" />
    <LazyBoardOwnShape
      v-for="{ id, thing } in own.colours"
      :key="id"
      v-bind="ownAttrs(id, thing)"
      :own="thing"
      :page="page"
      :state="state"
      :edition="edition" />
    <BoardPlaces :page="page" :coloured="own.coloured" :veiled="fixed.veiled" :lit="lit" />
    <!-- Printed, but to be pressed: over the places, under the pieces. -->
    <g class="pointer-events-none" aria-hidden="true">
      <LazyBoardClipCard v-for="thing in fixed.pressed" :key="thing.id" :data-thing="thing.id" :thing="thing" />
    </g>
    <LazyBoardWrittenText
      v-for="spot in written"
      :key="spot.name"
      :spot="spot"
      :text="state.texts[spot.name]!"
      aria-hidden="true" />
    <LazyBoardInkStroke v-for="[id, stroke] in ink" :key="id" :points="stroke.points" aria-hidden="true" />
    <LazyBoardOwnShape
      v-for="one in own.shapes"
      :key="one.id"
      v-bind="ownAttrs(one.id, shown(one))"
      :own="shown(one)"
      :page="page"
      :state="state"
      :edition="edition"
      :chosen="ownHands?.picked === one.id" />
    <slot name="ink" />
    <LazyBoardArrowLine
      v-for="[from, to] in joins"
      :key="`${from}>${to}`"
      aria-hidden="true"
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
      v-for="one in own.above"
      :key="one.id"
      v-bind="ownAttrs(one.id, shown(one))"
      :own="shown(one)"
      :page="page"
      :state="state"
      :edition="edition"
      :chosen="ownHands?.picked === one.id" />
    <slot name="over" />
  </svg>
</template>
