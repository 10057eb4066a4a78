<script setup lang="ts">
import type { Master, Piece } from '~~/core/board/piece'
import { CARD_PADDING, PICTURE_BOX } from '~~/core/layout/cardSize'
import { breakLines } from '~~/core/text/lines'
import { TIP_LENGTH } from '~~/core/bodies/claim'
import { floating } from '~~/core/exact/written'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

/** A piece around the origin: text and box are one thing. `written` is what a student wrote on a note. */
const {
  piece,
  master,
  held = false,
  flipped = false,
  written = '',
} = defineProps<{
  piece: Piece
  master: Master
  held?: boolean
  flipped?: boolean | undefined
  written?: string | undefined
}>()
const language = useBoardLanguage()
const side = computed(() => (flipped && piece.kind === 'tile' && piece.other ? piece.other : null))
const text = computed(() => side.value?.text ?? (piece.kind === 'note' && written ? written : piece.text))
/** A tile is as wide as its value says, and a token as it is, so their text stands on one line. */
const lines = computed(() => {
  if (!text.value) return []
  if (piece.kind === 'tile' || piece.kind === 'token') return [text.value]
  return breakLines(text.value, master.width - 2 * CARD_PADDING.x + 0.01, master.textSize, { language: language() })
})
const textMiddle = computed(() =>
  piece.kind !== 'picture-card'
    ? sectorMiddle.value.y
    : -master.height / 2
      + CARD_PADDING.y
      + PICTURE_BOX.height
      + (master.height - 2 * CARD_PADDING.y - PICTURE_BOX.height) / 2,
)
const look = computed(() => master.look?.kind ?? null)
/** The outline of what is no rectangle; the rest is drawn as one. */
const outline = computed(() => {
  const [r, out] = [master.width / 2, master.height / 2]
  if (master.look?.kind === 'sector') {
    const end = floating(master.look.share) * 2 * Math.PI
    return `M0 0V${-r}A${r} ${r} 0 ${end > Math.PI ? 1 : 0} 1 ${r * Math.sin(end)} ${-r * Math.cos(end)}Z`
  }
  if (master.look?.kind !== 'hand') return ''
  const size = master.textSize
  return `M${-size / 2} ${size}L${-size / 4} ${-out}H${size / 4}L${size / 2} ${size}Z`
})
/** The words of a part of a circle stand in the middle of that part. */
const sectorMiddle = computed(() => {
  if (master.look?.kind !== 'sector') return { x: 0, y: 0 }
  const middle = floating(master.look.share) * Math.PI
  const far = (master.width / 2) * 0.64
  return { x: far * Math.sin(middle), y: -far * Math.cos(middle) }
})
/** Lines between the units of a tile that is made of some. */
const units = computed(() => {
  if (master.look?.kind !== 'units') return ''
  const { across, down } = master.look
  const [x, y] = [-master.width / 2, -master.height / 2]
  return [
    ...Array.from({ length: across - 1 }, (_, i) => `M${x + ((i + 1) * master.width) / across} ${y}v${master.height}`),
    ...Array.from({ length: down - 1 }, (_, i) => `M${x} ${y + ((i + 1) * master.height) / down}h${master.width}`),
  ].join('')
})
const ROLE_FILL = { piece: undefined, target: '#dfeaf5', instruction: '#fdf3dc' } as const
const fill = computed(() => {
  if (side.value) return side.value.colour ?? '#d8dfdc'
  return (
    master.colour
    ?? (master.role && ROLE_FILL[master.role])
    ?? {
      card: '#ffffff',
      'picture-card': '#ffffff',
      label: '#ffffff',
      tile: '#ffffff',
      cover: '#3c494a',
      token: '#e9ad3f',
      note: '#fdf3dc',
    }[piece.kind]
  )
})
const radius = computed(() =>
  piece.kind === 'token' || look.value === 'round'
    ? Math.min(master.width, master.height) / 2
    : piece.kind === 'tile'
      ? 3
      : piece.kind === 'note'
        ? 1
        : 6,
)
/** A cover lets through a little of what it hides once it lies there, so that one can see what was covered. */
const opacity = computed(() => (piece.kind === 'cover' ? 0.55 : 1))
/** The pointing tip of a label, as long as the core takes it to be. */
const tip = computed(() => {
  if (piece.kind !== 'label') return ''
  const [w, h, out] = [master.width / 2, master.height / 2, TIP_LENGTH]
  return {
    left: `M${-w} -7L${-w - out} 0L${-w} 7z`,
    right: `M${w} -7L${w + out} 0L${w} 7z`,
    up: `M-7 ${-h}L0 ${-h - out}L7 ${-h}z`,
    down: `M-7 ${h}L0 ${h + out}L7 ${h}z`,
  }[piece.tip]
})
const baseline = (i: number) =>
  textMiddle.value + (i - (lines.value.length - 1) / 2) * LINE_HEIGHT * master.textSize + baselineShift(master.textSize)
</script>

<template>
  <g>
    <template v-if="outline">
      <path
        :d="outline"
        :fill="fill"
        :stroke="held ? '#a86a05' : '#526061'"
        :stroke-width="held ? 2.5 : 1.2"
        stroke-linejoin="round"
        :stroke-dasharray="side ? '5 3' : undefined" />
      <circle v-if="look === 'hand'" r="6" fill="#1d2526" />
    </template>
    <template v-else>
      <rect
        v-if="piece.kind !== 'cover'"
        :x="-master.width / 2"
        :y="-master.height / 2 + (held ? 5 : 1.8)"
        :width="master.width"
        :height="master.height"
        :rx="radius"
        fill="#14191a"
        :fill-opacity="held ? 0.18 : 0.28" />
      <rect
        :x="-master.width / 2"
        :y="-master.height / 2"
        :width="master.width"
        :height="master.height"
        :rx="radius"
        :fill="fill"
        :fill-opacity="opacity"
        :stroke="held ? '#a86a05' : '#526061'"
        :stroke-width="held ? 2.5 : 1.2"
        :stroke-dasharray="side ? '5 3' : undefined" />
      <path v-if="units" :d="units" fill="none" stroke="#526061" stroke-width="0.8" />
      <rect
        v-if="master.role === 'target'"
        :x="-master.width / 2 + 4"
        :y="-master.height / 2 + 4"
        :width="master.width - 8"
        :height="master.height - 8"
        rx="3"
        fill="none"
        stroke="#526061"
        stroke-width="1.2" />
      <rect
        v-else-if="master.role === 'instruction'"
        :x="-master.width / 2 + 1"
        :y="-master.height / 2 + 1"
        width="5"
        :height="master.height - 2"
        rx="2"
        fill="#a86a05" />
    </template>
    <path
      v-if="piece.kind === 'note'"
      :d="`M${master.width / 2 - 14} ${master.height / 2}v-14h14`"
      fill="none"
      stroke="#526061"
      stroke-width="1.2" />
    <path v-if="tip" :d="tip" fill="#1d2526" />
    <image
      v-if="piece.kind === 'picture-card'"
      :href="`/api/files/${piece.file}`"
      :x="-PICTURE_BOX.width / 2"
      :y="-master.height / 2 + CARD_PADDING.y"
      :width="PICTURE_BOX.width"
      :height="PICTURE_BOX.height" />
    <text
      v-for="(line, i) in lines"
      :key="i"
      class="board-text"
      :x="sectorMiddle.x"
      :y="baseline(i)"
      :font-size="master.textSize"
      :fill="piece.kind === 'cover' ? '#ffffff' : '#14191a'"
      text-anchor="middle"
      >{{ line }}</text
    >
  </g>
</template>
