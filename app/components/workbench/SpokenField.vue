<script setup lang="ts">
import type { Spoken } from '~~/core/board/clip'
import { playingTime } from '~~/core/layout/clipCard'

/**
 * Words that the teacher can speak: recorded, heard again, taken away. Without a recording the device's own voice reads
 * them.
 */
const { spoken, words } = defineProps<{ spoken: Spoken | undefined; words: string }>()
const emit = defineEmits<{ set: [spoken: Spoken | null] }>()
const { t } = useWords()
const { going, play, stop } = useRecording(() => spoken?.file)
const recording = ref(false)
function recorded({ file, seconds }: Spoken) {
  emit('set', { file, seconds })
  recording.value = false
}
</script>

<template>
  <span class="flex shrink-0 items-center gap-1">
    <template v-if="spoken">
      <button
        type="button"
        class="button min-h-9 px-2 py-1"
        :aria-label="t(going ? 'clips.stop' : 'clips.hear')"
        :title="t(going ? 'clips.stop' : 'clips.hear')"
        @click="going ? stop() : play()">
        <Icon :name="going ? 'lucide:square' : 'lucide:volume-2'" />{{ playingTime(spoken.seconds) }}
      </button>
      <button
        type="button"
        class="button min-h-9 px-2 py-1"
        :aria-label="t('clipMaker.unspoken')"
        :title="t('clipMaker.unspoken')"
        @click="emit('set', null)">
        <Icon name="lucide:x" />
      </button>
    </template>
    <button
      v-else
      type="button"
      class="button min-h-9 px-2 py-1"
      :aria-label="t('clipMaker.speak')"
      :title="t('clipMaker.speak')"
      @click="recording = true">
      <Icon name="lucide:mic" />
    </button>
    <LazyWorkbenchRecorder
      v-if="recording"
      :title="t('clipMaker.speak')"
      :words="words"
      @done="recorded"
      @close="recording = false" />
  </span>
</template>
