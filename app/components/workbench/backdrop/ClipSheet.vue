<script setup lang="ts">
import type { Clip } from '~~/core/board/clip'
import type { Page } from '~~/core/board/board'
import { changeClip } from '~~/core/design/clips'
import { playingTime } from '~~/core/layout/clipCard'
import { readCaptions } from '~/composables/board/readCaptions'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** A sound or a film: its name, and its words for whoever can't hear or see it. */
const { bench, page, clip } = defineProps<{ bench: Workbench; page: Page; clip: Clip }>()
const { t } = useWords()
const change = (to: (c: Clip) => Clip, what = '') =>
  bench.change(changeClip(bench.board.value, page.id, clip.id, to), what && `${what} ${clip.id}`)
const unread = ref(false)
async function caption(event: Event) {
  const field = event.target as HTMLInputElement
  const [file] = field.files ?? []
  if (!file) return
  const captions = await readCaptions(file)
  field.value = ''
  unread.value = !captions
  if (captions) change(c => ({ ...c, captions }))
}
function setWords(event: Event) {
  const words = (event.target as HTMLTextAreaElement).value
  change(({ words: _, ...c }) => ({ ...c, ...(words && { words }) }), 'words')
}
</script>

<template>
  <section class="flex flex-col gap-3 rounded-lg border border-leaf-700 p-3">
    <h3 class="font-bold">
      {{ t(`clips.kinds.${clip.kind}`) }} <span class="font-normal">{{ playingTime(clip.seconds) }}</span>
    </h3>
    <label
      ><span class="label">{{ t('clipMaker.name') }}</span
      ><input
        class="field"
        maxlength="120"
        :value="clip.name"
        @input="change(c => ({ ...c, name: ($event.target as HTMLInputElement).value }), 'name')"
    /></label>
    <component
      :is="clip.kind === 'film' ? 'video' : 'audio'"
      :src="`/api/clips/${clip.file}`"
      :poster="clip.poster ? `/api/files/${clip.poster}` : undefined"
      controls
      playsinline
      preload="none"
      class="w-full"
      :aria-label="t('recorder.listen')" />
    <label
      ><span class="label">{{ t(`clipMaker.words.${clip.kind}`) }}</span
      ><textarea class="field" rows="4" maxlength="4000" :value="clip.words ?? ''" @input="setWords" />
    </label>
    <div class="flex flex-wrap items-center gap-2">
      <label class="button px-3"
        ><Icon name="lucide:captions" />{{ t('clipMaker.captions')
        }}<input type="file" accept=".vtt,.srt,text/vtt" class="sr-only" data-test="captions-file" @change="caption"
      /></label>
      <template v-if="clip.captions"
        ><span>{{ t('clipMaker.hasCaptions', { count: clip.captions.length }) }}</span>
        <button type="button" class="button px-3" @click="change(({ captions: _, ...c }) => c)">
          {{ t('clipMaker.noCaptions') }}
        </button></template
      >
    </div>
    <p v-if="unread" class="trouble" role="alert">{{ t('clipMaker.unreadCaptions') }}</p>
    <p class="note-line">{{ t('clipMaker.how') }}</p>
  </section>
</template>
