<script setup lang="ts">
import { MOST_STROKE_POINTS, type InkTip, type MarginInk } from '~~/core/margin/item'
import type { Page } from '~~/core/board/board'
import type { Moving } from '~/composables/board/useGestures'
import { pagePointAt } from '~/composables/board/pagePoint'
import { withPoint } from '~~/core/slate/stroke'

/** Takes the teacher's pen: one stroke from putting down to lifting. */
const { page, tip } = defineProps<{ page: Page; tip: InkTip }>()
const emit = defineEmits<{ stroke: [points: MarginInk['points']] }>()
const root = useTemplateRef<SVGRectElement>('root')
const points = shallowRef<MarginInk['points']>([])
/** How hard a hand presses that can't tell. */
const EVEN = 0.5

function add({ at, pressure = EVEN }: Moving) {
  const point = pagePointAt(at, root.value!)
  points.value = withPoint(points.value, [point.x, point.y, pressure], MOST_STROKE_POINTS)
}
function end() {
  if (points.value.length) emit('stroke', points.value)
  points.value = []
}
useTaker('margin pen', {
  as: 'sheet',
  begin(moving) {
    points.value = []
    add(moving)
  },
  go: add,
  end,
  letBe(kept) {
    if (kept) end()
    points.value = []
  },
})
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
