<script setup lang="ts">
import type { Box, Point } from '~~/core/geometry/shape'
import { ARROW_KEYS } from '~/composables/board/arrowKeys'
import { withPoint } from '~~/core/slate/stroke'
import type { PointerKind } from '~~/core/gesture/signs'
import type { Gesture } from '~~/core/tools/making'
import type { Moving } from '~/composables/board/useGestures'

/**
 * A part of the page on which something is drawn or pointed at: with a pen, a finger or a mouse; with the keyboard a
 * cursor goes there, and Enter begins and ends. `how` is what the hand does there; while rubbing, every spot it passes
 * is told.
 */
const {
  box,
  width,
  height,
  how,
  most,
  label,
  taken = false,
  space = undefined,
} = defineProps<{
  box: Box
  width: number
  height: number
  how: Gesture['how'] | 'rub'
  most: number
  label: string
  taken?: boolean
  space?: string
}>()
type Trace = Extract<Gesture, { how: 'trace' }>['points']
const emit = defineEmits<{ done: [gesture: Gesture]; begin: []; rub: [at: Point]; say: [words: string]; leave: [] }>()
const { t } = useWords()
const idOf = useThingIds()
const root = useTemplateRef<SVGRectElement>('root')
const points = shallowRef<Trace>([])
const span = shallowRef<{ from: Point; to: Point } | null>(null)
/** One hand at a time goes down on it, whichever sheet it is. */
const name = `sheet ${useId()}`
const STEP = 10

const round = (n: number) => Math.round(n * 10) / 10
const onPage = ({ x, y }: Point): Point => ({
  x: round(Math.min(Math.max(x, 0), width)),
  y: round(Math.min(Math.max(y, 0), height)),
})
const pagePointAt = ({ x, y }: Point) =>
  onPage(new DOMPoint(x, y).matrixTransform(root.value!.getScreenCTM()!.inverse()))
/** Only a pen knows how hard it is pressed. */
const traced = ({ x, y }: Point, by: PointerKind, pressure: number | undefined): Trace[number] =>
  by === 'pen' && pressure !== undefined ? [x, y, pressure] : [x, y]

useTaker(name, {
  as: 'sheet',
  begin({ at: here, by, pressure }) {
    emit('begin')
    const point = pagePointAt(here)
    if (how === 'rub') emit('rub', point)
    else if (how === 'trace') points.value = [traced(point, by, pressure)]
    else span.value = { from: point, to: point }
  },
  go: goOn,
  end(moving) {
    goOn(moving)
    end()
  },
  /** A span that wasn't ended isn't kept. */
  letBe(kept) {
    span.value = null
    if (kept && how === 'trace') end()
    points.value = []
  },
})
function goOn({ at: here, by, pressure }: Moving) {
  const point = pagePointAt(here)
  if (how === 'rub') emit('rub', point)
  else if (how === 'trace') goOnTo(alike(traced(point, by, pressure), points.value))
  else if (span.value) span.value = { ...span.value, to: point }
}
/** A hand that rests adds nothing. */
function goOnTo(point: Trace[number]) {
  const last = points.value.at(-1)
  if (last?.[0] === point[0] && last[1] === point[1]) return
  points.value = withPoint(points.value, point, most)
}
/** A pen that loses its pressure in the middle keeps the last one: it is of all points or of none. */
function alike(point: Trace[number], before: Trace): Trace[number] {
  const last = before.at(-1)
  if (!last || last.length === point.length) return point
  return last.length === 3 ? [point[0], point[1], last[2]!] : [point[0], point[1]]
}
function end() {
  if (how === 'trace' && points.value.length) emit('done', { how, points: points.value })
  else if (how === 'span' && span.value) emit('done', { how, ...span.value })
  else if (how === 'spot' && span.value) emit('done', { how, at: span.value.to })
  points.value = []
  span.value = null
}

/** The keyboard's own hand: where it is, and whether it is down. */
const cursor = ref<Point | null>(null)
const isDown = ref(false)
/** Where the keyboard's pen was last led: where that changes, its line has a corner. */
let led: Point | null = null
function key(event: KeyboardEvent) {
  cursor.value ??= { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  const arrow = ARROW_KEYS[event.key]
  if (arrow) {
    const step = event.shiftKey ? 1 : STEP
    if (isDown.value && how === 'trace' && led && led !== arrow)
      points.value = withPoint(points.value, flat(cursor.value), most - 1)
    led = arrow
    const clamp = (value: number, from: number, size: number) => Math.min(Math.max(value, from), from + size)
    cursor.value = {
      x: clamp(cursor.value.x + arrow.x * step, box.x, box.width),
      y: clamp(cursor.value.y + arrow.y * step, box.y, box.height),
    }
  } else if (event.key === 'Enter' || event.key === ' ') press(onPage(cursor.value))
  else if (event.key === '.' && isDown.value && how === 'trace')
    points.value = withPoint(points.value, flat(cursor.value), most - 1)
  else if (event.key === 'Escape' && isDown.value) lift()
  else if (event.key === 'Escape') emit('leave')
  else return
  event.preventDefault()
}
const flat = (point: Point): Trace[number] => [onPage(point).x, onPage(point).y]
function press(here: Point) {
  if (!isDown.value) emit('begin')
  if (how === 'rub') emit('rub', here)
  else if (how === 'spot') emit('done', { how, at: here })
  else if (!isDown.value) {
    isDown.value = true
    led = null
    if (how === 'trace') points.value = [flat(here)]
    else span.value = { from: here, to: here }
  } else {
    isDown.value = false
    if (how === 'trace') points.value = [...points.value, flat(here)]
    else span.value = span.value && { ...span.value, to: here }
    end()
  }
  emit(
    'say',
    t(
      how === 'rub'
        ? 'stage.rubbed'
        : how === 'spot'
          ? 'stage.madeHere'
          : isDown.value
            ? 'stage.penDown'
            : 'stage.penUp',
    ),
  )
}
/** What was begun with the keyboard is let be. */
function lift() {
  if (isDown.value) {
    points.value = []
    span.value = null
  }
  isDown.value = false
}
function leave() {
  lift()
  cursor.value = null
}
/** What is being made: with the keyboard up to where the cursor is. */
const soFar = computed((): Gesture | null => {
  const tip = isDown.value && cursor.value ? onPage(cursor.value) : null
  if (points.value.length) return { how: 'trace', points: tip ? [...points.value, [tip.x, tip.y]] : points.value }
  return span.value && how === 'span' ? { how, from: span.value.from, to: tip ?? span.value.to } : null
})
onMounted(() => taken && root.value?.focus({ preventScroll: true }))
</script>

<template>
  <g>
    <rect
      :id="space && idOf(space)"
      ref="root"
      :x="box.x"
      :y="box.y"
      :width="box.width"
      :height="box.height"
      fill="transparent"
      class="focus:outline-none focus-visible:[outline:3px_solid_#a86a05]"
      :class="how === 'rub' ? 'cursor-cell' : 'cursor-crosshair'"
      role="application"
      tabindex="0"
      data-test="drawing"
      :data-space="space"
      :data-hand="name"
      :aria-label="label"
      @keydown="key"
      @blur="leave" />
    <g v-if="soFar" class="pointer-events-none"><slot :so-far="soFar" /></g>
    <path
      v-if="cursor"
      class="pointer-events-none"
      :d="`M${cursor.x - 12} ${cursor.y}h24M${cursor.x} ${cursor.y - 12}v24`"
      stroke="#a86a05"
      stroke-width="3" />
  </g>
</template>
