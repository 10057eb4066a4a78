<script setup lang="ts">
import type { OwnPicture } from '~/composables/board/pictures'

/**
 * A picture on a slate; while it is on its way, or the teacher sees it first, a frame of its size with a sign, faint,
 * so that what lies below it shows.
 */
const { own, address, waits } = defineProps<{ own: OwnPicture; address: string | null; waits: boolean }>()
const box = computed(() => ({
  x: own.x - own.width / 2,
  y: own.y - own.height / 2,
  width: own.width,
  height: own.height,
}))
/** An address that gave nothing. */
const missing = ref('')
const there = computed(() => (address && missing.value !== address ? address : null))
</script>

<template>
  <g>
    <rect
      v-if="!there"
      v-bind="box"
      rx="4"
      fill="#f2f1ec"
      fill-opacity="0.3"
      stroke="#526061"
      stroke-width="1.5"
      stroke-dasharray="6 4" />
    <image
      v-else
      :key="there"
      :href="there"
      v-bind="box"
      preserveAspectRatio="xMidYMid meet"
      @error="missing = there!" />
    <g v-if="waits || !there" :transform="`translate(${box.x + 6} ${box.y + 6})`">
      <rect width="24" height="24" rx="6" class="fill-stone-950" /><path
        d="M6 4h12v4l-4 4 4 4v4H6v-4l4-4-4-4z"
        fill="none"
        stroke="#fff"
        stroke-width="1.8"
        stroke-linejoin="round" />
    </g>
  </g>
</template>
