import type { Point } from '~~/core/geometry/shape'

const LEAST = 1
const MOST = 6
const BY = 1.25
/** By where keys are, since with Alt they write other signs; `BracketRight` is + on German keyboards. */
const KEYS = {
  nearer: ['Equal', 'BracketRight', 'NumpadAdd'],
  further: ['Minus', 'Slash', 'NumpadSubtract'],
  whole: ['Digit0', 'Numpad0'],
}
/** What stays where it is on the screen when it is looked at more closely; null is the middle. */
export type ZoomAbout = Point | 'start' | null
/** Nearer to the whole page than this is the whole page. */
const NEARLY_WHOLE = 0.02

/**
 * How closely the page is looked at: by buttons, by + − 0 with Alt (with Control they are the browser's own, for those
 * who need all of it larger), by the wheel with Control (and so by pinching a touch pad), by two fingers. `active` says
 * whether it may change just now; a piece that is dragged comes first.
 */
export function useZoom(room: Ref<HTMLElement | null>, active: () => boolean) {
  const zoom = ref(1)
  let point: ZoomAbout = null
  /** Somebody has chosen how closely. */
  let chosen = false
  function to(next: number, about: Point | null = null) {
    point = about
    chosen = true
    zoom.value = Math.min(MOST, Math.max(LEAST, Math.abs(next - 1) < NEARLY_WHOLE ? 1 : next))
  }
  /** As closely as it takes to read it, until somebody chooses; it begins where the page begins. */
  function begin(closer: number) {
    if (chosen) return
    point = zoom.value === 1 ? 'start' : null
    zoom.value = Math.min(MOST, closer)
  }
  useEventListener(
    room,
    'wheel',
    (event: WheelEvent) => {
      if (!event.ctrlKey) return
      event.preventDefault()
      to(zoom.value * Math.exp(-event.deltaY / 300), { x: event.clientX, y: event.clientY })
    },
    { passive: false },
  )
  /** How closely it was looked at when two fingers came onto the page. */
  let pinchedFrom = 1
  function pinch({ begins, ratio, about }: { begins: boolean; ratio: number; about: Point }) {
    if (begins) pinchedFrom = zoom.value
    else to(pinchedFrom * ratio, about)
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    // In a field Alt and numbers write letters that no key has.
    if (!event.altKey || event.ctrlKey || event.metaKey || inField(event) || !active()) return
    const way = (Object.keys(KEYS) as (keyof typeof KEYS)[]).find(name => KEYS[name].includes(event.code))
    if (!way) return
    event.preventDefault()
    to(way === 'whole' ? 1 : zoom.value * (way === 'nearer' ? BY : 1 / BY))
  })
  return {
    zoom: readonly(zoom),
    about: () => point,
    pinch,
    begin,
    nearer: () => to(zoom.value * BY),
    further: () => to(zoom.value / BY),
    whole: () => to(1),
    canNearer: computed(() => zoom.value < MOST),
    canFurther: computed(() => zoom.value > LEAST),
  }
}
export type Zoom = ReturnType<typeof useZoom>
