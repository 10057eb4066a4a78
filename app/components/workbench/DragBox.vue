<script setup lang="ts">
import type { Box } from '~~/core/geometry/shape'

/**
 * A frame with handles around something on the page: it can be moved and resized with the pointer or the arrow keys.
 */
const {
  box,
  label,
  selected,
  keepShape = false,
} = defineProps<{ box: Box; label: string; selected: boolean; keepShape?: boolean }>()
const emit = defineEmits<{ change: [box: Box]; select: [] }>()

const GRID = 4
const SMALLEST = 24
const root = useTemplateRef<SVGGElement>('root')
type Corner = { x: 0 | 1; y: 0 | 1 }
const CORNERS: Corner[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 0, y: 1 },
  { x: 1, y: 1 },
]
let grip: { pointer: number; from: DOMPoint; box: Box; corner: Corner | null } | null = null

const round = (n: number) => Math.round(n / GRID) * GRID
function onPage(event: PointerEvent): DOMPoint {
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(
    root.value!.ownerSVGElement!.getScreenCTM()!.inverse(),
  )
}

function press(event: PointerEvent, corner: Corner | null) {
  if (event.button !== 0) return
  emit('select')
  grip = { pointer: event.pointerId, from: onPage(event), box: { ...box }, corner }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}

function drag(event: PointerEvent) {
  if (!grip || event.pointerId !== grip.pointer) return
  const to = onPage(event)
  const dx = to.x - grip.from.x
  const dy = to.y - grip.from.y
  emit(
    'change',
    grip.corner
      ? resized(grip.box, grip.corner, dx, dy)
      : { ...grip.box, x: round(grip.box.x + dx), y: round(grip.box.y + dy) },
  )
}

function resized(from: Box, corner: Corner, dx: number, dy: number): Box {
  let width = Math.max(SMALLEST, round(from.width + (corner.x ? dx : -dx)))
  let height = Math.max(SMALLEST, round(from.height + (corner.y ? dy : -dy)))
  if (keepShape) {
    const scale = Math.max(width / from.width, height / from.height)
    width = from.width * scale
    height = from.height * scale
  }
  return {
    width,
    height,
    x: corner.x ? from.x : from.x + from.width - width,
    y: corner.y ? from.y : from.y + from.height - height,
  }
}

function key(event: KeyboardEvent) {
  const arrow = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!arrow) return event.key === 'Enter' && emit('select')
  event.preventDefault()
  const [dx, dy] = [arrow[0]! * GRID, arrow[1]! * GRID]
  emit('change', event.shiftKey ? resized(box, { x: 1, y: 1 }, dx, dy) : { ...box, x: box.x + dx, y: box.y + dy })
}
</script>

<template>
  <g ref="root" @pointermove="drag" @pointerup="grip = null" @pointercancel="grip = null">
    <rect
      :x="box.x"
      :y="box.y"
      :width="box.width"
      :height="box.height"
      rx="10"
      fill="transparent"
      class="cursor-move touch-none"
      :stroke="selected ? '#1c5a3c' : 'transparent'"
      stroke-width="3"
      role="button"
      tabindex="0"
      :aria-label="label"
      :aria-pressed="selected"
      @pointerdown="press($event, null)"
      @keydown="key"
      @focus="emit('select')" />
    <template v-if="selected">
      <rect
        v-for="corner in CORNERS"
        :key="`${corner.x}${corner.y}`"
        :x="box.x + corner.x * box.width - 8"
        :y="box.y + corner.y * box.height - 8"
        width="16"
        height="16"
        rx="4"
        fill="#ffffff"
        stroke="#1c5a3c"
        stroke-width="2.5"
        class="touch-none"
        :class="corner.x === corner.y ? 'cursor-nwse-resize' : 'cursor-nesw-resize'"
        @pointerdown="press($event, corner)" />
    </template>
  </g>
</template>
