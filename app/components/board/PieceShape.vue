<script setup lang="ts">
import type { Master, Piece } from '~~/core/board/piece'
import { CARD_PADDING, PICTURE_BOX } from '~~/core/layout/cardSize'
import { breakLines } from '~~/core/text/lines'
import { TIP_LENGTH } from '~~/core/placement/claim'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

/** A piece around the origin: text and box are one thing. `written` is what a student wrote on a note. */
const { piece, master, held = false, flipped = false, written = '' } = defineProps<{ piece: Piece, master: Master, held?: boolean, flipped?: boolean | undefined, written?: string | undefined }>()
const side = computed(() => flipped && piece.kind === 'tile' && piece.other ? piece.other : null)
const text = computed(() => side.value?.text ?? (piece.kind === 'note' && written ? written : piece.text))
/** A tile is as wide as its value says, and a token as it is, so their text stands on one line. */
const lines = computed(() => {
  if (!text.value) return []
  if (piece.kind === 'tile' || piece.kind === 'token') return [text.value]
  return breakLines(text.value, master.width - 2 * CARD_PADDING.x + 0.01, master.textSize)
})
const textMiddle = computed(() => piece.kind !== 'picture-card'
  ? 0
  : -master.height / 2 + CARD_PADDING.y + PICTURE_BOX.height + (master.height - 2 * CARD_PADDING.y - PICTURE_BOX.height) / 2)
const fill = computed(() => {
  if (side.value) return side.value.colour ?? '#d8dfdc'
  return master.colour ?? { 'card': '#ffffff', 'picture-card': '#ffffff', 'label': '#ffffff', 'tile': '#ffffff', 'cover': '#3c494a', 'token': '#e9ad3f', 'note': '#fdf3dc' }[piece.kind]
})
const radius = computed(() => piece.kind === 'token' ? Math.min(master.width, master.height) / 2 : piece.kind === 'tile' ? 3 : piece.kind === 'note' ? 1 : 6)
/** A cover lets through a little of what it hides once it lies there, so that one can see what was covered. */
const opacity = computed(() => piece.kind === 'cover' ? 0.55 : 1)
/** The pointing tip of a label, as long as the core takes it to be. */
const tip = computed(() => {
  if (piece.kind !== 'label') return ''
  const [w, h, out] = [master.width / 2, master.height / 2, TIP_LENGTH]
  switch (piece.tip) {
    case 'left': return `M${-w} -7L${-w - out} 0L${-w} 7z`
    case 'right': return `M${w} -7L${w + out} 0L${w} 7z`
    case 'up': return `M-7 ${-h}L0 ${-h - out}L7 ${-h}z`
    default: return `M-7 ${h}L0 ${h + out}L7 ${h}z`
  }
})
const baseline = (i: number) =>
  textMiddle.value + (i - (lines.value.length - 1) / 2) * LINE_HEIGHT * master.textSize + baselineShift(master.textSize)
</script>

<template>
  <g>
    <rect v-if="piece.kind !== 'cover'" :x="-master.width / 2" :y="-master.height / 2 + (held ? 5 : 1.8)" :width="master.width" :height="master.height" :rx="radius" fill="#14191a" :opacity="held ? 0.18 : 0.28" />
    <rect
      :x="-master.width / 2" :y="-master.height / 2" :width="master.width" :height="master.height" :rx="radius"
      :fill="fill" :fill-opacity="opacity" :stroke="held ? '#a86a05' : '#526061'" :stroke-width="held ? 2.5 : 1.2" :stroke-dasharray="side ? '5 3' : undefined"
    />
    <path v-if="piece.kind === 'note'" :d="`M${master.width / 2 - 14} ${master.height / 2}v-14h14`" fill="none" stroke="#526061" stroke-width="1.2" />
    <path v-if="tip" :d="tip" fill="#1d2526" />
    <image
      v-if="piece.kind === 'picture-card'" :href="`/api/files/${piece.file}`"
      :x="-PICTURE_BOX.width / 2" :y="-master.height / 2 + CARD_PADDING.y" :width="PICTURE_BOX.width" :height="PICTURE_BOX.height"
    />
    <text
      v-for="(line, i) in lines" :key="i" class="board-text" x="0" :y="baseline(i)" :font-size="master.textSize" :fill="piece.kind === 'cover' ? '#ffffff' : '#14191a'" text-anchor="middle"
    >{{ line }}</text>
  </g>
</template>
