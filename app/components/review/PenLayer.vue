<script setup lang="ts">
import { MOST_STROKE_POINTS, type InkTip, type MarginInk } from '~~/core/margin/item'
import type { Page } from '~~/core/board/board'
import { pagePoint } from '~/composables/review/pagePoint'
import { withPoint } from '~~/core/slate/stroke'

/** Takes the teacher's pen: one stroke from putting down to lifting. */
const { page, tip } = defineProps<{ page: Page; tip: InkTip }>()
const emit = defineEmits<{ stroke: [points: MarginInk['points']] }>()
const root = useTemplateRef<SVGRectElement>('root')
const points = shallowRef<MarginInk['points']>([])
let pointer: number | null = null

function add(event: PointerEvent) {
  const { x, y } = pagePoint(event, root.value!)
  points.value = withPoint(points.value, [x, y, event.pressure || 0.5], MOST_STROKE_POINTS)
}

function down(event: PointerEvent) {
  if (pointer !== null || event.button !== 0) return
  pointer = event.pointerId
  root.value!.setPointerCapture(event.pointerId)
  points.value = []
  add(event)
}
function move(event: PointerEvent) {
  if (event.pointerId !== pointer) return
  for (const part of pointerParts(event)) add(part)
}
function up(event: PointerEvent) {
  if (event.pointerId !== pointer) return
  pointer = null
  if (points.value.length) emit('stroke', points.value)
  points.value = []
}
</script>

<template>
  <g>
    <MarginInk v-if="points.length" :points="points" :tip="tip" />
    <rect
      ref="root"
      :width="page.width"
      :height="page.height"
      fill="transparent"
      class="cursor-crosshair touch-none"
      data-test="pen"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up" />
  </g>
</template>
