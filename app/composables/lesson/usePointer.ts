/** Where the teacher points, on which of the things shown (counted from 0), in page points. */
export interface Pointed {
  readonly slate: number
  readonly x: number
  readonly y: number
}

/**
 * The pointer goes from window to window of this device and nowhere else: it is stored by nobody and leaves no trace.
 */
export function usePointer(handout: string) {
  const at = shallowRef<Pointed | null>(null)
  const channel = new BroadcastChannel(`dappled-slate pointer ${handout}`)
  channel.onmessage = ({ data }: MessageEvent<Pointed | null>) => (at.value = data)
  onScopeDispose(() => channel.close())
  return {
    at: shallowReadonly(at),
    point(to: Pointed | null) {
      at.value = to
      channel.postMessage(to && { ...to })
    },
  }
}
