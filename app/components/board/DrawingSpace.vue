<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Page } from '~~/core/board/board'
import type { Drawing } from '~~/core/board/place'
import type { Point } from '~~/core/geometry/shape'
import type { Gesture } from '~~/core/tools/making'
import type { Move } from '~~/core/slate/move'
import { MOST_STROKE_POINTS } from '~~/core/slate/state'

/** Takes a student's ink in a space that was made for it. */
const { place, page, rubbing } = defineProps<{ place: Drawing; page: Page; rubbing: boolean }>()
const emit = defineEmits<{ make: [move: Move]; rub: [at: Point]; begin: []; say: [words: string] }>()
const { t } = useWords()
function draw(gesture: Gesture) {
  if (gesture.how === 'trace')
    emit('make', { kind: 'draw', stroke: nanoid(10), place: place.id, points: gesture.points.map(([x, y]) => [x, y]) })
}
</script>

<template>
  <BoardSheet
    :space="place.id"
    :box="place.shape"
    :width="page.width"
    :height="page.height"
    :how="rubbing ? 'rub' : 'trace'"
    :most="MOST_STROKE_POINTS"
    :label="t('stage.drawing', { name: place.heading || t('stage.page') })"
    @done="draw"
    @rub="emit('rub', $event)"
    @begin="emit('begin')"
    @say="emit('say', $event)">
    <template #default="{ soFar }"
      ><BoardInkStroke v-if="soFar.how === 'trace'" :points="soFar.points.map(([x, y]) => [x, y])"
    /></template>
  </BoardSheet>
</template>
