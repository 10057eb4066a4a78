import type { Box, Point, Size } from '~~/core/geometry/shape'
import type { Held } from '~/composables/board/useStage'
import type { ZoomAbout } from '~/composables/board/useZoom'

/** CSS pixels: so near to the edge of the frame what is dragged pushes the page along. */
const EDGE = 44
/** CSS pixels a frame, at the very edge. */
const FASTEST = 14
/** CSS pixels that are kept free around what is carried by keys. */
const AROUND = 16

/**
 * Which part of a page that is larger than its frame is in sight. What one looked at stays in sight when the page
 * grows, and the page follows what is held: when it is carried by keys, and when it is dragged to an edge.
 */
export function useStageView({
  frame,
  sheet,
  scale,
  about,
  heldSize,
  part,
  hands: { held, middle },
}: {
  readonly frame: Ref<HTMLElement | null>
  readonly sheet: Ref<HTMLElement | null>
  /** CSS pixels for a point of the page. */
  readonly scale: () => number
  /** The point on the screen that stays when the scale changes: null is the middle of the frame. */
  readonly about: () => ZoomAbout
  /** Of what is held, in points. */
  readonly heldSize: () => Size | null
  /** The part of the page that is worked on now: it is brought into sight. */
  readonly part: () => Box | null
  /** What is held, and where what is dragged is on the screen. */
  readonly hands: { readonly held: Ref<Held | null>; readonly middle: Ref<Point> }
}) {
  /** Where on the sheet, as shares of it, something on the screen is. */
  function shareAt({ x, y }: Point): Point {
    const box = sheet.value!.getBoundingClientRect()
    return { x: (x - box.left) / (box.width || 1), y: (y - box.top) / (box.height || 1) }
  }
  function middleOf(element: HTMLElement): Point {
    const box = element.getBoundingClientRect()
    return { x: box.left + box.width / 2, y: box.top + box.height / 2 }
  }
  /** Where it is begun: at the part that is worked on, in the middle where that fits in; else where the page begins. */
  function begin() {
    const at = part() ?? { x: 0, y: 0, width: 0, height: 0 }
    const { clientWidth, clientHeight } = frame.value ?? { clientWidth: 0, clientHeight: 0 }
    const from = (to: number, size: number, seen: number) =>
      size ? to * scale() - Math.max(AROUND, (seen - size * scale()) / 2) : 0
    frame.value?.scrollTo(from(at.x, at.width, clientWidth), from(at.y, at.height, clientHeight))
  }
  /** What is in the middle of the frame, before the sheet changes its size. */
  let kept: { share: Point; at: Point | null } | 'start' | null = null
  watch(
    scale,
    () => {
      if (!frame.value || !sheet.value) return
      const at = about()
      if (at === 'start') kept = at
      else kept = { share: shareAt(at ?? middleOf(frame.value)), at }
    },
    { flush: 'pre' },
  )
  watch(
    scale,
    () => {
      if (!frame.value || !sheet.value || !kept) return
      if (kept === 'start') return begin()
      const box = sheet.value.getBoundingClientRect()
      const to = kept.at ?? middleOf(frame.value)
      frame.value.scrollBy(box.left + kept.share.x * box.width - to.x, box.top + kept.share.y * box.height - to.y)
      kept = null
    },
    { flush: 'post' },
  )

  watch(part, now => now && begin(), { flush: 'post' })

  watch(
    held,
    now => {
      if (now?.way !== 'key' || !now.landing || !frame.value || !sheet.value) return
      const [box, seen] = [sheet.value.getBoundingClientRect(), frame.value.getBoundingClientRect()]
      const at = { x: box.left + now.landing.at.x * scale(), y: box.top + now.landing.at.y * scale() }
      const { width = 0, height = 0 } = heldSize() ?? {}
      frame.value.scrollBy(
        beyond(at.x, seen.left, seen.right, (width / 2) * scale() + AROUND),
        beyond(at.y, seen.top, seen.bottom, (height / 2) * scale() + AROUND),
      )
    },
    { flush: 'post' },
  )
  /** How far something is out of sight, or too near to its edge; in the middle where it doesn't fit in at all. */
  const beyond = (at: number, from: number, to: number, room: number) =>
    to - from < 2 * room ? at - (from + to) / 2 : Math.min(0, at - room - from) + Math.max(0, at + room - to)

  const push = useRafFn(
    () => {
      const element = frame.value
      if (!element) return
      const seen = element.getBoundingClientRect()
      const { x, y } = middle.value
      if (x < seen.left - EDGE || x > seen.right + EDGE || y < seen.top - EDGE || y > seen.bottom) return
      const before = { x: element.scrollLeft, y: element.scrollTop }
      element.scrollBy({ left: pushed(x, seen.left, seen.right), top: pushed(y, seen.top, seen.bottom) })
      // What lies under it now is another part of the page.
      if (before.x !== element.scrollLeft || before.y !== element.scrollTop) middle.value = { x, y }
    },
    { immediate: false },
  )
  const pushed = (at: number, from: number, to: number) => {
    const into = Math.min(1, Math.max(0, (from + EDGE - at) / EDGE)) - Math.min(1, Math.max(0, (at - to + EDGE) / EDGE))
    return -into * FASTEST
  }
  watch(
    () => held.value?.way === 'drag',
    drags => (drags ? push.resume() : push.pause()),
  )
}
