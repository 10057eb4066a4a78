<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { PIECE_TRAITS } from '~~/core/board/pieceTraits'
import { lyingPieces } from '~~/core/drawing/layers'
import type { Author } from '~~/core/slate/actor'
import { lastHand, thingName } from '~~/core/slate/hands'
import { boxOfOwn, ownOn } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import { textWidth } from '~~/core/text/measure'

/** On a slate of several: who made each thing and wrote on each note, at its upper edge. */
const { page, edition, state } = defineProps<{ page: Page; edition: Edition; state: SlateState }>()
const nameOf = useAuthorNames()
const [SIZE, HEIGHT, AROUND] = [12, 18, 12]
interface Made {
  readonly id: string
  readonly by: Author
  readonly x: number
  readonly y: number
}
const made = computed((): Made[] => [
  ...ownOn(state.own, page.id).flatMap(([id, own]) => {
    const box = boxOfOwn(own)
    return box ? [{ id, by: own.by, x: box.x + box.width / 2, y: box.y }] : []
  }),
  ...lyingPieces(state, page, edition).flatMap(({ piece, master, at }) => {
    const written = PIECE_TRAITS[piece.kind].written && state.texts[piece.id]
    const by = written ? lastHand(state, thingName('text', piece.id)) : null
    return by ? [{ id: piece.id, by, x: at.x, y: at.y - master.height / 2 }] : []
  }),
])
const badges = computed(() =>
  made.value.flatMap(({ id, by, x, y }) => {
    const name = nameOf(by)
    if (!name) return []
    const size = { width: textWidth(name, SIZE, 'bold') + AROUND, height: HEIGHT }
    return [{ id, name, size, at: { x: x - size.width / 2, y: Math.max(0, y - HEIGHT) } }]
  }),
)
</script>

<template>
  <g class="pointer-events-none" aria-hidden="true" data-test="authors">
    <SlateBadge
      v-for="{ id, name, at, size } in badges"
      :key="id"
      :at="at"
      :size="size"
      :letters="SIZE"
      :words="name"
      :round="9" />
  </g>
</template>
