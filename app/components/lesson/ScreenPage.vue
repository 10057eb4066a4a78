<script setup lang="ts">
import { classPicture } from '~~/core/findings/classPicture'
import type { Stands, Votes } from '~~/core/findings/counts'
import type { Show } from '~~/core/lesson/show'
import { inkPath } from '~~/core/drawing/ink'
import type { Pointed } from '~~/core/sync/pointing'
import type { Point } from '~~/core/geometry/shape'
import { MOST_PEN_POINTS } from '~~/core/lesson/show'
import type { ScreenSlate } from '~/composables/lesson/useScreen'
import { provideSeenPictures } from '~/composables/board/pictures'

/** One page on the class screen, as large as there is room, with the teacher's pen and pointer over it. */
const {
  slate,
  page,
  pen,
  pointed,
  tool = null,
  counts = null,
} = defineProps<{
  slate: ScreenSlate
  page: number
  pen: Show['pen']
  /** Where the teacher points here. */
  pointed: Pointed | null
  /** At the desk: what the hand does on it. */
  tool?: 'point' | 'pen' | null
  /** What the class makes of it together. */
  counts?: readonly (Votes | Stands)[] | null
}>()
const emit = defineEmits<{ point: [at: { x: number; y: number } | null]; stroke: [points: [number, number][]] }>()
const { t } = useWords()
const PEN_SIZE = 5
const POINTER_SIZE = 14
const shown = computed(() => slate.edition.board.pages[page] ?? slate.edition.board.pages[0]!)
provideBoardLanguage(() => slate.edition.board.language)
provideSeenPictures(
  () => slate.id,
  () => Object.values(slate.replica.shown.own).filter(own => own.kind === 'picture' && !own.gone).length,
)
const picture = computed(() => counts && classPicture(counts, shown.value, slate.edition))
const frame = useTemplateRef<HTMLElement>('frame')
function place({ x, y }: Point): [number, number] {
  const { left, top, width, height } = frame.value!.getBoundingClientRect()
  const round = (value: number, most: number) => Math.round(Math.min(most, Math.max(0, value)) * 10) / 10
  return [
    round(((x - left) / width) * shown.value.width, shown.value.width),
    round(((y - top) / height) * shown.value.height, shown.value.height),
  ]
}
function point({ clientX, clientY }: PointerEvent) {
  const [x, y] = place({ x: clientX, y: clientY })
  emit('point', { x, y })
}
const { points: drawing, taker } = strokeTaker({
  pointAt: ({ at }) => place(at),
  most: MOST_PEN_POINTS,
  done: stroke => emit('stroke', stroke),
})
provideGestures(frame).take('class pen', taker)
</script>

<template>
  <figure class="flex min-h-0 min-w-0 flex-col items-center gap-2">
    <div class="max-w-full rounded-lg border border-ash-500 bg-ash-200 p-2 shadow-sm">
      <div
        ref="frame"
        class="max-w-full overflow-hidden rounded"
        :class="tool ? 'cursor-crosshair touch-none select-none' : ''"
        :style="{ aspectRatio: `${shown.width} / ${shown.height}`, height: 'var(--screen-height)' }"
        role="img"
        :aria-label="slate.name ?? t('screen.page')"
        :data-hand="tool === 'pen' ? 'class pen' : undefined"
        @pointerdown="tool === 'point' && point($event)"
        @pointermove="tool === 'point' && point($event)"
        @pointerleave="tool === 'point' && emit('point', null)">
        <BoardPage :edition="slate.edition" :page="shown" :state="slate.replica.shown" aria-hidden="true">
          <template #over>
            <LessonClassLayer v-if="picture" :picture="picture" />
            <path
              v-for="(points, i) in drawing.length ? [...pen, drawing] : pen"
              :key="i"
              :d="inkPath(points, PEN_SIZE)"
              class="pointer-events-none fill-bilberry-700" />
            <g v-if="pointed" class="pointer-events-none" data-test="pointer">
              <circle :cx="pointed.x" :cy="pointed.y" :r="POINTER_SIZE" class="fill-sunfleck-400/60" />
              <circle
                :cx="pointed.x"
                :cy="pointed.y"
                :r="POINTER_SIZE"
                class="fill-none stroke-stone-950"
                stroke-width="2.5" />
            </g>
          </template>
        </BoardPage>
      </div>
    </div>
    <figcaption v-if="slate.name" class="text-2xl font-bold">
      <bdi>{{ slate.name }}</bdi>
    </figcaption>
  </figure>
</template>
