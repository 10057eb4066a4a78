<script setup lang="ts">
import type { Moving } from '~/composables/board/useGestures'
import { WHOLE, type Cut } from '~/composables/board/smallPicture'

/** A picture turned by quarters and cut by its four edges: pushed with a pointer, or with the arrow keys. */
const { bitmap } = defineProps<{ bitmap: ImageBitmap; busy: boolean }>()
const emit = defineEmits<{ put: [how: { quarters: number; cut: Cut }]; again: [] }>()
const { t } = useWords()
const EDGES = ['left', 'top', 'right', 'bottom'] as const
type Edge = (typeof EDGES)[number]
const STEP = 0.02
/** So much of each side stays at least. */
const LEAST = 0.1
const quarters = ref(0)
const cut = ref<Cut>(WHOLE)
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const sheet = useTemplateRef<HTMLElement>('sheet')
const size = computed(() =>
  quarters.value % 2 ? { width: bitmap.height, height: bitmap.width } : { width: bitmap.width, height: bitmap.height },
)

function draw() {
  const context = canvas.value?.getContext('2d')
  if (!context) return
  context.setTransform(1, 0, 0, 1, size.value.width / 2, size.value.height / 2)
  context.rotate((quarters.value * Math.PI) / 2)
  context.drawImage(bitmap, -bitmap.width / 2, -bitmap.height / 2)
}
onMounted(draw)
async function turn() {
  quarters.value = (quarters.value + 1) % 4
  // What was cut off turns along.
  const { left, top, right, bottom } = cut.value
  cut.value = { left: 1 - bottom, top: left, right: 1 - top, bottom: right }
  await nextTick()
  draw()
}
const within = (least: number, value: number, most: number) => Math.min(most, Math.max(least, value))
function set(edge: Edge, to: number) {
  const { left, top, right, bottom } = cut.value
  const [least, most] = {
    left: [0, right - LEAST],
    top: [0, bottom - LEAST],
    right: [left + LEAST, 1],
    bottom: [top + LEAST, 1],
  }[edge] as [number, number]
  cut.value = { ...cut.value, [edge]: within(least, to, most) }
}
/** How it was cut before the hand went down. */
let before = cut.value
function pull({ element, at }: Moving) {
  const edge = (element as HTMLElement).dataset['item'] as Edge
  const box = sheet.value!.getBoundingClientRect()
  set(edge, edge === 'left' || edge === 'right' ? (at.x - box.left) / box.width : (at.y - box.top) / box.height)
}
provideGestures(sheet).take('edge', {
  as: 'thing',
  starts: 0,
  begin: () => (before = cut.value),
  go: pull,
  end: pull,
  letBe: () => (cut.value = before),
})
function key(event: KeyboardEvent, edge: Edge) {
  const arrow = ARROW_KEYS[event.key]
  if (!arrow) return
  event.preventDefault()
  set(edge, cut.value[edge] + (edge === 'left' || edge === 'right' ? arrow.x : arrow.y) * STEP)
}
const percent = (share: number) => `${100 * share}%`
const styleOf = (edge: Edge) =>
  edge === 'left' || edge === 'right'
    ? { left: percent(cut.value[edge]), top: percent((cut.value.top + cut.value.bottom) / 2) }
    : { top: percent(cut.value[edge]), left: percent((cut.value.left + cut.value.right) / 2) }
</script>

<template>
  <div class="flex flex-col gap-3">
    <div class="flex justify-center rounded-lg bg-stone-200 p-6">
      <div ref="sheet" class="relative touch-none select-none">
        <canvas ref="canvas" :width="size.width" :height="size.height" class="block max-h-[44vh] max-w-full" />
        <div class="pointer-events-none absolute inset-0 overflow-hidden">
          <div
            class="absolute border-3 border-sunfleck-400 shadow-[0_0_0_200vmax_rgb(20_25_26/0.55)]"
            :style="{
              left: percent(cut.left),
              top: percent(cut.top),
              width: percent(cut.right - cut.left),
              height: percent(cut.bottom - cut.top),
            }" />
        </div>
        <div
          v-for="edge in EDGES"
          :key="edge"
          role="slider"
          tabindex="0"
          data-hand="edge"
          :data-item="edge"
          class="absolute h-8 w-8 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none rounded-full border-2 border-stone-950 bg-sunfleck-400"
          :style="styleOf(edge)"
          :aria-label="t(`picture.edge.${edge}`)"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-valuenow="Math.round(100 * cut[edge])"
          :aria-orientation="edge === 'left' || edge === 'right' ? 'horizontal' : 'vertical'"
          @keydown="key($event, edge)" />
      </div>
    </div>
    <p class="note-line">{{ t('picture.howCut') }}</p>
    <slot />
    <div class="flex flex-wrap gap-2">
      <button type="button" class="button" @click="turn">
        <Icon name="lucide:rotate-cw" />{{ t('picture.turn') }}
      </button>
      <button type="button" class="button" @click="emit('again')">{{ t('picture.again') }}</button>
      <button
        type="button"
        class="button button-action ml-auto"
        :disabled="busy"
        @click="emit('put', { quarters, cut })">
        <Icon name="lucide:check" />{{ t('picture.put') }}
      </button>
    </div>
  </div>
</template>
