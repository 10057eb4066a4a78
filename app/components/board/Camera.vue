<script setup lang="ts">
/**
 * What the device's camera sees, and a photo of it. Where there is none, that is said, and a file is chosen instead.
 */
const emit = defineEmits<{ taken: [photo: Blob] }>()
const { t } = useWords()
const video = useTemplateRef<HTMLVideoElement>('video')
const cameras = shallowRef<readonly MediaDeviceInfo[]>([])
const camera = ref('')
const away = ref(false)
const ready = ref(false)
let stream: MediaStream | null = null
const stop = () => stream?.getTracks().forEach(track => track.stop())

async function start() {
  stop()
  ready.value = false
  try {
    stream = await navigator.mediaDevices.getUserMedia({
      audio: false,
      video: {
        width: { ideal: 1920 },
        height: { ideal: 1440 },
        ...(camera.value ? { deviceId: { exact: camera.value } } : { facingMode: 'environment' }),
      },
    })
    cameras.value = (await navigator.mediaDevices.enumerateDevices()).filter(device => device.kind === 'videoinput')
    await nextTick()
    if (!video.value) return stop()
    video.value.srcObject = stream
    await video.value.play()
    ready.value = true
  } catch {
    away.value = true
  }
}
onMounted(start)
watch(camera, start)
onScopeDispose(stop)
async function shoot() {
  const { videoWidth: width, videoHeight: height } = video.value!
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')!.drawImage(video.value!, 0, 0)
  emit('taken', await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 }))
}
</script>

<template>
  <p v-if="away" class="note-line" role="status">{{ t('picture.noCamera') }}</p>
  <div v-else class="flex flex-col gap-3">
    <video
      ref="video"
      class="max-h-[50vh] w-full rounded-lg bg-stone-950 object-contain"
      playsinline
      muted
      :aria-label="t('picture.camera')" />
    <div class="flex flex-wrap items-center justify-center gap-3">
      <label v-if="cameras.length > 1"
        >{{ t('picture.chooseCamera') }}
        <select v-model="camera" class="field w-auto">
          <option v-for="(one, i) in cameras" :key="one.deviceId" :value="one.deviceId">
            {{ one.label || i + 1 }}
          </option>
        </select></label
      >
      <button type="button" class="button button-action" :disabled="!ready" @click="shoot">
        <Icon name="lucide:camera" size="22" />{{ t('picture.shoot') }}
      </button>
    </div>
  </div>
</template>
