import type { Box, Size } from '../geometry/shape'

/** A line to show while something is moved: what it is in line with, or a gap that equals another. */
export interface Guide {
  readonly kind: 'line' | 'gap'
  readonly axis: 'across' | 'down'
  readonly at: number
  readonly from: number
  readonly to: number
}

export interface Guided {
  readonly dx: number
  readonly dy: number
  readonly guides: readonly Guide[]
}

interface Pull {
  readonly shift: number
  readonly guides: () => readonly Guide[]
}

/**
 * How far a moving box is from being in line: with an edge or the middle of another, with the middle of the page, or
 * with the gap that its neighbours keep. Only within `reach` points; the nearest counts, edges before gaps where equal.
 * Nothing near: no shift and no guides. It is asked for every frame of a drag, so nothing is made that isn't shown.
 */
export function guided(moving: Box, others: readonly Box[], page: Size, reach: number): Guided {
  const across = pull({ moving, others, page, reach, axis: 'across' })
  const down = pull({ moving, others, page, reach, axis: 'down' })
  return {
    dx: across?.shift ?? 0,
    dy: down?.shift ?? 0,
    guides: [...(across?.guides() ?? []), ...(down?.guides() ?? [])],
  }
}

/** Along one axis; the other axis is seen by turning the page on its side. */
function pull({
  moving,
  others,
  page,
  reach,
  axis,
}: {
  readonly moving: Box
  readonly others: readonly Box[]
  readonly page: Size
  readonly reach: number
  readonly axis: Guide['axis']
}): Pull | null {
  const turn = (box: Box): Box =>
    axis === 'across' ? box : { x: box.y, y: box.x, width: box.height, height: box.width }
  const box = turn(moving)
  let best: Pull | null = null
  const offer = (shift: number, guides: () => readonly Guide[]) => {
    if (Math.abs(shift) <= reach && (!best || Math.abs(shift) < Math.abs(best.shift))) best = { shift, guides }
  }
  const rest = others.map(turn)
  for (const other of rest) inLine(box, other, axis, offer)
  const middle = (axis === 'across' ? page.width : page.height) / 2
  offer(middle - box.x - box.width / 2, () => [{ kind: 'line', axis, at: middle, from: box.y, to: box.y + box.height }])
  equalGaps(box, rest, axis, offer)
  return best
}

type Offer = (shift: number, guides: () => readonly Guide[]) => void

/** A middle goes with a middle, an edge with any edge. */
function inLine(box: Box, other: Box, axis: Guide['axis'], offer: Offer) {
  const line = (at: number) => (): Guide[] => [
    {
      kind: 'line',
      axis,
      at,
      from: Math.min(box.y, other.y),
      to: Math.max(box.y + box.height, other.y + other.height),
    },
  ]
  const [left, right] = [other.x, other.x + other.width]
  offer(left - box.x, line(left))
  offer(right - box.x, line(right))
  offer(left - box.x - box.width, line(left))
  offer(right - box.x - box.width, line(right))
  const middle = other.x + other.width / 2
  offer(middle - box.x - box.width / 2, line(middle))
}

/** Beside two that stand in one row, or between two, with the same gap. */
function equalGaps(box: Box, others: readonly Box[], axis: Guide['axis'], offer: Offer) {
  const row = others.filter(o => o.y < box.y + box.height && box.y < o.y + o.height).toSorted((a, b) => a.x - b.x)
  const at = box.y + box.height / 2
  const gap = (from: number, to: number): Guide => ({ kind: 'gap', axis, at, from, to })
  for (let i = 1; i < row.length; i++) {
    const [a, b] = [row[i - 1]!, row[i]!]
    const [end, start, foot] = [a.x + a.width, b.x, b.x + b.width]
    const between = start - end
    if (between > 0) {
      offer(foot + between - box.x, () => [gap(end, start), gap(foot, foot + between)])
      offer(a.x - between - box.width - box.x, () => [gap(a.x - between, a.x), gap(end, start)])
    }
    if (between > box.width) {
      const middle = end + (between - box.width) / 2
      offer(middle - box.x, () => [gap(end, middle), gap(middle + box.width, start)])
    }
  }
}
