<script setup lang="ts">
import { captionAt } from '~~/core/board/captionAt'
import type { Clip } from '~~/core/board/clip'
import type { Page } from '~~/core/board/board'
import { playerBox } from '~~/core/layout/clipCard'

/** A clip that is played, where it stands: the device's own controls, with the words beside it. Escape puts it away. */
const { clip, page, scale } = defineProps<{ clip: Clip; page: Page; scale: number }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const media = useTemplateRef<HTMLMediaElement>('media')
const film = computed(() => clip.kind === 'film')
const root = useTemplateRef<HTMLElement>('root')
/** What is in sight of the page where it is pushed about in its frame. */
const room = ref({ x: 0, y: 0, width: page.width * scale, height: page.height * scale })
function look() {
  const frame = root.value?.closest<HTMLElement>('[data-frame]')
  if (!frame) return
  const { paddingLeft, paddingTop } = getComputedStyle(frame)
  const [left, top] = [parseFloat(paddingLeft), parseFloat(paddingTop)]
  const width = Math.min(frame.clientWidth - 2 * left, page.width * scale)
  const height = Math.min(frame.clientHeight - 2 * top, page.height * scale)
  room.value = {
    x: Math.min(frame.scrollLeft, page.width * scale - width),
    y: Math.min(frame.scrollTop, page.height * scale - height),
    width,
    height,
  }
}
watch(() => scale, look, { flush: 'post' })
/** CSS pixels below which nobody can use the controls. */
const LEAST = { film: { width: 300, height: 200 }, sound: { width: 300, height: 54 } } as const
const box = computed(() =>
  playerBox(
    {
      x: clip.x * scale,
      y: clip.y * scale,
      width: clip.width * scale,
      height: film.value ? clip.height * scale : LEAST.sound.height,
    },
    LEAST[clip.kind],
    room.value,
  ),
)
const trouble = ref(false)
const said = ref<string | null>(null)
/** Of a sound the captions stand below it as they are said. */
const hear = () =>
  (said.value = clip.captions && media.value ? captionAt(clip.captions, media.value.currentTime) : null)
onMounted(() => {
  look()
  const player = media.value!
  if (film.value && clip.captions) {
    const track = player.addTextTrack('captions', t('clips.captions'))
    for (const { from, to, text } of clip.captions) track.addCue(new VTTCue(from, to, text))
    track.mode = 'showing'
  }
  player.focus()
  // Where a browser lets nothing play by itself the controls are there all the same.
  player.play().catch(() => {})
})
onBeforeUnmount(() => media.value?.pause())
const style = computed(() => ({ left: `${box.value.x}px`, top: `${box.value.y}px`, width: `${box.value.width}px` }))
</script>

<template>
  <div
    ref="root"
    data-hand="none"
    class="absolute z-10 rounded-lg bg-stone-950 text-white shadow-xl"
    :style="style"
    role="group"
    :aria-label="clip.name || t(`clips.kinds.${clip.kind}`)"
    data-test="player"
    @click.stop
    @keydown.stop.esc="emit('close')"
    @keydown.stop>
    <component
      :is="film ? 'video' : 'audio'"
      ref="media"
      :src="`/api/clips/${clip.file}`"
      :poster="clip.poster ? `/api/files/${clip.poster}` : undefined"
      controls
      playsinline
      preload="metadata"
      tabindex="0"
      class="block w-full"
      :style="film ? { height: `${box.height}px` } : {}"
      :aria-label="clip.name || t(`clips.kinds.${clip.kind}`)"
      @timeupdate="hear"
      @error="trouble = true" />
    <p v-if="trouble" class="px-3 py-2 text-sm font-semibold" role="alert">{{ t('clips.cannotPlay') }}</p>
    <p v-if="said" class="board-text px-3 py-1.5 text-center whitespace-pre-line" data-test="caption">{{ said }}</p>
    <div class="flex items-start gap-2 p-1.5">
      <details v-if="clip.words" class="min-w-0 flex-1 px-2" :open="trouble">
        <summary class="min-h-11 cursor-pointer py-2.5 font-semibold">{{ t('clips.inWords') }}</summary>
        <p class="max-h-48 overflow-auto pb-2 whitespace-pre-line" tabindex="0">{{ clip.words }}</p>
      </details>
      <button type="button" class="button button-dark ml-auto px-3 py-1" @click="emit('close')">
        <Icon name="lucide:x" size="18" />{{ t('app.close') }}
      </button>
    </div>
  </div>
</template>
