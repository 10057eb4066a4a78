import { defineStore } from 'pinia'

/** What has just happened, in words for whoever hears the screen; the same words twice are said twice. */
export const useSaying = defineStore('saying', () => {
  const words = ref('')
  const times = ref(0)
  function say(now: string) {
    words.value = now
    times.value++
  }
  return { words: readonly(words), times: readonly(times), say }
})
