/**
 * How much of a page's right side is under what opened over it, in CSS pixels: so much farther it can be pushed, so
 * that all of it comes into sight. Nothing where it opened over the foot of the window, or beside the page.
 */
export function useCovered(stage: Readonly<Ref<HTMLElement | null>>, drawer: Readonly<Ref<HTMLElement | null>>) {
  const covered = ref(0)
  function measure() {
    const frame = stage.value?.querySelector('[data-frame]')?.getBoundingClientRect()
    const over = drawer.value?.getBoundingClientRect()
    covered.value = frame && over && over.top < frame.bottom ? beyond(frame, over) : 0
  }
  useResizeObserver([stage, drawer], measure)
  watch(drawer, measure, { flush: 'post' })
  return covered
}

const beyond = (frame: DOMRect, over: DOMRect) =>
  over.left > frame.left && over.left < frame.right ? Math.ceil(frame.right - over.left) : 0
