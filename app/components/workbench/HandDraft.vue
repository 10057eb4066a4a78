<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Point } from '~~/core/geometry/shape'
import type { Draft } from '~/composables/workbench/handSheet'

const MM = 25.4 / 72

/**
 * A thing as it would be if the hand let go now, with its size; it lies on the hands' sheet and is alone in being drawn
 * anew.
 */
const { draft, handle, pixel, page } = defineProps<{
  draft: Ref<Draft | null>
  handle: number
  pixel: number
  page: Page
}>()
const { t } = useWords()
const shown = computed(() => draft.value)
const corners = computed((): Point[] => {
  if (!shown.value || shown.value.ends.length) return []
  const { x, y, width, height } = shown.value.box
  return [
    { x, y },
    { x: x + width, y },
    { x, y: y + height },
    { x: x + width, y: y + height },
  ]
})
const size = computed(() => {
  const millimetres = (points: number) => Math.round(points * MM * 10) / 10
  return shown.value
    ? t('arrange.size', { width: millimetres(shown.value.box.width), height: millimetres(shown.value.box.height) })
    : ''
})
const label = computed(() => {
  const { x, y, width, height } = shown.value!.box
  return { x: x + width / 2, y: Math.min(y + height + 18 * pixel, page.height - 14 * pixel) }
})
</script>

<template>
  <svg
    v-if="shown"
    :viewBox="`0 0 ${page.width} ${page.height}`"
    class="absolute inset-0 h-full w-full will-change-transform">
    <!-- Shows nothing: with it the drawing is as large as the page in every frame, and the browser need not find out
         anew what lies over what. -->
    <path :d="`M0 0h0M${page.width} ${page.height}h0`" stroke="#1c5a3c" />
    <BoardPicture v-for="picture in shown.page.backdrop.pictures" :key="picture.id" :picture="picture" />
    <BoardFigureShape v-for="figure in shown.page.backdrop.figures" :key="figure.id" :figure="figure" />
    <LazyBoardClipCard
      v-for="thing in [...(shown.page.backdrop.clips ?? []), ...(shown.page.backdrop.links ?? [])]"
      :key="thing.id"
      :thing="thing" />
    <BoardFixedLine v-for="line in shown.page.backdrop.lines" :key="line.id" :line="line" />
    <BoardStepMarks :page="shown.page" :only="shown.id" />
    <BoardPlaceShape v-for="place in shown.page.places" :key="place.id" :place="place" />
    <rect v-if="corners.length" v-bind="shown.box" rx="4" fill="none" stroke="#1c5a3c" :stroke-width="3 * pixel" />
    <rect
      v-for="(at, i) in corners"
      :key="i"
      :x="at.x - handle / 2"
      :y="at.y - handle / 2"
      :width="handle"
      :height="handle"
      :rx="handle / 4"
      fill="#ffffff"
      stroke="#1c5a3c"
      :stroke-width="2.5 * pixel" />
    <circle
      v-for="(at, i) in shown.ends"
      :key="i"
      :cx="at.x"
      :cy="at.y"
      :r="handle / 2"
      fill="#e9ad3f"
      stroke="#1c5a3c"
      :stroke-width="2 * pixel" />
    <g data-size>
      <rect
        :x="label.x - 60 * pixel"
        :y="label.y - 12 * pixel"
        :width="120 * pixel"
        :height="24 * pixel"
        :rx="6 * pixel"
        fill="#1d2526" />
      <text
        :x="label.x"
        :y="label.y + 5 * pixel"
        :font-size="14 * pixel"
        font-weight="600"
        text-anchor="middle"
        fill="#ffffff">
        {{ size }}
      </text>
    </g>
  </svg>
</template>
