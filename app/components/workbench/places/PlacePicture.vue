<script setup lang="ts">
import * as v from 'valibot'
import { emptyPage } from '~~/core/board/board'
import { PageIdSchema, PlaceIdSchema } from '~~/core/board/ids'
import { newPlaces, TASK_OF, type PlaceForm, type PlaceTask } from '~~/core/design/newPlaces'
import { boxOf } from '~~/core/geometry/outline'
import { around } from '~~/core/layout/arrange'

/** A place as it will be drawn, with what a student does there. */
const { form } = defineProps<{ form: PlaceForm }>()
const PAGE = { ...emptyPage(v.parse(PageIdSchema, 'shown')), width: 480, height: 320 }
const MARGIN = 14
const RATIO = 1.5
const places = computed(() => {
  let n = 0
  return newPlaces(form, PAGE, () => v.parse(PlaceIdSchema, `shown${n++}`))
})
/** All of the places, in a box of one shape for every form. */
const view = computed(() => {
  const box = around(places.value.map(boxOf))
  const width = Math.max(box.width + 2 * MARGIN, (box.height + 2 * MARGIN) * RATIO, 120)
  const height = width / RATIO
  return { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height }
})
/** Drawn around the origin, a tenth of the picture high. */
const DOING: Readonly<Record<PlaceTask, string>> = {
  group: 'M-2 -1.2H2V1.2H-2Z',
  order: 'M-1.6 -1H1.6V1H-1.6Z',
  scale: 'M0 0V-2M-1.6 -4H1.6V-2H-1.6Z',
  point: 'M0 0L2 -1.6M2 -2.6H5.4V-0.6H2Z',
  balance: 'M-1.4 -1.4H1.4V1.4H-1.4Z',
  write: 'M-3 0.4C-2 -2 -1.4 -2 -1.6 0S-0.4 -1.6 0 -1.2S0 0.8 0.8 0S2 -1.4 3 0.2',
  draw: 'M-3 1.6C-2 -3 1 -3 0 0S3 1 3 -1.6',
}
const FILLED: ReadonlySet<PlaceTask> = new Set(['group', 'order', 'scale', 'point', 'balance'])
const task = computed(() => TASK_OF[form])
const spot = computed(() => {
  const { x, y, width, height } = boxOf(places.value[0]!)
  return `translate(${x + width / 2} ${y + height / 2}) scale(${view.value.height / 10})`
})
</script>

<template>
  <svg
    :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`"
    class="h-12 w-18 shrink-0 rounded border border-panel-line bg-chalk [&_*]:[vector-effect:non-scaling-stroke]"
    aria-hidden="true">
    <BoardPlaceShape v-for="place in places" :key="place.id" :place="place" />
    <path
      :d="DOING[task]"
      :transform="spot"
      :fill="FILLED.has(task) ? '#f8e2b2' : 'none'"
      :stroke="FILLED.has(task) ? '#7a4b00' : '#1c3f6b'"
      stroke-width="1.6"
      stroke-linecap="round"
      stroke-linejoin="round" />
  </svg>
</template>
