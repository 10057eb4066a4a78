import type { Box } from './shape'

/**
 * Area of an ellipse (given by the box around it) inside another box, in square points: exact, by integration.
 * Stretched to the unit circle, it is the integral over x of what lies between the box's lower and upper edge, each
 * held within the circle; the antiderivative of √(1 − x²) is (x·√(1 − x²) + arcsin x) / 2. An ellipse without area: 0.
 */
export function ellipseInside(ellipse: Box, box: Box): number {
  const [rx, ry] = [ellipse.width / 2, ellipse.height / 2]
  if (!(rx > 0 && ry > 0)) return 0
  const x = (at: number) => Math.min(1, Math.max(-1, (at - ellipse.x) / rx - 1))
  const y = (at: number) => (at - ellipse.y) / ry - 1
  const [from, to] = [x(box.x), x(box.x + box.width)]
  return rx * ry * Math.max(0, under(y(box.y + box.height), from, to) - under(y(box.y), from, to))
}

/** The integral of a level that is held within the unit circle, from one x to another. */
function under(level: number, from: number, to: number): number {
  if (level < 0) return -under(-level, from, to)
  // Within ± flat the level itself lies in the circle, beyond it the circle is lower.
  const flat = Math.sqrt(1 - Math.min(1, level) ** 2)
  const [a, b] = [Math.max(from, -flat), Math.min(to, flat)]
  const arc = circle(to) - circle(from)
  return b > a ? arc - (circle(b) - circle(a)) + Math.min(1, level) * (b - a) : arc
}

const circle = (x: number) => (x * Math.sqrt(1 - x * x) + Math.asin(x)) / 2
