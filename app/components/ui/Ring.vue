<script setup lang="ts">
/** How much is done, as a rim that fills; always beside words that say the same. */
const { share, tone = 'leaf' } = defineProps<{ share: number; tone?: 'leaf' | 'sunfleck' }>()
const round = 2 * Math.PI * 9
</script>

<template>
  <svg viewBox="0 0 24 24" class="h-6 w-6 shrink-0 -rotate-90" aria-hidden="true">
    <circle
      cx="12"
      cy="12"
      r="9"
      fill="none"
      :class="tone === 'leaf' ? 'stroke-stone-300' : 'stroke-stone-600'"
      stroke-width="4.5" />
    <circle
      cx="12"
      cy="12"
      r="9"
      fill="none"
      :class="tone === 'leaf' ? 'stroke-leaf-600' : 'stroke-sunfleck-400'"
      stroke-width="4.5"
      :stroke-dasharray="`${share * round} ${round}`" />
  </svg>
</template>
