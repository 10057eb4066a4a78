<script setup lang="ts">
import type { Stroke } from '~~/core/slate/state'
import { inkPath } from '~/composables/board/inkPath'

/** A stroke of the student's pen: dark as a pencil, never in the margin's colour. */
const { points } = defineProps<{ points: Stroke['points'] }>()
const path = computed(() => inkPath(points, 4))
</script>

<template>
  <path :d="path" class="pointer-events-none" fill="#1d2526" />
</template>
