import type { FileHash } from '~~/core/board/ids'

/** A recording that is played from its start, and stopped; another one, or leaving, stops it. */
export function useRecording(file: () => FileHash | undefined) {
  const going = ref(false)
  const away = ref(false)
  let audio: HTMLAudioElement | null = null
  function stop() {
    audio?.pause()
    audio = null
    going.value = false
  }
  async function play() {
    stop()
    const own = (audio = new Audio(`/api/clips/${file()}`))
    own.onended = () => own === audio && stop()
    going.value = true
    await own.play().catch(() => {
      if (own !== audio) return
      stop()
      away.value = true
    })
  }
  watch(file, () => {
    stop()
    away.value = false
  })
  onScopeDispose(stop)
  return { going: readonly(going), away: readonly(away), play, stop }
}
