<script setup lang="ts">
import type { Page } from '~~/core/board/board'

/** What is printed on the page. Nothing in it takes a pointer: it can't be caught by anybody. */
const { page } = defineProps<{ page: Page }>()
const pattern = useId()
const ruling = computed(() => page.backdrop.ruling)
</script>

<template>
  <g class="pointer-events-none">
    <defs>
      <pattern :id="pattern" :width="ruling.spacing" :height="ruling.spacing" patternUnits="userSpaceOnUse">
        <path v-if="ruling.kind === 'squares'" :d="`M${ruling.spacing} 0H0V${ruling.spacing}`" fill="none" stroke="#b9c4c2" stroke-width="1" />
        <path v-else-if="ruling.kind === 'lines'" :d="`M0 ${ruling.spacing - 0.5}H${ruling.spacing}`" fill="none" stroke="#b9c4c2" stroke-width="1" />
        <circle v-else-if="ruling.kind === 'dots'" :cx="ruling.spacing / 2" :cy="ruling.spacing / 2" r="1.2" fill="#93a1a0" />
      </pattern>
    </defs>
    <rect :width="page.width" :height="page.height" :fill="page.backdrop.colour" />
    <rect v-if="ruling.kind !== 'none'" :width="page.width" :height="page.height" :fill="`url(#${pattern})`" />
    <image
      v-for="picture in page.backdrop.pictures" :key="picture.id" :href="`/api/files/${picture.file}`"
      :x="picture.x" :y="picture.y" :width="picture.width" :height="picture.height" preserveAspectRatio="none"
      :role="picture.alt ? 'img' : 'presentation'" :aria-label="picture.alt || undefined"
    />
    <BoardFigureShape v-for="figure in page.backdrop.figures" :key="figure.id" :figure="figure" />
  </g>
</template>
