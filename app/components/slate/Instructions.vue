<script setup lang="ts">
/** What to do, always in reach, and read aloud where the device can. */
const { text } = defineProps<{ text: string }>()
const { t } = useWords()
const canSpeak = 'speechSynthesis' in window
function speak() {
  speechSynthesis.cancel()
  const words = new SpeechSynthesisUtterance(text)
  words.lang = 'en-GB'
  speechSynthesis.speak(words)
}
onScopeDispose(() => canSpeak && speechSynthesis.cancel())
</script>

<template>
  <section class="flex items-center gap-4 rounded-xl border-l-[6px] border-sunfleck-400 bg-sunfleck-100 px-4 py-2 text-stone-950" :aria-label="t('slate.instructions')">
    <button v-if="canSpeak" type="button" class="button h-11 w-11 shrink-0 border-sunfleck-600 bg-transparent p-0 text-sunfleck-700" :aria-label="t('slate.readAloud')" @click="speak">
      <Icon name="lucide:volume-2" size="22" />
    </button>
    <p class="board-text text-lg leading-snug">{{ text }}</p>
  </section>
</template>
