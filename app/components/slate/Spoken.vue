<script setup lang="ts">
import { partAt, spokenParts } from '~~/core/text/spoken'

/** Words that the device can read aloud where it has a voice; the word that is being said is marked. */
const { text, language } = defineProps<{ text: string, language: string }>()
const { t } = useWords()
const { can, at, speak, stop } = useVoice(() => language)
const parts = computed(() => spokenParts(text))
const current = computed(() => at.value === null ? -1 : partAt(parts.value, at.value))
watch(() => text, stop)
</script>

<template>
  <button v-if="can" type="button" class="button h-11 w-11 shrink-0 border-sunfleck-600 bg-transparent p-0 text-sunfleck-700" :aria-label="t(at === null ? 'slate.readAloud' : 'slate.stopReading')" :aria-pressed="at !== null" @click="at === null ? speak(text) : stop()">
    <Icon :name="at === null ? 'lucide:volume-2' : 'lucide:square'" size="22" />
  </button>
  <p class="min-w-0 flex-1" v-bind="$attrs" :lang="language">
    <!-- Whole while nothing is said: a screen reader has its own way of going through it. -->
    <template v-if="current < 0">{{ text }}</template>
    <template v-else><span v-for="(part, i) in parts" :key="i" :class="i === current ? 'rounded bg-sunfleck-400 underline decoration-2 underline-offset-4' : ''" :data-test="i === current ? 'spoken' : undefined">{{ part.text }}</span></template>
  </p>
</template>
