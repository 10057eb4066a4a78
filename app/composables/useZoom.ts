const LEAST = 1
const MOST = 6
const BY = 1.25

/** How closely the page is looked at: by buttons, by + − 0 with Control, by the wheel with Control (and so by pinching a touch pad). */
export function useZoom(room: Ref<HTMLElement | null>, active: () => boolean) {
  const zoom = ref(1)
  const to = (next: number) => zoom.value = Math.min(MOST, Math.max(LEAST, Math.abs(next - 1) < 0.02 ? 1 : next))
  useEventListener(room, 'wheel', (event: WheelEvent) => {
    if (!event.ctrlKey) return
    event.preventDefault()
    to(zoom.value * Math.exp(-event.deltaY / 300))
  }, { passive: false })
  onKeyStroke(['+', '=', '-', '0'], (event) => {
    if (!active() || !(event.ctrlKey || event.metaKey)) return
    event.preventDefault()
    to(event.key === '0' ? 1 : zoom.value * (event.key === '-' ? 1 / BY : BY))
  })
  return { zoom: readonly(zoom), nearer: () => to(zoom.value * BY), further: () => to(zoom.value / BY), whole: () => to(1), canNearer: computed(() => zoom.value < MOST), canFurther: computed(() => zoom.value > LEAST) }
}
