<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { arrowHead } from '~~/core/geometry/arrow'
import { rimTowards } from '~~/core/geometry/outline'
import { turnedSize } from '~~/core/bodies/straight'
import type { SlateState } from '~~/core/slate/state'

/** An arrow from the edge of one piece to the edge of another, wherever they are. */
const { edition, state, from, to } = defineProps<{ edition: Edition; state: SlateState; from: PieceId; to: PieceId }>()

const sizeOf = (piece: PieceId) => turnedSize(edition.pieces.get(piece)!.master, state.pieces[piece]?.turn)
const line = computed(() => {
  const [a, b] = [state.pieces[from]!, state.pieces[to]!]
  const [start, end] = [rimTowards(a, sizeOf(from), b), rimTowards(b, sizeOf(to), a)]
  const { corners, foot } = arrowHead(start, end, 14, 14)
  return { start, foot, head: corners.map(p => `${p.x},${p.y}`).join(' ') }
})
</script>

<template>
  <g class="pointer-events-none">
    <line
      :x1="line.start.x"
      :y1="line.start.y"
      :x2="line.foot.x"
      :y2="line.foot.y"
      stroke="#3c494a"
      stroke-width="3.5" />
    <polygon :points="line.head" fill="#3c494a" />
  </g>
</template>
