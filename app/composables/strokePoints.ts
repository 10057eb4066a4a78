/**
 * A stroke with one more point. A stroke that is full is thinned to every second of its points first: a long line keeps
 * its shape to the end instead of stopping under the pen.
 */
export function withPoint<P>(points: readonly P[], point: P, most: number): P[] {
  return [...points.length < most ? points : points.filter((_, i) => i % 2 === 0), point]
}
