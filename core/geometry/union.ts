import type { Box } from './shape'

/** The area that boxes cover together, each part counted once; in square points. None: 0. Cubic in their number. */
export function unionArea(boxes: readonly Box[]): number {
  const xs = [...new Set(boxes.flatMap(b => [b.x, b.x + b.width]))].toSorted((a, b) => a - b)
  const ys = [...new Set(boxes.flatMap(b => [b.y, b.y + b.height]))].toSorted((a, b) => a - b)
  let area = 0
  for (let i = 1; i < xs.length; i++) {
    const across = boxes.filter(b => b.x < xs[i]! && b.x + b.width > xs[i - 1]!)
    for (let j = 1; j < ys.length; j++) {
      if (across.some(b => b.y < ys[j]! && b.y + b.height > ys[j - 1]!))
        area += (xs[i]! - xs[i - 1]!) * (ys[j]! - ys[j - 1]!)
    }
  }
  return area
}

/** What two boxes share; null where they share no area. */
export function common(a: Box, b: Box): Box | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  const [width, height] = [Math.min(a.x + a.width, b.x + b.width) - x, Math.min(a.y + a.height, b.y + b.height) - y]
  return width > 0 && height > 0 ? { x, y, width, height } : null
}
