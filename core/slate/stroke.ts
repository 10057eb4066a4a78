/** A point of a stroke: where it is, and whatever is known of it beside that. */
export type StrokePoint = readonly [x: number, y: number, ...rest: number[]]

/** What a point on a straight run is worth beside one where the line turns back on itself (π). */
const STRAIGHT = 0.2

/**
 * A stroke with one more point. A stroke that holds `most` points gives up the inner one that is missed least, the
 * earliest of equal ones: where it lies close to its neighbours, and the line hardly turns. So a long line keeps its
 * shape from beginning to end, however long it goes on, and however many points a device tells of it. Where it begins
 * and where it is now always stay; `most` is at least 2.
 */
export function withPoint<P extends StrokePoint>(points: readonly P[], point: P, most: number): P[] {
  const all = [...points, point]
  if (all.length > most) all.splice(missedLeast(all), 1)
  return all
}

function missedLeast(points: readonly StrokePoint[]): number {
  let [least, smallest] = [1, Infinity]
  for (let i = 1; i < points.length - 1; i++) {
    const missed = worth(points[i - 1]!, points[i]!, points[i + 1]!)
    if (missed < smallest) [least, smallest] = [i, missed]
  }
  return least
}

/**
 * By the way to its neighbours, and not by how far it lies from the line between them: that is next to nothing for the
 * last of a slow hand, time after time.
 */
function worth([ax, ay]: StrokePoint, [bx, by]: StrokePoint, [cx, cy]: StrokePoint): number {
  const [there, on] = [Math.hypot(bx - ax, by - ay), Math.hypot(cx - bx, cy - by)]
  const turn = Math.abs(
    Math.atan2((bx - ax) * (cy - by) - (by - ay) * (cx - bx), (bx - ax) * (cx - bx) + (by - ay) * (cy - by)),
  )
  return (there + on) * (STRAIGHT + turn)
}
