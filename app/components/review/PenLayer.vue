<script setup lang="ts">
import { MOST_STROKE_POINTS, type MarginInk } from '~~/core/margin/item'
import type { Page } from '~~/core/board/board'
import { withPoint } from '~~/core/slate/stroke'

/** Takes the teacher's pen: one stroke from putting down to lifting. */
const { page } = defineProps<{ page: Page }>()
const emit = defineEmits<{ stroke: [points: MarginInk['points']] }>()
const root = useTemplateRef<SVGRectElement>('root')
const points = shallowRef<MarginInk['points']>([])
let pointer: number | null = null

function add(event: PointerEvent) {
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(root.value!.getScreenCTM()!.inverse())
  points.value = withPoint(points.value, [round(x), round(y), event.pressure || 0.5], MOST_STROKE_POINTS)
}
const round = (n: number) => Math.round(n * 10) / 10

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
    <MarginInk v-if="points.length" :points="points" />
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
