<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { arrowHead } from '~~/core/geometry/arrow'
import type { Point, Size } from '~~/core/geometry/shape'
import type { SlateState } from '~~/core/slate/state'

/** An arrow from the edge of one piece to the edge of another, wherever they are. */
const { edition, state, from, to } = defineProps<{ edition: Edition, state: SlateState, from: PieceId, to: PieceId }>()

/** Where the line from a box's middle to a point leaves the box. */
function edge(centre: Point, size: Size, towards: Point): Point {
  const [dx, dy] = [towards.x - centre.x, towards.y - centre.y]
  const share = Math.min(1, Math.min(size.width / 2 / Math.max(Math.abs(dx), 1e-6), size.height / 2 / Math.max(Math.abs(dy), 1e-6)))
  return { x: centre.x + dx * share, y: centre.y + dy * share }
}
const line = computed(() => {
  const [a, b] = [state.pieces[from]!, state.pieces[to]!]
  const [start, end] = [edge(a, edition.pieces.get(from)!.master, b), edge(b, edition.pieces.get(to)!.master, a)]
  const { corners, foot } = arrowHead(start, end, 14, 14)
  return { start, foot, head: corners.map(p => `${p.x},${p.y}`).join(' ') }
})
</script>

<template>
  <g class="pointer-events-none">
    <line :x1="line.start.x" :y1="line.start.y" :x2="line.foot.x" :y2="line.foot.y" stroke="#3c494a" stroke-width="3.5" />
    <polygon :points="line.head" fill="#3c494a" />
  </g>
</template>
