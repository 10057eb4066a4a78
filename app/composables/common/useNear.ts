/** How far outside the window something counts as near, so that it is drawn when it comes into sight. */
const MARGIN = '400px'

/** Whether an element is in the window, or near it; where a browser can't tell, everything is. */
export function useNear(element: Readonly<Ref<HTMLElement | null>>): Readonly<Ref<boolean>> {
  const near = ref(typeof IntersectionObserver === 'undefined')
  useIntersectionObserver(element, ([entry]) => (near.value = entry?.isIntersecting ?? true), { rootMargin: MARGIN })
  return near
}
