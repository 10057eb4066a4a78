import { area } from '../../geometry/area'
import { outline } from '../../geometry/outline'
import type { Point } from '../../geometry/shape'
import type { Finding, Rule } from '../finding'

const SMALLEST = 4

/** Places whose outline crosses itself or holds nothing: nobody can say what lies in them. */
export const badShape: Rule = {
  name: 'bad-shape',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const bad = page.places.filter(
        ({ shape }) => area(outline(shape)) < SMALLEST || (shape.kind === 'polygon' && crossesItself(shape.points)),
      )
      if (bad.length === 0) return []
      return [
        {
          rule: 'bad-shape',
          severity: 'stops',
          page: page.id,
          subjects: bad.map(p => p.id),
          words: { count: bad.length, headings: bad.map(p => p.heading || '…').join(', ') },
        },
      ]
    }),
}

/** Whether two edges that don't follow each other meet. Quadratic in the number of corners. */
export function crossesItself(points: readonly Point[]): boolean {
  const n = points.length
  const side = (a: Point, b: Point, c: Point) => Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x))
  return points.some((a, i) => {
    const b = points[(i + 1) % n]!
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue
      const [c, d] = [points[j]!, points[(j + 1) % n]!]
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true
    }
    return false
  })
}
