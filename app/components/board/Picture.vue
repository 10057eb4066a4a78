<script setup lang="ts">
import type { BackdropPicture } from '~~/core/board/backdrop'

/** A printed picture; of one that is cropped only the part that is left, in the same box. */
const { picture } = defineProps<{ picture: BackdropPicture }>()
const part = computed(() => {
  const { crop, pixelWidth: width, pixelHeight: height } = picture
  return crop ? `${crop.left * width} ${crop.top * height} ${(1 - crop.left - crop.right) * width} ${(1 - crop.top - crop.bottom) * height}` : `0 0 ${width} ${height}`
})
</script>

<template>
  <g><svg :x="picture.x" :y="picture.y" :width="picture.width" :height="picture.height" :viewBox="part" preserveAspectRatio="none" :role="picture.alt ? 'img' : 'presentation'" :aria-label="picture.alt || undefined">
    <image :href="`/api/files/${picture.file}`" :width="picture.pixelWidth" :height="picture.pixelHeight" preserveAspectRatio="none" />
  </svg></g>
</template>
