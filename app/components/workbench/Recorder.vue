<script setup lang="ts">
import { LONGEST_RECORDING } from '~~/core/board/clip'
import { playingTime } from '~~/core/layout/clipCard'
import { useClips, type SentClip } from '~/composables/workbench/useClips'

/** What the teacher says, recorded by this device, listened to, and taken or said again. */
const { title, words = '' } = defineProps<{ title: string; words?: string }>()
const emit = defineEmits<{ done: [clip: SentClip]; close: [] }>()
const { t } = useWords()
const { send, trouble, busy } = useClips()
const away = ref(false)
const recording = ref(false)
const seconds = ref(0)
/** How loud it is, from 0 to 1. */
const level = ref(0)
const taken = shallowRef<Blob | null>(null)
const heard = computed(() => taken.value && URL.createObjectURL(taken.value))
watch(heard, (_, before) => before && URL.revokeObjectURL(before))
let stream: MediaStream | null = null
let recorder: MediaRecorder | null = null
let meter: AudioContext | null = null
let began = 0
const tick = useIntervalFn(
  () => {
    seconds.value = (performance.now() - began) / 1000
    if (seconds.value >= LONGEST_RECORDING) stop()
  },
  100,
  { immediate: false },
)

async function start() {
  taken.value = null
  seconds.value = 0
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: true, video: false })
    recorder = new MediaRecorder(stream, { audioBitsPerSecond: 48_000 })
  } catch {
    away.value = true
    return release()
  }
  const parts: Blob[] = []
  const { mimeType } = recorder
  recorder.ondataavailable = ({ data }) => void parts.push(data)
  recorder.onstop = () => {
    if (parts.length) taken.value = new Blob(parts, { type: mimeType })
    release()
  }
  recorder.start()
  began = performance.now()
  recording.value = true
  tick.resume()
  watchLevel(stream)
}
function watchLevel(from: MediaStream) {
  meter = new AudioContext()
  const analyser = meter.createAnalyser()
  meter.createMediaStreamSource(from).connect(analyser)
  const wave = new Float32Array(analyser.fftSize)
  const look = () => {
    if (!recording.value) return
    analyser.getFloatTimeDomainData(wave)
    level.value = Math.min(1, Math.max(...wave.map(Math.abs)) * 1.5)
    requestAnimationFrame(look)
  }
  look()
}
const stop = () => recorder?.state === 'recording' && recorder.stop()
function release() {
  tick.pause()
  recording.value = false
  stream?.getTracks().forEach(track => track.stop())
  void meter?.close()
  stream = recorder = meter = null
}
onScopeDispose(() => {
  if (recorder) recorder.onstop = null
  stop()
  release()
  if (heard.value) URL.revokeObjectURL(heard.value)
})
async function take() {
  const clip = await send(taken.value!)
  if (clip) emit('done', clip)
}
</script>

<template>
  <UiAsk open :title="title" @close="emit('close')">
    <p v-if="words" class="board-text mb-4 rounded-lg bg-sunfleck-100 p-3 text-lg text-stone-950">{{ words }}</p>
    <p v-if="away" class="trouble" role="alert">{{ t('recorder.noMicrophone') }}</p>
    <div v-else class="flex flex-col items-center gap-3">
      <button
        type="button"
        class="button h-16 w-16 rounded-full p-0"
        :class="recording ? 'border-berry-700 bg-berry-100 text-berry-700' : ''"
        :aria-label="t(recording ? 'recorder.stop' : taken ? 'recorder.again' : 'recorder.start')"
        :title="t(recording ? 'recorder.stop' : taken ? 'recorder.again' : 'recorder.start')"
        @click="recording ? stop() : start()">
        <Icon :name="recording ? 'lucide:square' : 'lucide:mic'" size="28" />
      </button>
      <p role="status" data-test="recorded">
        {{
          t(recording ? 'recorder.recording' : taken ? 'recorder.taken' : 'recorder.ready', {
            time: playingTime(seconds),
            most: playingTime(LONGEST_RECORDING),
          })
        }}
      </p>
      <div v-if="recording" class="h-2 w-full max-w-xs overflow-hidden rounded-full bg-stone-200" aria-hidden="true">
        <div class="h-full bg-leaf-600" :style="{ width: `${level * 100}%` }" />
      </div>
      <audio v-if="heard" :src="heard" controls class="w-full" :aria-label="t('recorder.listen')" />
    </div>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="!taken || busy" @click="take">
        {{ t(busy ? 'clipMaker.sending' : 'recorder.take') }}
      </button>
    </template>
  </UiAsk>
</template>
