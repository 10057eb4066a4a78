import { getStroke } from 'perfect-freehand'
import type { PathPrimitive } from './primitive'

/** The outline of a pen's stroke. `points` are x, y and the pressure, if it is known; empty for none. */
export function inkPath(points: readonly (readonly number[])[], size: number): string {
  const outline = getStroke(
    points.map(p => [...p]),
    { size, thinning: points[0]?.length === 3 ? 0.5 : 0, smoothing: 0.6, streamline: 0.4 },
  )
  if (outline.length < 2) return ''
  const [first, ...rest] = outline.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`)
  return `M${first}L${rest.join('L')}Z`
}

const PEN = 4

/** A stroke in a drawing space: dark as a pencil, never in the margin's colour. */
export const drawStroke = (points: readonly (readonly number[])[]): PathPrimitive[] => [
  { kind: 'path', d: inkPath(points, PEN), fill: 'line' },
]
