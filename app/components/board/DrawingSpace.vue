<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Page } from '~~/core/board/board'
import type { Drawing } from '~~/core/board/place'
import { distanceToSegment } from '~~/core/geometry/line'
import type { Point } from '~~/core/geometry/shape'
import type { Move } from '~~/core/slate/move'
import { withPoint } from '~/composables/strokePoints'
import { MOST_STROKE_POINTS, strokesOf, type SlateState, type Stroke } from '~~/core/slate/state'

/**
 * Takes a student's ink: with a pen, a finger or a mouse; with the keyboard a cursor draws straight lines. While rubbing,
 * what is touched goes.
 */
const { place, page, state, rubbing } = defineProps<{ place: Drawing, page: Page, state: SlateState, rubbing: boolean }>()
const emit = defineEmits<{ make: [move: Move], say: [words: string] }>()
const { t } = useWords()
const root = useTemplateRef<SVGRectElement>('root')
const points = shallowRef<Stroke['points']>([])
let pointer: number | null = null
const RUBBER = 10
const STEP = 10

const round = (n: number) => Math.round(n * 10) / 10
const onPage = ({ x, y }: Point): [number, number] => [round(Math.min(Math.max(x, 0), page.width)), round(Math.min(Math.max(y, 0), page.height))]
function at(event: PointerEvent): [number, number] {
  return onPage(new DOMPoint(event.clientX, event.clientY).matrixTransform(root.value!.getScreenCTM()!.inverse()))
}
/** Gone under the rubber already, though the page hasn't been drawn anew since: rubbing twice would be a step of undo that does nothing. */
let rubbed = new Set<string>()
function rub([x, y]: [number, number]) {
  const hit = strokesOf(state, place.id).filter(([id, { points }]) => !rubbed.has(id) && points.some((p, i) => {
    const before = points[i - 1] ?? p
    return distanceToSegment({ x, y }, { x: before[0], y: before[1] }, { x: p[0], y: p[1] }) <= RUBBER
  }))
  for (const [id] of hit) rubbed.add(id)
  if (hit.length) emit('make', { kind: 'rub', strokes: hit.map(([id]) => id), gone: true })
}
function draw(stroke: Stroke['points']) {
  if (stroke.length) emit('make', { kind: 'draw', stroke: nanoid(10), place: place.id, points: stroke })
}

function down(event: PointerEvent) {
  if (pointer !== null || event.button !== 0) return
  pointer = event.pointerId
  root.value!.setPointerCapture(event.pointerId)
  rubbed = new Set()
  if (rubbing) rub(at(event))
  else points.value = [at(event)]
}
function move(event: PointerEvent) {
  if (event.pointerId !== pointer) return
  for (const part of event.getCoalescedEvents?.() ?? [event]) {
    if (rubbing) rub(at(part))
    else points.value = withPoint(points.value, at(part), MOST_STROKE_POINTS)
  }
}
function up(event: PointerEvent) {
  if (event.pointerId !== pointer) return
  pointer = null
  draw(points.value)
  points.value = []
}

/** The keyboard's own pen: where it is, and whether it is down. */
const cursor = ref<Point | null>(null)
const penDown = ref(false)
const ARROWS: Record<string, Point> = { ArrowLeft: { x: -1, y: 0 }, ArrowRight: { x: 1, y: 0 }, ArrowUp: { x: 0, y: -1 }, ArrowDown: { x: 0, y: 1 } }
function key(event: KeyboardEvent) {
  const { shape } = place
  cursor.value ??= { x: shape.x + shape.width / 2, y: shape.y + shape.height / 2 }
  const arrow = ARROWS[event.key]
  if (arrow) {
    const step = event.shiftKey ? 1 : STEP
    const clamp = (value: number, from: number, size: number) => Math.min(Math.max(value, from), from + size)
    cursor.value = { x: clamp(cursor.value.x + arrow.x * step, shape.x, shape.width), y: clamp(cursor.value.y + arrow.y * step, shape.y, shape.height) }
  }
  else if (event.key === 'Enter' || event.key === ' ') {
    const here = onPage(cursor.value)
    rubbed = new Set()
    if (rubbing) rub(here)
    else if (!penDown.value) points.value = [here]
    else if (points.value.length) {
      draw([...points.value, here])
      points.value = []
    }
    if (!rubbing) penDown.value = !penDown.value
    emit('say', t(rubbing ? 'stage.rubbed' : penDown.value ? 'stage.penDown' : 'stage.penUp'))
  }
  else if (event.key === '.' && penDown.value) points.value = withPoint(points.value, onPage(cursor.value), MOST_STROKE_POINTS - 1)
  else if (event.key === 'Escape' && penDown.value) liftPen()
  else return
  event.preventDefault()
}
/** The line that was begun with the keyboard is let be. */
function liftPen() {
  if (penDown.value) points.value = []
  penDown.value = false
}
function leave() {
  liftPen()
  cursor.value = null
}
/** What is being drawn: with the keyboard up to where the cursor is. */
const drawn = computed(() => penDown.value && cursor.value ? [...points.value, onPage(cursor.value)] : points.value)
</script>

<template>
  <g>
    <rect
      ref="root" :x="place.shape.x" :y="place.shape.y" :width="place.shape.width" :height="place.shape.height" fill="transparent" class="touch-none" :class="rubbing ? 'cursor-cell' : 'cursor-crosshair'" role="application" tabindex="0" data-test="drawing"
      :aria-label="t('stage.drawing', { name: place.heading || t('stage.page') })" @pointerdown="down" @pointermove="move" @pointerup="up" @pointercancel="up" @keydown="key" @blur="leave"
    />
    <BoardInkStroke v-if="drawn.length" :points="drawn" />
    <path v-if="cursor" class="pointer-events-none" :d="`M${cursor.x - 12} ${cursor.y}h24M${cursor.x} ${cursor.y - 12}v24`" stroke="#a86a05" stroke-width="3" />
  </g>
</template>
