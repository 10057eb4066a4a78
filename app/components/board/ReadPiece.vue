<script setup lang="ts">
/** Reads what stands on the piece that is picked, where the teacher allows it and the device has a voice. */
const { text, language } = defineProps<{ text: string; language: string }>()
const { t } = useWords()
const { can, at, speak, stop } = useVoice(() => language)
watch(() => text, stop)
</script>

<template>
  <button v-if="can" type="button" class="button" @click="at === null ? speak(text) : stop()">
    <Icon :name="at === null ? 'lucide:volume-2' : 'lucide:square'" size="20" /><span class="max-lg:sr-only">{{
      t(at === null ? 'slate.readAloud' : 'slate.stopReading')
    }}</span>
  </button>
</template>
