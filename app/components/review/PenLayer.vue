<script setup lang="ts">
import { MOST_STROKE_POINTS, type InkTip, type MarginInk } from '~~/core/margin/item'
import type { Page } from '~~/core/board/board'
import { pagePointAt } from '~/composables/board/pagePoint'

/** Takes the teacher's pen: one stroke from putting down to lifting. */
const { page, tip } = defineProps<{ page: Page; tip: InkTip }>()
const emit = defineEmits<{ stroke: [points: MarginInk['points']] }>()
const root = useTemplateRef<SVGRectElement>('root')
/** How hard a hand presses that can't tell. */
const EVEN = 0.5
const { points, taker } = strokeTaker<MarginInk['points'][number]>({
  pointAt({ at, pressure = EVEN }) {
    const { x, y } = pagePointAt(at, root.value!)
    return [x, y, pressure]
  },
  most: MOST_STROKE_POINTS,
  done: stroke => emit('stroke', stroke),
})
useTaker('margin pen', taker)
</script>

<template>
  <g>
    <MarginInk v-if="points.length" :points="points" :tip="tip" />
    <rect
      ref="root"
      :width="page.width"
      :height="page.height"
      fill="transparent"
      class="cursor-crosshair"
      data-hand="margin pen"
      data-test="pen" />
  </g>
</template>
