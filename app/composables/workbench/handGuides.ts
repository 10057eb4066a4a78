import type { Box } from '~~/core/geometry/shape'
import type { Guide } from '~~/core/layout/guides'

/** CSS pixels. */
const THICK = 1.5
const PAST = 8
const TICK = 5
/** Across and down, two gaps each at most, of a line and two ticks. */
const BARS = 12

/**
 * The lines that what is dragged is pulled to, on the hands' sheet: bars that are there from the start and only
 * stretched and moved, so that the browser has nothing to draw when they come and go. `scale` is CSS pixels for a
 * point.
 */
export function layGuides(over: HTMLElement, scale: number): (guides: readonly Guide[]) => void {
  const bars = Array.from({ length: BARS }, () => {
    const bar = document.createElement('div')
    bar.className = 'absolute z-10 left-0 top-0 h-px w-px origin-top-left bg-sunfleck-600 will-change-transform'
    over.append(bar)
    return { bar, to: glide(bar), lies: '' }
  })
  return guides => {
    const boxes = guides.flatMap(guide => barsOf(guide, scale))
    bars.forEach((each, i) => {
      const box = boxes[i]
      const lies = box ? `translate(${box.x}px, ${box.y}px) scale(${box.width}, ${box.height})` : 'translate(-200vw, 0)'
      if (lies !== each.lies) each.to(lies)
      each.lies = lies
      each.bar.toggleAttribute('data-guide', !!box)
    })
  }
}

function barsOf({ axis, at, from, to, kind }: Guide, scale: number): Box[] {
  const [middle, start, end] = [at * scale, from * scale, to * scale]
  const bar = (x: number, y: number, width: number, height: number): Box =>
    axis === 'across' ? { x, y, width, height } : { x: y, y: x, width: height, height: width }
  if (kind === 'line') return [bar(middle - THICK / 2, start - PAST, THICK, end - start + 2 * PAST)]
  return [
    bar(start, middle - THICK / 2, end - start, THICK),
    ...[start, end].map(x => bar(x - THICK / 2, middle - TICK, THICK, 2 * TICK)),
  ]
}
