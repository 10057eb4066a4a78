<script setup lang="ts">
import type { Board, Page } from '~~/core/board/board'
import { alone } from '~~/core/design/clip'
import { itemsOf, setBoxes, type Item, type Layer } from '~~/core/design/items'
import { endsOf, moveCorner } from '~~/core/design/corners'
import { overlaps } from '~~/core/geometry/outline'
import type { Box, Point } from '~~/core/geometry/shape'
import { around, heldOn } from '~~/core/layout/arrange'
import { printedHeading } from '~~/core/layout/headingBox'
import { guided } from '~~/core/layout/guides'
import type { Moving } from '~/composables/board/useGestures'
import type { Hands } from '~/composables/workbench/useHands'
import { layHandSheet, type Draft, type HandSheet } from '~/composables/workbench/handSheet'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Frames with handles around what can be touched on the open layer: select one or many, move, size, with guides. */
const { hands, bench, layer, page, scale, labelOf } = defineProps<{
  hands: Hands
  bench: Workbench
  layer: Layer
  page: Page
  scale: number
  labelOf: (item: Item) => string
}>()
/** The words of what is selected are to be written. */
const emit = defineEmits<{ words: [] }>()

/** Points; with Alt held the smallest step, and no guides. */
const STEP = 4
const FINE = 1
/** CSS pixels. */
const REACH = 6
const HANDLE = 14
type Corner = { x: 0 | 1; y: 0 | 1 }
const CORNERS: Corner[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 0, y: 1 },
  { x: 1, y: 1 },
]

const root = useTemplateRef<SVGGElement>('root')
/** Over the page as long as something is held. */
const sheet = shallowRef<HandSheet | null>(null)
/** Handed on as they are and read on the sheet alone, so that a move of the hand draws nothing else anew. */
const tried = { marquee: shallowRef<Box | null>(null), draft: shallowRef<Draft | null>(null) }
const { marquee, draft } = tried
type Grip =
  | { readonly what: 'move'; readonly whole: Box; readonly others: readonly Box[]; by: { dx: number; dy: number } }
  | {
      readonly what: 'shape'
      readonly id: string
      readonly alone: Board
      readonly shaped: Shaping
      last: Shaped | null
    }
  | { readonly what: 'marquee'; readonly more: boolean }
/** What a drag to here would make of a board, be it the whole one or one with the held thing alone. */
type Shaped = (board: Board) => Board
type Shaping = (to: Point, by: { dx: number; dy: number }, step: number) => Shaped
let held: { readonly matrix: DOMMatrix; readonly from: Point; readonly grip: Grip; moved: boolean } | null = null

const pixel = computed(() => 1 / scale)
const round = (n: number, step: number) => Math.round(n / step) * step
/** Asked once for each gesture: asking makes the browser lay the page out. */
const toPage = () => root.value!.ownerSVGElement!.getScreenCTM()!.inverse()
function onPage({ x, y }: Point, matrix: DOMMatrix): Point {
  const at = new DOMPoint(x, y).matrixTransform(matrix)
  return { x: at.x, y: at.y }
}

function take(from: Point, grip: Grip, moving: Iterable<string> = []) {
  const matrix = toPage()
  sheet.value = layHandSheet(root.value!.ownerSVGElement!, drawingsOf(moving), scale)
  held = { matrix, from: onPage(from, matrix), grip, moved: false }
}
/** Keys that are held while a hand goes down, or moves. */
const more = ({ shiftKey, ctrlKey, metaKey }: MouseEvent | KeyboardEvent) => shiftKey || ctrlKey || metaKey
const itemAt = (element: Element) => {
  const { item, headed } = (element as HTMLElement).dataset
  return hands.items.value.find(one => one.id === (item ?? headed))
}
/** What is pressed is selected at once; with a finger only when it is tapped or dragged, for a second may follow. */
function choose(item: Item, adds: boolean) {
  if (adds || !hands.selected.value.has(item.id)) hands.select([item.id], adds)
}
function grab(item: Item, from: Point) {
  const moving = hands.moving()
  take(
    from,
    {
      what: 'move',
      whole: around(moving.values()),
      others: hands.items.value.filter(i => !moving.has(i.id)).map(i => i.box),
      by: { dx: 0, dy: 0 },
    },
    moving.keys(),
  )
}
function drawingsOf(ids: Iterable<string>): SVGElement[] {
  const selectors = [...ids].map(id => `[data-thing="${id}"],[data-item="${id}"],[data-piece="${id}"]`)
  return selectors.length
    ? [...root.value!.ownerSVGElement!.querySelectorAll<SVGElement>([...selectors, '[data-handles]'].join())]
    : []
}
function shape(from: Point, id: string, shaped: Shaping) {
  take(from, { what: 'shape', id, alone: alone(bench.board.value, page.id, id), shaped, last: null }, [id])
}
const pressCorner = (from: Point, item: Item, corner: Corner) =>
  shape(
    from,
    item.id,
    (_, { dx, dy }, step) =>
      board =>
        setBoxes(board, page.id, new Map([[item.id, resized(item, corner, { x: dx, y: dy }, step)]])),
  )
const pressEnd = (from: Point, id: string, end: number) =>
  shape(
    from,
    id,
    (to, _, step) => board =>
      moveCorner({ board, pageId: page.id, id, corner: end, to: { x: round(to.x, step), y: round(to.y, step) } }),
  )

/** Whether keys that add to what is selected, or make steps fine, are held now. */
const keysHeld = { adds: false, fine: false }
function noteKeys(event: MouseEvent | KeyboardEvent) {
  keysHeld.adds = more(event)
  keysHeld.fine = event.altKey
}
useEventListener(window, ['keydown', 'keyup', 'pointerdown', 'pointermove'], noteKeys, { capture: true })

/** CSS pixels: hands here are finer than those of children. */
const STARTS = 3
const holding = { go: ({ at }: Moving) => drag(at), end: ({ at }: Moving) => (drag(at), letGo()), letBe: rest }
useTaker('item', {
  as: 'thing',
  starts: STARTS,
  press({ element, by }) {
    const item = itemAt(element)
    if (item && by !== 'touch') choose(item, keysHeld.adds)
  },
  tap({ element, by }, times) {
    const item = itemAt(element)
    if (item && (by === 'touch' || by === 'click')) choose(item, keysHeld.adds)
    if (times === 2) emit('words')
  },
  begin({ element, from, by }) {
    const item = itemAt(element)
    if (!item) return
    if (by === 'touch') choose(item, false)
    grab(item, from)
  },
  ...holding,
})
useTaker('corner', {
  as: 'thing',
  starts: 0,
  begin({ element, from }) {
    const named = (element as SVGElement).dataset['corner']
    const corner = CORNERS.find(({ x, y }) => `${x}${y}` === named)
    if (corners.value && corner) pressCorner(from, corners.value.item, corner)
  },
  ...holding,
})
useTaker('end', {
  as: 'thing',
  starts: 0,
  begin({ element, from }) {
    if (hands.only.value) pressEnd(from, hands.only.value.id, Number((element as SVGElement).dataset['end']))
  },
  ...holding,
})
useTaker('bare page', {
  as: 'sheet',
  begin({ from }) {
    if (!keysHeld.adds) hands.clear()
    take(from, { what: 'marquee', more: keysHeld.adds })
  },
  ...holding,
})

function drag(at: Point) {
  if (!held) return
  const { grip, from } = held
  const to = onPage(at, held.matrix)
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  if (grip.what === 'marquee') {
    marquee.value = { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), width: Math.abs(dx), height: Math.abs(dy) }
    return
  }
  // A press that doesn't move selects, and changes nothing.
  if (!held.moved && Math.hypot(dx, dy) < STARTS * pixel.value) return
  held.moved = true
  const step = keysHeld.fine ? FINE : STEP
  if (grip.what === 'move') {
    const moved = heldOn(page, { ...grip.whole, x: round(grip.whole.x + dx, step), y: round(grip.whole.y + dy, step) })
    const pull = keysHeld.fine ? { dx: 0, dy: 0, guides: [] } : guided(moved, grip.others, page, REACH * pixel.value)
    sheet.value!.guides(pull.guides)
    grip.by = { dx: moved.x + pull.dx - grip.whole.x, dy: moved.y + pull.dy - grip.whole.y }
    sheet.value!.to(grip.by.dx, grip.by.dy)
  } else {
    grip.last = grip.shaped(to, { dx, dy }, step)
    draft.value = drafted(grip.last(grip.alone), grip.id)
    sheet.value!.hide()
  }
}
function drafted(board: Board, id: string): Draft | null {
  const item = itemsOf(board, page.id, layer).find(i => i.id === id)
  return item ? { id, page: board.pages[0]!, box: item.box, ends: endsOf(board, page.id, id) } : null
}
function rest() {
  held = null
  sheet.value?.away()
  sheet.value = null
  marquee.value = null
  draft.value = null
}
onBeforeUnmount(rest)
function letGo() {
  if (held?.grip.what === 'marquee' && hands.outlining.value) {
    if (marquee.value && marquee.value.width * marquee.value.height > 0) hands.outline(marquee.value)
    return rest()
  }
  if (held?.grip.what === 'marquee' && marquee.value && marquee.value.width + marquee.value.height > 6 * pixel.value) {
    const box = marquee.value
    hands.select(
      hands.items.value.filter(item => overlaps(item.box, box)).map(item => item.id),
      held.grip.more,
    )
  }
  if (held?.grip.what === 'move' && held.moved) {
    const { dx, dy } = held.grip.by
    if (dx || dy) hands.move(dx, dy)
  }
  if (held?.grip.what === 'shape' && held.grip.last) bench.change(held.grip.last(bench.board.value))
  rest()
}

function resized(
  { box: from, smallest, keepsShape }: Pick<Item, 'box' | 'smallest' | 'keepsShape'>,
  corner: Corner,
  { x: dx, y: dy }: Point,
  step: number,
): Box {
  let width = Math.max(smallest.width, round(from.width + (corner.x ? dx : -dx), step))
  let height = Math.max(smallest.height, round(from.height + (corner.y ? dy : -dy), step))
  if (keepsShape && from.width > 0 && from.height > 0) {
    const by = Math.max(width / from.width, height / from.height)
    width = from.width * by
    height = from.height * by
  }
  return {
    width,
    height,
    x: corner.x ? from.x : from.x + from.width - width,
    y: corner.y ? from.y : from.y + from.height - height,
  }
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function key(event: KeyboardEvent, item: Item) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    return void hands.select([item.id], event.shiftKey)
  }
  const arrow = ARROWS[event.key]
  if (!arrow || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  const step = event.altKey ? FINE : STEP
  const [dx, dy] = [arrow[0] * step, arrow[1] * step]
  if (!event.shiftKey) hands.nudge(dx, dy)
  else if (item.resizes) hands.resize(item, resized(item, { x: 1, y: 1 }, { x: dx, y: dy }, step))
}
/** With the keyboard what has the focus is what the keys are about; a click has selected already. */
function focus(item: Item) {
  if (!held && !hands.selected.value.has(item.id)) hands.select([item.id])
}

const headings = computed(() =>
  hands.items.value.flatMap(item => {
    const place = item.kind === 'place' ? page.places.find(p => p.id === item.id) : undefined
    const box = place && printedHeading(place)
    return box ? [{ item, box }] : []
  }),
)
const corners = computed(() => {
  const item = hands.only.value
  return item?.resizes && item.kind !== 'line'
    ? {
        item,
        at: CORNERS.map(corner => ({
          corner,
          x: item.box.x + corner.x * item.box.width,
          y: item.box.y + corner.y * item.box.height,
        })),
      }
    : null
})
const ends = computed(() => (hands.only.value ? endsOf(bench.board.value, page.id, hands.only.value.id) : []))
const side = computed(() => HANDLE * pixel.value)
const radius = (item: Item) => (item.kind === 'place' ? 10 : 4)
</script>

<template>
  <g ref="root">
    <rect :width="page.width" :height="page.height" fill="transparent" data-hand="bare page" data-test="hands-page" />
    <rect
      v-for="item in hands.items.value"
      :key="item.id"
      :x="item.box.x"
      :y="item.box.y"
      :width="Math.max(item.box.width, 6)"
      :height="Math.max(item.box.height, 6)"
      :rx="radius(item)"
      fill="transparent"
      class="hand cursor-move"
      :stroke="hands.selected.value.has(item.id) ? '#1c5a3c' : 'transparent'"
      :stroke-width="3 * pixel"
      role="button"
      tabindex="0"
      :aria-label="labelOf(item)"
      :aria-pressed="hands.selected.value.has(item.id)"
      data-hand="item"
      :data-item="item.id"
      @keydown="key($event, item)"
      @focus="focus(item)" />
    <!-- What is printed over a place belongs to it. -->
    <rect
      v-for="{ item, box } in headings"
      :key="`heading ${item.id}`"
      v-bind="box"
      fill="transparent"
      class="cursor-move"
      data-hand="item"
      :data-headed="item.id" />
    <g data-handles>
      <template v-if="corners">
        <rect
          v-for="{ corner, x, y } in corners.at"
          :key="`${corner.x}${corner.y}`"
          :x="x - side / 2"
          :y="y - side / 2"
          :width="side"
          :height="side"
          :rx="side / 4"
          fill="#ffffff"
          stroke="#1c5a3c"
          :stroke-width="2.5 * pixel"
          :class="corner.x === corner.y ? 'cursor-nwse-resize' : 'cursor-nesw-resize'"
          data-hand="corner"
          :data-corner="`${corner.x}${corner.y}`" />
      </template>
      <circle
        v-for="(end, i) in ends"
        :key="i"
        :cx="end.x"
        :cy="end.y"
        :r="side / 2"
        fill="#e9ad3f"
        stroke="#1c5a3c"
        :stroke-width="2 * pixel"
        class="cursor-crosshair"
        data-hand="end"
        :data-end="i" />
    </g>
    <!-- While printed choices are outlined nothing else can be touched. -->
    <rect
      v-if="hands.outlining.value"
      :width="page.width"
      :height="page.height"
      fill="transparent"
      class="cursor-crosshair"
      data-hand="bare page"
      data-test="outlining" />
    <Teleport v-if="sheet" :to="sheet.over"
      ><WorkbenchHandMarquee :marquee="tried.marquee" :pixel="pixel" :page="page" /><WorkbenchHandDraft
        :draft="tried.draft"
        :handle="side"
        :pixel="pixel"
        :page="page"
    /></Teleport>
  </g>
</template>

<style scoped>
.hand:focus {
  outline: none;
}
.hand:focus-visible {
  stroke: #a86a05;
}
</style>
