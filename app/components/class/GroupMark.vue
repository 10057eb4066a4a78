<script setup lang="ts">
import { colourOf, leafOf, leafPath, roundOf } from '~~/core/groups/marks'

/** A group's leaf, on a disc of chalk so that it stands out in any light. The group's name is always beside it. */
const { mark, small = false } = defineProps<{ mark: string; small?: boolean }>()
const round = computed(() => roundOf(mark))
</script>

<template>
  <svg viewBox="-3 -3 38 38" class="shrink-0" :class="small ? 'h-6 w-6' : 'h-9 w-9'" aria-hidden="true">
    <circle cx="16" cy="16" r="18.5" class="fill-chalk stroke-stone-400" stroke-width="1" />
    <path :d="leafPath(leafOf(mark))" :fill="colourOf(mark)" stroke="#1d2526" stroke-width="0.7" />
    <text
      v-if="round"
      x="27"
      y="31"
      font-size="13"
      font-weight="700"
      class="fill-stone-950 stroke-chalk"
      stroke-width="3"
      paint-order="stroke"
      text-anchor="middle">
      {{ round }}
    </text>
  </svg>
</template>
