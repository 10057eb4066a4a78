<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { ItemMark } from '~~/core/keys/outcome'
import { kindSign } from '~~/core/drawing/verdict'
import { itemBox } from '~~/core/layout/itemBox'

/** What the key says of places, cells, gaps and figures, at the right upper corner of each. */
const {
  page,
  marks,
  kind = false,
} = defineProps<{ page: Page; marks: readonly Pick<ItemMark, 'item' | 'is' | 'verdict'>[]; kind?: boolean }>()
const shown = computed(() =>
  marks.flatMap(mark => {
    const box = mark.is === 'place' || mark.is === 'figure' ? itemBox(mark.item, page) : null
    return box ? [{ sign: kind ? kindSign(mark.verdict) : mark.verdict, x: box.x + box.width - 6, y: box.y + 6 }] : []
  }),
)
</script>

<template>
  <g><ReviewVerdictMark v-for="(mark, i) in shown" :key="i" :x="mark.x" :y="mark.y" :verdict="mark.sign" /></g>
</template>
