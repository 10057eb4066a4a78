<script setup lang="ts">
import { FILLS, INKS } from '~~/core/board/inks'
import type { Edition } from '~~/core/board/edition'
import { arrowHead } from '~~/core/geometry/arrow'
import { corners } from '~~/core/geometry/outline'
import { endsOf } from '~~/core/tools/making'
import { HIGHLIGHTER_TIMES, SIGN_SIZE, TEXT_SIZES, WIDTHS, type Own } from '~~/core/slate/own'
import type { Page } from '~~/core/board/board'
import type { SlateState } from '~~/core/slate/state'
import { breakLines } from '~~/core/text/lines'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'
import { inkPath } from '~/composables/board/inkPath'
import { usePictures } from '~/composables/board/pictures'

/** Something that a student made, as it is drawn everywhere. `chosen` while it is picked, with a rim around it. */
const {
  own,
  page,
  state,
  edition,
  chosen = false,
} = defineProps<{ own: Own; page: Page; state: SlateState; edition: Edition; chosen?: boolean }>()
const uid = useId()
const pictures = usePictures()
const picture = computed(() =>
  own.kind === 'picture' ? { address: pictures.addressOf(own), waits: pictures.waits(own), alt: own.alt } : null,
)
/** An address that gave nothing, as while a picture is on its way or the teacher sees it first. */
const missing = ref('')
const NOTE_SIZE = 16
const PADDING = 8

const left = computed(() => ('width' in own ? { x: own.x - own.width / 2, y: own.y - own.height / 2 } : { x: 0, y: 0 }))
const lines = computed(() => {
  if (own.kind !== 'text' && own.kind !== 'note') return []
  const size = own.kind === 'text' ? TEXT_SIZES[own.size] : NOTE_SIZE
  const [x, y] =
    own.kind === 'text'
      ? [left.value.x, left.value.y + (size * LINE_HEIGHT) / 2]
      : [left.value.x + PADDING, left.value.y + PADDING + (size * LINE_HEIGHT) / 2]
  const room = own.kind === 'text' ? own.width : own.width - 2 * PADDING
  const broken = own.text.split('\n').flatMap(line => breakLines(line, room, size))
  const most =
    own.kind === 'note' ? Math.max(1, Math.floor((own.height - 2 * PADDING) / (size * LINE_HEIGHT))) : broken.length
  return broken
    .slice(0, most)
    .map((text, i) => ({
      text: i === most - 1 && broken.length > most ? `${text} …` : text,
      x,
      y: y + i * size * LINE_HEIGHT + baselineShift(size),
      size,
    }))
})
const ink = computed(() =>
  own.kind === 'ink'
    ? {
        d: inkPath(own.points, WIDTHS[own.wide] * (own.pen.tip === 'highlighter' ? HIGHLIGHTER_TIMES : 1)),
        pen: own.pen,
      }
    : null,
)
const line = computed(() => {
  if (own.kind !== 'line') return null
  const { from, to } = endsOf(own, { state, edition })
  const wide = WIDTHS[own.wide]
  if (!own.head) return { from, to, head: '' }
  const {
    corners: [tip, a, b],
    foot,
  } = arrowHead(from, to, 8 + 2 * wide, 8 + 2 * wide)
  return { from, to: foot, head: [tip, a, b].map(p => `${p.x},${p.y}`).join(' ') }
})
const outline = computed(() => {
  if (own.kind !== 'shape') return ''
  const { x, y, width: w, height: h } = own
  if (own.shape === 'triangle') return `M${x} ${y - h / 2}L${x + w / 2} ${y + h / 2}H${x - w / 2}Z`
  if (own.shape === 'diamond') return `M${x} ${y - h / 2}L${x + w / 2} ${y}L${x} ${y + h / 2}L${x - w / 2} ${y}Z`
  return ''
})
/** Signs are drawn around nought in a box of two, and are told apart by their outlines alone. */
const SIGN_PATHS = {
  tick: 'M-0.8 0.05L-0.25 0.65L0.8 -0.65',
  cross: 'M-0.65 -0.65L0.65 0.65M0.65 -0.65L-0.65 0.65',
  question: 'M-0.4 -0.35A0.42 0.42 0 1 1 0.15 0.1Q0 0.2 0 0.42M0 0.8v0.01',
  star: 'M0 -0.9L0.22 -0.3L0.86 -0.28L0.36 0.12L0.53 0.73L0 0.37L-0.53 0.73L-0.36 0.12L-0.86 -0.28L-0.22 -0.3Z',
  dot: 'M0 -0.7A0.7 0.7 0 1 1 0 0.7A0.7 0.7 0 1 1 0 -0.7Z',
} as const
const SOLID: ReadonlySet<string> = new Set(['star', 'dot'])
/** What is coloured: the place, or one cell of it. */
const coloured = computed(() => {
  if (own.kind !== 'colour') return null
  const place = page.places.find(one => one.id === own.place)
  if (!place) return null
  if (place.kind !== 'grid' || !own.cell) return place.shape
  const [width, height] = [place.shape.width / place.columns, place.shape.height / place.rows]
  return {
    kind: 'rectangle' as const,
    x: place.shape.x + own.cell[1] * width,
    y: place.shape.y + own.cell[0] * height,
    width,
    height,
  }
})
const fill = computed(() =>
  own.kind === 'colour' || own.kind === 'note' ? own.fill : own.kind === 'shape' ? own.fill : null,
)
const paint = computed(() => (fill.value ? (own.kind === 'note' ? FILLS[fill.value] : `url(#${uid})`) : 'none'))
const rim = computed(() =>
  chosen && 'width' in own
    ? { ...left.value, width: own.width, height: own.height }
    : chosen && own.kind === 'sign'
      ? { x: own.x - SIGN_SIZE / 2, y: own.y - SIGN_SIZE / 2, width: SIGN_SIZE, height: SIGN_SIZE }
      : null,
)
</script>

<template>
  <g>
    <defs v-if="fill && own.kind !== 'note'"><BoardFillPattern :id="uid" :fill="fill" /></defs>
    <template v-if="coloured">
      <rect
        v-if="coloured.kind === 'rectangle'"
        v-bind="{ x: coloured.x, y: coloured.y, width: coloured.width, height: coloured.height }"
        :fill="paint" />
      <ellipse
        v-else-if="coloured.kind === 'ellipse'"
        :cx="coloured.x + coloured.width / 2"
        :cy="coloured.y + coloured.height / 2"
        :rx="coloured.width / 2"
        :ry="coloured.height / 2"
        :fill="paint" />
      <polygon v-else :points="coloured.points.map(p => `${p.x},${p.y}`).join(' ')" :fill="paint" />
    </template>
    <template v-else-if="own.kind === 'shape'">
      <!-- A shape that isn't filled is caught at its rim; what is inside stays in reach. -->
      <rect
        v-if="own.shape === 'rectangle'"
        v-bind="{ ...left, width: own.width, height: own.height }"
        fill="none"
        stroke="transparent"
        stroke-width="24" />
      <ellipse
        v-else-if="own.shape === 'ellipse'"
        :cx="own.x"
        :cy="own.y"
        :rx="own.width / 2"
        :ry="own.height / 2"
        fill="none"
        stroke="transparent"
        stroke-width="24" />
      <path v-else :d="outline" fill="none" stroke="transparent" stroke-width="24" />
      <rect
        v-if="own.shape === 'rectangle'"
        v-bind="{ ...left, width: own.width, height: own.height }"
        rx="3"
        :fill="paint"
        :stroke="INKS[own.ink]"
        :stroke-width="WIDTHS[own.wide]" />
      <ellipse
        v-else-if="own.shape === 'ellipse'"
        :cx="own.x"
        :cy="own.y"
        :rx="own.width / 2"
        :ry="own.height / 2"
        :fill="paint"
        :stroke="INKS[own.ink]"
        :stroke-width="WIDTHS[own.wide]" />
      <path
        v-else
        :d="outline"
        :fill="paint"
        :stroke="INKS[own.ink]"
        :stroke-width="WIDTHS[own.wide]"
        stroke-linejoin="round" />
    </template>
    <template v-else-if="own.kind === 'note'">
      <rect
        :x="left.x"
        :y="left.y + 2"
        :width="own.width"
        :height="own.height"
        rx="2"
        fill="#14191a"
        fill-opacity="0.25" />
      <rect
        v-bind="{ ...left, width: own.width, height: own.height }"
        rx="2"
        :fill="paint"
        stroke="#526061"
        stroke-width="1.2" />
    </template>
    <path
      v-else-if="ink"
      :d="ink.d"
      :fill="ink.pen.tip === 'pen' ? INKS[ink.pen.ink] : FILLS[ink.pen.fill]"
      :fill-opacity="ink.pen.tip === 'pen' ? 1 : 0.5" />
    <template v-else-if="line && own.kind === 'line'">
      <!-- A thin line is hard to catch: what catches it is wider, and isn't seen. -->
      <line
        :x1="line.from.x"
        :y1="line.from.y"
        :x2="line.to.x"
        :y2="line.to.y"
        stroke="transparent"
        stroke-width="24" />
      <line
        :x1="line.from.x"
        :y1="line.from.y"
        :x2="line.to.x"
        :y2="line.to.y"
        :stroke="chosen ? '#a86a05' : INKS[own.ink]"
        :stroke-width="WIDTHS[own.wide]"
        stroke-linecap="round" />
      <polygon v-if="line.head" :points="line.head" :fill="chosen ? '#a86a05' : INKS[own.ink]" />
    </template>
    <template v-else-if="picture && own.kind === 'picture'">
      <rect
        v-if="!picture.address || missing === picture.address"
        v-bind="{ ...left, width: own.width, height: own.height }"
        rx="4"
        fill="#f2f1ec"
        stroke="#526061"
        stroke-width="1.5"
        stroke-dasharray="6 4" />
      <image
        v-else
        :key="picture.address"
        :href="picture.address"
        v-bind="{ ...left, width: own.width, height: own.height }"
        preserveAspectRatio="xMidYMid meet"
        @error="missing = picture.address" />
      <g
        v-if="picture.waits || !picture.address || missing === picture.address"
        :transform="`translate(${left.x + 6} ${left.y + 6})`">
        <rect width="24" height="24" rx="6" class="fill-stone-950" /><path
          d="M6 4h12v4l-4 4 4 4v4H6v-4l4-4-4-4z"
          fill="none"
          stroke="#fff"
          stroke-width="1.8"
          stroke-linejoin="round" />
      </g>
    </template>
    <g v-else-if="own.kind === 'sign'" :transform="`translate(${own.x} ${own.y}) scale(${SIGN_SIZE / 2})`">
      <rect x="-1" y="-1" width="2" height="2" fill="transparent" />
      <path
        :d="SIGN_PATHS[own.sign]"
        :fill="SOLID.has(own.sign) ? INKS[own.ink] : 'none'"
        :stroke="INKS[own.ink]"
        stroke-width="0.26"
        stroke-linecap="round"
        stroke-linejoin="round" />
    </g>
    <rect v-if="own.kind === 'text'" v-bind="{ ...left, width: own.width, height: own.height }" fill="transparent" />
    <text
      v-for="(one, i) in lines"
      :key="i"
      class="board-text"
      :x="one.x"
      :y="one.y"
      :font-size="one.size"
      :fill="own.kind === 'text' ? INKS[own.ink] : '#14191a'"
      >{{ one.text }}</text
    >
    <polygon
      v-if="rim"
      :points="
        corners({ x: rim.x - 4, y: rim.y - 4, width: rim.width + 8, height: rim.height + 8 })
          .map(p => `${p.x},${p.y}`)
          .join(' ')
      "
      fill="none"
      stroke="#a86a05"
      stroke-width="2.5"
      stroke-dasharray="6 4" />
  </g>
</template>
