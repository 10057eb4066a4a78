<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { boxOf } from '~~/core/geometry/outline'
import { badgeSpot } from '~~/core/layout/badgeSpot'
import { textWidth } from '~~/core/text/measure'
import type { Member } from '~/composables/slate/useSlate'

/** Whose part of the page is whose: one's own stands in the light, others' are veiled and say who works there. */
const { page, part, members } = defineProps<{ page: Page; part: number | null; members: readonly Member[] }>()
const { t } = useWords()
const SIZE = 14
const HEIGHT = 22
/** CSS pixels of what lies before a part that still show. */
const EDGE = 8
const parts = computed(() =>
  page.places
    .filter(place => place.part !== undefined)
    .map(place => {
      const mine = place.part === part
      const words = wordsFor(place, mine)
      const box = boxOf(place)
      const width = Math.min(box.width, textWidth(words, SIZE, 'bold') + 16)
      const badge = badgeSpot(place, { width, height: HEIGHT }, page, true)
      return { id: place.id, place, box, mine, words, width, badge }
    }),
)
function wordsFor(place: Place, mine: boolean): string {
  const names = members.filter(member => member.part === place.part).map(member => member.name.split(' ')[0]!)
  if (mine) return t('together.yourPart')
  return names.length ? t('together.partOf', { names: names.join(', ') }) : t('together.nobodysPart')
}

const root = useTemplateRef<SVGGElement>('root')
/** To its middle, or to its beginning, where its heading stands, if it is larger than what is seen of the page. */
const intoView = (from: number, length: number, seen: number) =>
  length < seen ? from + (length - seen) / 2 : from - EDGE
/** Where the page is larger than its frame, as on a phone, it is opened at one's own part. */
async function openAtMine() {
  await nextTick()
  const mine = root.value?.querySelector('[data-part=mine]')
  const frame = mine?.closest('[data-frame]')
  if (!mine || !frame) return
  const [there, around] = [mine.getBoundingClientRect(), frame.getBoundingClientRect()]
  frame.scrollBy(
    intoView(there.left - around.left, there.width, around.width),
    intoView(there.top - around.top, there.height, around.height),
  )
}
onMounted(() => requestAnimationFrame(openAtMine))
watch(() => page.id, openAtMine)
</script>

<template>
  <g ref="root" class="pointer-events-none" data-test="parts">
    <g v-for="{ id, place, box, mine, words, width, badge } in parts" :key="id" :data-part="mine ? 'mine' : 'other'">
      <template v-if="place.shape.kind === 'polygon'"
        ><polygon
          :points="place.shape.points.map(p => `${p.x},${p.y}`).join(' ')"
          :fill="mine ? 'none' : '#3c494a'"
          fill-opacity="0.14"
          :stroke="mine ? '#1c5a3c' : 'none'"
          stroke-width="4"
      /></template>
      <ellipse
        v-else-if="place.shape.kind === 'ellipse'"
        :cx="box.x + box.width / 2"
        :cy="box.y + box.height / 2"
        :rx="box.width / 2"
        :ry="box.height / 2"
        :fill="mine ? 'none' : '#3c494a'"
        fill-opacity="0.14"
        :stroke="mine ? '#1c5a3c' : 'none'"
        stroke-width="4" />
      <rect
        v-else
        :x="box.x"
        :y="box.y"
        :width="box.width"
        :height="box.height"
        rx="6"
        :fill="mine ? 'none' : '#3c494a'"
        fill-opacity="0.14"
        :stroke="mine ? '#1c5a3c' : 'none'"
        stroke-width="4" />
      <SlateBadge
        :at="badge"
        :size="{ width, height: HEIGHT }"
        :letters="SIZE"
        :words="words"
        :round="4"
        :fill="mine ? '#1c5a3c' : '#3c494a'" />
    </g>
  </g>
</template>
