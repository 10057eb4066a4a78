<script setup lang="ts">
/** The number of what a teacher left at a piece, as it stands beside the page; hollow once it asks nothing more. */
const { number, done = false } = defineProps<{ number: number; done?: boolean }>()
</script>

<template>
  <span
    class="flex h-7 w-7 shrink-0 items-center justify-center rounded-md border-2 border-bilberry-700 text-sm font-bold"
    :class="done ? 'bg-white text-bilberry-700' : 'bg-bilberry-700 text-white'"
    >{{ number }}</span
  >
</template>
