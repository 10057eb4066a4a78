<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Page } from '~~/core/board/board'
import { MOST_CLIPS } from '~~/core/board/clip'
import { readWebAddress, hostOf } from '~~/core/board/webAddress'
import { addClip, addLink } from '~~/core/design/clips'
import type { Hands } from '~/composables/workbench/useHands'
import type { Workbench } from '~/composables/workbench/useWorkbench'
import { clipsIn, useClips, type SentClip } from '~/composables/workbench/useClips'

/** Sound, film and links for the page: from a file, spoken here, or by an address. */
const { bench, page, hands } = defineProps<{ bench: Workbench; page: Page; hands: Hands }>()
const { t } = useWords()
const { send, trouble, busy, gone } = useClips()
const recording = ref(false)
const address = ref('')
const wrong = ref(false)
const full = computed(() => (page.backdrop.clips?.length ?? 0) >= MOST_CLIPS)
const fullOfLinks = computed(() => (page.backdrop.links?.length ?? 0) >= MOST_CLIPS)

function lay(clip: SentClip, name: string) {
  const id = nanoid()
  bench.change(addClip(bench.board.value, page.id, { id, name, ...clip }))
  hands.select([id])
}
/** Takes sounds and films; what is none is left to others. */
async function add(files: Iterable<File>) {
  for (const file of clipsIn(files)) {
    if (full.value) return
    const clip = await send(file)
    if (clip)
      lay(
        clip,
        file.name
          .replace(/\.[^.]*$/, '')
          .replace(/[-_]+/g, ' ')
          .trim()
          .slice(0, 120),
      )
  }
}
function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const files = [...(field.files ?? [])]
  // The same file can be chosen again after it was refused.
  field.value = ''
  void add(files)
}
function recorded(clip: SentClip) {
  recording.value = false
  lay(clip, t('clipMaker.spoken'))
}
function link() {
  const read = readWebAddress(address.value)
  wrong.value = !read
  if (!read) return
  const id = nanoid()
  bench.change(addLink(bench.board.value, page.id, { id, address: read, name: hostOf(read) }))
  hands.select([id])
  address.value = ''
}
defineExpose({ add })
</script>

<template>
  <section class="flex flex-col gap-2">
    <h3 class="label mb-0">{{ t('clipMaker.title') }}</h3>
    <label class="button w-full" :class="full || busy ? 'opacity-55' : ''">
      <Icon name="lucide:film" />{{ t(busy ? 'clipMaker.sending' : 'clipMaker.fromFile') }}
      <input
        type="file"
        accept="video/*,audio/*,.m4a,.mov,.oga,.ogg"
        class="sr-only"
        data-test="clip-file"
        :disabled="full || busy"
        @change="choose" />
    </label>
    <progress v-if="gone !== null" class="w-full" :value="gone" :aria-label="t('clipMaker.sending')" />
    <button type="button" class="button w-full" :disabled="full" @click="recording = true">
      <Icon name="lucide:mic" />{{ t('clipMaker.record') }}
    </button>
    <form class="flex items-end gap-2" @submit.prevent="link">
      <label class="min-w-0 flex-1"
        ><span class="label">{{ t('clipMaker.link') }}</span
        ><input
          v-model="address"
          class="field"
          maxlength="2000"
          :placeholder="t('clipMaker.linkExample')"
          :aria-invalid="wrong"
          @input="wrong = false"
      /></label>
      <button type="submit" class="button px-3" :disabled="!address.trim() || fullOfLinks">
        {{ t('clipMaker.lay') }}
      </button>
    </form>
    <p v-if="wrong" class="trouble" role="alert">{{ t('clipMaker.noAddress') }}</p>
    <p v-if="full || fullOfLinks" class="note-line">{{ t('clipMaker.full', { count: MOST_CLIPS }) }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <LazyWorkbenchRecorder
      v-if="recording"
      :title="t('clipMaker.record')"
      @done="recorded"
      @close="recording = false" />
  </section>
</template>
