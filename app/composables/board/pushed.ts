import type { Point } from '~~/core/geometry/shape'

/**
 * Pushes whatever scrolls around an element, as far as it goes: what stands nearest first, and with the rest what that
 * stands in.
 */
export function pushed(element: Element, by: Point) {
  let rest = by
  for (let at: Element | null = element; at && (rest.x || rest.y); at = at.parentElement) rest = pushedOne(at, rest)
  if (rest.x || rest.y) document.scrollingElement?.scrollBy({ left: -rest.x, top: -rest.y, behavior: 'instant' })
}

function pushedOne(element: Element, by: Point): Point {
  if (element.scrollWidth <= element.clientWidth && element.scrollHeight <= element.clientHeight) return by
  const { overflowX, overflowY } = getComputedStyle(element)
  const [left, top] = [scrolls(overflowX) ? -by.x : 0, scrolls(overflowY) ? -by.y : 0]
  const before = { x: element.scrollLeft, y: element.scrollTop }
  element.scrollBy({ left, top, behavior: 'instant' })
  return { x: by.x + element.scrollLeft - before.x, y: by.y + element.scrollTop - before.y }
}
const scrolls = (overflow: string) => overflow === 'auto' || overflow === 'scroll'
