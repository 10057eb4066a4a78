<script setup lang="ts">
import type { Master } from '~~/core/board/piece'
import type { Verdict } from '~~/core/keys/mark'
import { SHAPES } from '~/composables/verdicts'

/** What the key says of a piece, at its foot: told by shape first, by colour as well. */
const { master, verdict } = defineProps<{ master: Master, verdict: Verdict }>()
</script>

<template>
  <g :transform="`translate(${-master.width / 2 + 2} ${master.height / 2 - 2})`" class="pointer-events-none">
    <circle r="11" :fill="SHAPES[verdict].fill" stroke="#fff" stroke-width="2" />
    <path :d="SHAPES[verdict].path" fill="none" :stroke="SHAPES[verdict].ink" stroke-width="3" stroke-linecap="round" stroke-linejoin="round" />
  </g>
</template>
