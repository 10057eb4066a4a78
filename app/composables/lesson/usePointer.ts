import type { Pointed } from '~~/core/sync/pointing'

/** Over the connection, at most so often; a pointer that rests is said again, and one that isn't is forgotten. */
const SAY_EVERY_MS = 60
const AGAIN_EVERY_MS = 2000
const FORGOTTEN_AFTER_MS = 5000

interface Elsewhere {
  /** Where it is said to be on another device. */
  readonly pointed: Readonly<Ref<Pointed | null>>
  readonly point: (at: Pointed | null) => void
}

/**
 * The teacher's pointer goes at once from window to window of this device, and over the connection to those of others.
 * It is stored by nobody and leaves no trace.
 */
export function usePointer(handout: string, { pointed, point: say }: Elsewhere) {
  const here = shallowRef<Pointed | null>(null)
  /** Heard from a window of this device, or from another device; whichever was last. */
  const heard = shallowRef<Pointed | null>(null)
  const forget = useDebounceFn(() => (heard.value = null), FORGOTTEN_AFTER_MS)
  function hear(at: Pointed | null) {
    heard.value = at
    if (at) void forget()
  }
  const channel = new BroadcastChannel(`dappled-slate pointer ${handout}`)
  channel.onmessage = ({ data }: MessageEvent<Pointed | null>) => hear(data)
  watch(pointed, hear)
  function tell() {
    channel.postMessage(here.value && { ...here.value })
    say(here.value)
  }
  const sayLater = useThrottleFn(() => say(here.value), SAY_EVERY_MS, true)
  useIntervalFn(() => here.value && tell(), AGAIN_EVERY_MS)
  onScopeDispose(() => {
    if (here.value) {
      here.value = null
      tell()
    }
    channel.close()
  })
  return {
    at: computed(() => here.value ?? heard.value),
    point(to: Pointed | null) {
      here.value = to
      channel.postMessage(to && { ...to })
      void sayLater()
    },
  }
}
