/**
 * Whether a sheet is larger than its frame, and is pushed about in it, with the keyboard too. Asked when both have been
 * laid out: one that is measured before the other would say so for a moment of every page. `more`: what it is larger by
 * beside the sheet.
 */
export function useScrolls(frame: Ref<HTMLElement | null>, sheet: Ref<HTMLElement | null>, more = () => 0) {
  const scrolls = ref(false)
  function look() {
    const at = frame.value
    scrolls.value = !!at && (at.scrollWidth > at.clientWidth + 1 || at.scrollHeight > at.clientHeight + 1)
  }
  useResizeObserver([frame, sheet], look)
  watch(more, look, { flush: 'post' })
  return scrolls
}
