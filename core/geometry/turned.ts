import type { Point } from './shape'

/** The point turned clockwise (y runs downwards) round a centre, in degrees. */
export function turnedAround(centre: Point, { x, y }: Point, degrees: number): Point {
  if (degrees === 0) return { x, y }
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  const [dx, dy] = [x - centre.x, y - centre.y]
  return { x: centre.x + dx * cos - dy * sin, y: centre.y + dx * sin + dy * cos }
}
