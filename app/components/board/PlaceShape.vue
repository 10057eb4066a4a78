<script setup lang="ts">
import { boxOf } from '~~/core/geometry/outline'
import type { Place } from '~~/core/board/place'
import { HEADING_GAP, HEADING_SIZE, headingLines } from '~~/core/layout/headingBox'
import { layoutGaps } from '~~/core/layout/gaps'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

const PRINTED_SIZE = 16

const { place, lit = false, clear = false } = defineProps<{ place: Place; lit?: boolean; clear?: boolean }>()
const { t } = useWords()
const box = computed(() => boxOf(place))
const heading = computed(() => headingLines(place))
/** Dashes say "put it here"; a scale and a lane have lines of their own. */
const dashed = computed(() => place.kind === 'zone' || place.kind === 'slot' || place.kind === 'pan')
/** Words and gaps stand on the page itself; the room around them is no frame. */
const gapText = computed(() => (place.kind === 'gaps' ? layoutGaps(place) : null))
/** Lines to write on. */
const writingLines = computed(() => {
  if (place.kind !== 'writing') return ''
  const { x, y, width, height } = box.value
  const step = place.textSize * LINE_HEIGHT
  const count = place.lines === 'many' ? Math.max(1, Math.floor((height - 12) / step)) : 1
  return Array.from(
    { length: count },
    (_, i) => `M${x + 8} ${place.lines === 'many' ? y + 8 + (i + 1) * step : y + height - 7}h${width - 16}`,
  ).join('')
})
const look = computed(() => ({
  fill: lit ? '#fdf3dc' : '#ffffff',
  'fill-opacity':
    place.kind === 'gaps' || ((clear || place.clear) && !lit) || (place.kind === 'drawing' && !lit)
      ? 0
      : lit
        ? 0.9
        : place.kind === 'writing'
          ? 0.8
          : 0.45,
  // A number line is its own line, and needs no frame but while something is held over it.
  stroke: lit
    ? '#a86a05'
    : place.kind === 'scale' || place.kind === 'gaps'
      ? 'none'
      : place.kind === 'drawing'
        ? '#6b7a7a'
        : '#526061',
  'stroke-width': lit ? 2.5 : 1.6,
  'stroke-dasharray': lit || !dashed.value ? undefined : '7 5',
}))
/** The lines between the cells of a grid. */
const rules = computed(() => {
  if (place.kind !== 'grid') return ''
  const { x, y, width, height } = box.value
  const { rows, columns } = place
  const across = Array.from({ length: rows - 1 }, (_, i) => `M${x} ${y + ((i + 1) * height) / rows}h${width}`)
  const down = Array.from({ length: columns - 1 }, (_, i) => `M${x + ((i + 1) * width) / columns} ${y}v${height}`)
  return [...across, ...down].join('')
})
/** A small arrow in the corner where a lane begins. */
const laneArrow = computed(() => {
  if (place.kind !== 'lane') return ''
  const { x, y, width } = box.value
  if (place.direction === 'column') return `M${x + 14} ${y + 10}v22m-6 -7l6 7l6 -7`
  return place.fromRight ? `M${x + width - 10} ${y + 14}h-22m7 -6l-7 6l7 6` : `M${x + 10} ${y + 14}h22m-7 -6l7 6l-7 6`
})
</script>

<template>
  <g>
    <text
      v-for="(line, i) in heading"
      :key="i"
      class="board-text"
      :x="box.x + box.width / 2"
      :y="box.y - HEADING_GAP - (heading.length - 1 - i) * HEADING_SIZE"
      :font-size="HEADING_SIZE"
      font-weight="700"
      fill="#1d2526"
      text-anchor="middle"
      >{{ line }}</text
    >
    <BoardPlaceOutline :place="place" v-bind="look" />
    <g
      v-if="place.part"
      :transform="`translate(${box.x + 14} ${box.y + 14})`"
      role="img"
      :aria-label="t('marks.part', { number: place.part })">
      <rect x="-10" y="-10" width="34" height="20" rx="10" fill="#ffffff" stroke="#3c494a" stroke-width="1.4" />
      <circle cx="-1" cy="-2.5" r="3" fill="#3c494a" /><path d="M-6.500 6.500a5.500 4.500 0 0 1 11 0z" fill="#3c494a" />
      <text
        class="board-text"
        x="14"
        :y="baselineShift(13)"
        font-size="13"
        font-weight="700"
        text-anchor="middle"
        fill="#14191a"
        >{{ place.part }}</text
      >
    </g>
    <LazyBoardScaleMarks v-if="place.kind === 'scale'" :scale="place" />
    <template v-else-if="place.kind === 'grid'">
      <path :d="rules" stroke="#526061" stroke-width="1.6" />
      <text
        v-for="(text, i) in place.printed"
        :key="i"
        class="board-text"
        :x="box.x + (((i % place.columns) + 0.5) * box.width) / place.columns"
        text-anchor="middle"
        fill="#14191a"
        :y="box.y + ((Math.floor(i / place.columns) + 0.5) * box.height) / place.rows + baselineShift(PRINTED_SIZE)"
        :font-size="PRINTED_SIZE"
        >{{ text }}</text
      >
    </template>
    <path
      v-else-if="place.kind === 'lane'"
      :d="laneArrow"
      fill="none"
      stroke="#6b7a7a"
      stroke-width="3"
      stroke-linecap="round"
      stroke-linejoin="round" />
    <path v-else-if="place.kind === 'writing'" :d="writingLines" stroke="#6b7a7a" stroke-width="1.2" />
    <template v-else-if="place.kind === 'gaps' && gapText">
      <text
        v-for="(word, i) in gapText.words"
        :key="`w${i}`"
        class="board-text"
        :direction="gapText.fromRight ? 'rtl' : undefined"
        :x="gapText.fromRight ? word.x + word.width : word.x"
        :y="word.y + baselineShift(gapText.textSize)"
        :font-size="gapText.textSize"
        fill="#14191a"
        >{{ word.text }}</text
      >
      <rect
        v-for="(gap, i) in gapText.gaps"
        :key="`g${i}`"
        v-bind="gap"
        rx="6"
        fill="#ffffff"
        :fill-opacity="lit ? 0.95 : 0.8"
        :stroke="lit ? '#a86a05' : '#526061'"
        stroke-width="1.6"
        :stroke-dasharray="place.typed ? undefined : '6 4'" />
    </template>
    <circle
      v-else-if="place.kind === 'pin'"
      :cx="box.x + box.width / 2"
      :cy="box.y + box.height / 2"
      r="4"
      fill="#1d2526" />
  </g>
</template>
