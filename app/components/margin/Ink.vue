<script setup lang="ts">
import type { MarginInk } from '~~/core/margin/item'
import { inkPath } from '~/composables/board/inkPath'

/** A stroke of the teacher's pen, in the colour that belongs to the margin alone. */
const { points } = defineProps<{ points: MarginInk['points'] }>()
const path = computed(() => inkPath(points, 5))
</script>

<template>
  <path :d="path" class="fill-bilberry-700" />
</template>
