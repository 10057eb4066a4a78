<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { PlaceId } from '~~/core/board/ids'
import type { Place } from '~~/core/board/place'
import { drawVeiledOutline } from '~~/core/drawing/place'

/**
 * All places of a page. Which of them are lit is asked for here alone: while something is carried over them it changes
 * with every step of the hand, and nothing else on the page does.
 */
const {
  page,
  coloured,
  veiled,
  lit = () => [],
} = defineProps<{
  page: Page
  coloured: ReadonlySet<string>
  /** Zones on which another's ground lies: their outlines are drawn once more over it. */
  veiled: readonly Place[]
  lit?: () => readonly PlaceId[]
}>()
const outlines = computed(() => new Map(veiled.map(place => [place.id, drawVeiledOutline(place)])))
const now = computed(() => new Set(lit()))
</script>

<template>
  <BoardPlaceShape
    v-for="place in page.places"
    :key="place.id"
    :data-thing="place.id"
    aria-hidden="true"
    :page="page"
    :place="place"
    :lit="now.has(place.id)"
    :clear="coloured.has(place.id)" />
  <template v-for="place in veiled" :key="`outline ${place.id}`">
    <BoardMarks
      v-if="!now.has(place.id)"
      :marks="outlines.get(place.id)!"
      class="pointer-events-none"
      aria-hidden="true" />
  </template>
</template>
