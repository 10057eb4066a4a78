import { voiceFor } from '~~/core/text/spoken'

/** Whether the device has a voice for a language; some browsers know their voices only after a moment. */
export function useHasVoice(language: () => string) {
  const has = ref(false)
  if ('speechSynthesis' in window) {
    const look = () => (has.value = voiceFor(speechSynthesis.getVoices(), language()) !== null)
    look()
    useEventListener(speechSynthesis, 'voiceschanged', look)
  }
  return has
}

/** The device's own voice for a language, and where in the text it is. Without a voice nothing can be read aloud. */
export function useVoice(language: () => string) {
  const voices = shallowRef<readonly SpeechSynthesisVoice[]>([])
  const read = () => (voices.value = speechSynthesis.getVoices())
  const has = 'speechSynthesis' in window
  if (has) {
    read()
    // Some browsers know their voices only after a moment.
    useEventListener(speechSynthesis, 'voiceschanged', read)
    onScopeDispose(() => speechSynthesis.cancel())
  }
  const voice = computed(() => voiceFor(voices.value, language()))
  /** The place of the text that is being said; null while nothing is. */
  const at = ref<number | null>(null)
  function stop() {
    if (has) speechSynthesis.cancel()
    at.value = null
  }
  function speak(text: string) {
    stop()
    if (!voice.value || !text.trim()) return
    const spoken = new SpeechSynthesisUtterance(text)
    spoken.voice = voice.value
    spoken.lang = voice.value.lang
    at.value = 0
    spoken.onboundary = ({ name, charIndex }) => name === 'sentence' || (at.value = charIndex)
    spoken.onend = spoken.onerror = () => (at.value = null)
    speechSynthesis.speak(spoken)
  }
  return { can: computed(() => voice.value !== null), at: readonly(at), speak, stop }
}
