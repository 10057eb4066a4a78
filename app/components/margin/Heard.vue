<script setup lang="ts">
import type { Spoken } from '~~/core/board/clip'
import { playingTime } from '~~/core/layout/clipCard'

/** A comment that is heard. */
const { spoken, name } = defineProps<{ spoken: Spoken; name: string }>()
const { t } = useWords()
const { going, away, play, stop } = useRecording(() => spoken.file)
</script>

<template>
  <span class="mt-1 flex flex-wrap items-center gap-2">
    <button
      type="button"
      class="button min-h-10 px-3 py-1"
      :aria-label="t(going ? 'margin.stopHearing' : 'margin.hear', { name, time: playingTime(spoken.seconds) })"
      @click="going ? stop() : play()">
      <Icon :name="going ? 'lucide:square' : 'lucide:volume-2'" size="18" />{{ playingTime(spoken.seconds) }}
    </button>
    <span v-if="away" class="trouble" role="alert">{{ t('margin.cantHear') }}</span>
  </span>
</template>
