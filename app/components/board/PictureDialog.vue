<script setup lang="ts">
import type { Size } from '~~/core/geometry/shape'
import { usePictures, type OwnPicture } from '~/composables/board/pictures'
import { madeSmall, openPicture, type Cut, type PictureFault } from '~/composables/board/smallPicture'

/**
 * A picture from the device, its clipboard, its camera or the library, looked at and cut before it is laid on the page.
 */
const { how, pasted } = defineProps<{ how: 'picture' | 'photo'; pasted: File | null }>()
const emit = defineEmits<{ put: [picture: Pick<OwnPicture, 'picture' | 'from' | 'alt'>, size: Size]; close: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const pictures = usePictures()
const bitmap = shallowRef<ImageBitmap | null>(null)
const from = ref<'device' | 'camera'>('device')
/** What may be see-through stays so. */
const clear = ref(false)
const fault = ref<PictureFault | null>(null)
const alt = ref('')

async function open(file: Blob, source: 'device' | 'camera') {
  fault.value = null
  const opened = await openPicture(file)
  if (typeof opened === 'string') return void (fault.value = opened)
  from.value = source
  clear.value = source === 'device' && file.type !== 'image/jpeg'
  bitmap.value = opened
}
watch(
  () => pasted,
  now => now && void open(now, 'device'),
  { immediate: true },
)
async function put({ quarters, cut }: { quarters: number; cut: Cut }) {
  if (!bitmap.value) return
  const small = await madeSmall(bitmap.value, { quarters, cut, clear: clear.value })
  const picture = await attempt(() => pictures.add(small.bytes))
  if (picture) emit('put', { picture, from: from.value, alt: alt.value.trim() }, small)
}
const chosen = (event: Event) => {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) void open(file, how === 'photo' ? 'camera' : 'device')
}

const take = ({ name, words }: { name: string; words: string }) =>
  emit('put', { picture: name, from: 'library', alt: words.slice(0, 200) }, { width: 1, height: 1 })
</script>

<template>
  <UiAsk open :title="t(how === 'photo' ? 'picture.photoTitle' : 'picture.title')" wide @close="emit('close')">
    <template v-if="bitmap">
      <BoardPictureTrim :bitmap="bitmap" :busy="busy" @put="put" @again="bitmap = null">
        <label class="block"
          ><span class="label">{{ t('picture.alt') }}</span
          ><input v-model="alt" class="field" maxlength="200"
        /></label>
      </BoardPictureTrim>
    </template>
    <template v-else>
      <BoardCamera v-if="how === 'photo'" @taken="open($event, 'camera')" />
      <label class="button mt-3 w-full"
        ><Icon name="lucide:image-plus" />{{ t('picture.fromFile') }}
        <input
          type="file"
          accept="image/*"
          :capture="how === 'photo' ? 'environment' : undefined"
          class="sr-only"
          data-test="picture-file"
          @change="chosen" />
      </label>
      <template v-if="how === 'picture'">
        <p class="note-line mt-2">{{ t('picture.drop') }}</p>
        <BoardPictureShelf class="mt-3" :label="t('picture.library')" @take="take" />
      </template>
    </template>
    <p v-if="fault" class="trouble mt-3" role="alert">{{ t(`picture.fault.${fault}`) }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button></template
    >
  </UiAsk>
</template>
