const LEAST = 1
const MOST = 6
const BY = 1.25

/**
 * How closely the page is looked at: by buttons, by + − 0 with Control, by the wheel with Control (and so by pinching a
 * touch pad), by two fingers.
 */
export function useZoom(room: Ref<HTMLElement | null>, active: () => boolean) {
  const zoom = ref(1)
  const to = (next: number) => (zoom.value = Math.min(MOST, Math.max(LEAST, Math.abs(next - 1) < 0.02 ? 1 : next)))
  useEventListener(
    room,
    'wheel',
    (event: WheelEvent) => {
      if (!event.ctrlKey) return
      event.preventDefault()
      to(zoom.value * Math.exp(-event.deltaY / 300))
    },
    { passive: false },
  )
  /** Two fingers on the page: how far apart they were, and how closely it was looked at then. */
  let pinch: { apart: number; zoom: number } | null = null
  const apart = (touches: TouchList) =>
    Math.hypot(touches[0]!.clientX - touches[1]!.clientX, touches[0]!.clientY - touches[1]!.clientY)
  useEventListener(
    room,
    'touchmove',
    (event: TouchEvent) => {
      if (event.touches.length !== 2) return
      event.preventDefault()
      pinch ??= { apart: apart(event.touches), zoom: zoom.value }
      to((pinch.zoom * apart(event.touches)) / pinch.apart)
    },
    { passive: false },
  )
  useEventListener(room, ['touchend', 'touchcancel'], () => (pinch = null))
  onKeyStroke(['+', '=', '-', '0'], event => {
    if (!active() || !(event.ctrlKey || event.metaKey)) return
    event.preventDefault()
    to(event.key === '0' ? 1 : zoom.value * (event.key === '-' ? 1 / BY : BY))
  })
  return {
    zoom: readonly(zoom),
    nearer: () => to(zoom.value * BY),
    further: () => to(zoom.value / BY),
    whole: () => to(1),
    canNearer: computed(() => zoom.value < MOST),
    canFurther: computed(() => zoom.value > LEAST),
  }
}
