<script setup lang="ts">
import type { BackdropPicture } from '~~/core/board/backdrop'
import { pixelsLying } from '~~/core/board/pixels'

/** A printed picture, turned as it is; of one that is cropped only the part that is left, in the same box. */
const { picture } = defineProps<{ picture: BackdropPicture }>()
const lying = computed(() => pixelsLying(picture))
const part = computed(() => {
  const { width, height } = lying.value
  const { left, top, right, bottom } = picture.crop ?? { left: 0, top: 0, right: 0, bottom: 0 }
  return `${left * width} ${top * height} ${(1 - left - right) * width} ${(1 - top - bottom) * height}`
})
/** From the stored picture to how it lies, both with their upper left corner at the origin. */
const turned = computed(() => {
  const { width, height } = lying.value
  switch (picture.quarters) {
    case 1:
      return `translate(${width} 0) rotate(90)`
    case 2:
      return `translate(${width} ${height}) rotate(180)`
    case 3:
      return `translate(0 ${height}) rotate(270)`
    default:
      return undefined
  }
})
</script>

<template>
  <g
    ><svg
      :x="picture.x"
      :y="picture.y"
      :width="picture.width"
      :height="picture.height"
      :viewBox="part"
      preserveAspectRatio="none"
      :role="picture.alt ? 'img' : 'presentation'"
      :aria-label="picture.alt || undefined">
      <image
        :href="`/api/files/${picture.file}`"
        :width="picture.pixelWidth"
        :height="picture.pixelHeight"
        preserveAspectRatio="none"
        :transform="turned" /></svg
  ></g>
</template>
