<script setup lang="ts">
import type { Spoken } from '~~/core/board/clip'
import { partAt, readsFromRight, spokenParts } from '~~/core/text/spoken'

/**
 * Words that are heard: as the teacher has spoken them, else by the device's voice where it has one; then the word that
 * is being said is marked.
 */
const {
  text,
  language,
  spoken = undefined,
} = defineProps<{ text: string; language: string; spoken?: Spoken | undefined }>()
const { t } = useWords()
const voice = useVoice(() => language)
const { at } = voice
const parts = computed(() => spokenParts(text))
const current = computed(() => (at.value === null ? -1 : partAt(parts.value, at.value)))
const recording = useRecording(() => spoken?.file)
/** A recording that can't be had, without a connection for instance, is no reason to hear nothing. */
const recorded = computed(() => !!spoken && !(recording.away.value && voice.can.value))
const can = computed(() => recorded.value || voice.can.value)
const going = computed(() => (recorded.value ? recording.going.value : at.value !== null))
function press() {
  if (recorded.value) return recording.going.value ? recording.stop() : recording.play()
  if (at.value === null) voice.speak(text)
  else voice.stop()
}
watch(() => text, voice.stop)
</script>

<template>
  <button
    v-if="can"
    type="button"
    class="button h-11 w-11 shrink-0 border-sunfleck-600 bg-transparent p-0 text-sunfleck-700"
    :aria-label="t(recorded ? (going ? 'clips.stop' : 'clips.hear') : going ? 'slate.stopReading' : 'slate.readAloud')"
    :aria-pressed="going"
    @click="press">
    <Icon :name="going ? 'lucide:square' : 'lucide:volume-2'" size="22" />
  </button>
  <p class="min-w-0 flex-1 divides" v-bind="$attrs" :lang="language" :dir="readsFromRight(language) ? 'rtl' : 'ltr'">
    <!-- Whole while nothing is said: a screen reader has its own way of going through it. -->
    <template v-if="current < 0">{{ text }}</template>
    <template v-else
      ><span
        v-for="(part, i) in parts"
        :key="i"
        :class="i === current ? 'rounded bg-sunfleck-400 underline decoration-2 underline-offset-4' : ''"
        :data-test="i === current ? 'spoken' : undefined"
        >{{ part.text }}</span
      ></template
    >
  </p>
</template>
