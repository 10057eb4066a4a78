import type { Box, Size } from '../geometry/shape'

/** A line to show while something is moved: what it is in line with, or a gap that equals another. */
export interface Guide { readonly kind: 'line' | 'gap', readonly axis: 'across' | 'down', readonly at: number, readonly from: number, readonly to: number }

export interface Guided { readonly dx: number, readonly dy: number, readonly guides: readonly Guide[] }

interface Pull { readonly shift: number, readonly guides: readonly Guide[] }

/**
 * How far a moving box is from being in line: with an edge or the middle of another, with the middle of the page, or
 * with the gap that its neighbours keep. Only within `reach` points; the nearest counts, edges before gaps where equal.
 * Nothing near: no shift and no guides.
 */
export function guided(moving: Box, others: readonly Box[], page: Size, reach: number): Guided {
  const across = pull(moving, others, page, reach, 'across')
  const down = pull(moving, others, page, reach, 'down')
  return { dx: across?.shift ?? 0, dy: down?.shift ?? 0, guides: [...across?.guides ?? [], ...down?.guides ?? []] }
}

/** Along one axis; the other axis is seen by turning the page on its side. */
function pull(moving: Box, others: readonly Box[], page: Size, reach: number, axis: Guide['axis']): Pull | null {
  const turn = (box: Box): Box => axis === 'across' ? box : { x: box.y, y: box.x, width: box.height, height: box.width }
  const [box, rest] = [turn(moving), others.map(turn)]
  const length = axis === 'across' ? page.width : page.height
  const pulls = [...inLine(box, rest, length, axis), ...equalGaps(box, rest, axis)].filter(p => Math.abs(p.shift) <= reach)
  return pulls.toSorted((a, b) => Math.abs(a.shift) - Math.abs(b.shift))[0] ?? null
}

function inLine(box: Box, others: readonly Box[], length: number, axis: Guide['axis']): Pull[] {
  const own = [box.x, box.x + box.width / 2, box.x + box.width]
  const lines = others.flatMap(other => [other.x, other.x + other.width / 2, other.x + other.width].map((at, kind) => ({ at, kind, other })))
  const pulls = lines.flatMap(({ at, kind, other }) => own.flatMap((edge, ownKind): Pull[] => {
    // A middle goes with a middle, an edge with any edge.
    if ((kind === 1) !== (ownKind === 1)) return []
    const [from, to] = [Math.min(box.y, other.y), Math.max(box.y + box.height, other.y + other.height)]
    return [{ shift: at - edge, guides: [{ kind: 'line', axis, at, from, to }] }]
  }))
  return [...pulls, { shift: length / 2 - own[1]!, guides: [{ kind: 'line', axis, at: length / 2, from: box.y, to: box.y + box.height }] }]
}

/** Beside two that stand in one row, or between two, with the same gap. */
function equalGaps(box: Box, others: readonly Box[], axis: Guide['axis']): Pull[] {
  const row = others.filter(o => o.y < box.y + box.height && box.y < o.y + o.height).toSorted((a, b) => a.x - b.x)
  const at = box.y + box.height / 2
  const gap = (from: number, to: number): Guide => ({ kind: 'gap', axis, at, from, to })
  return row.slice(1).flatMap((b, i): Pull[] => {
    const a = row[i]!
    const between = b.x - a.x - a.width
    const after = b.x + b.width + between
    const before = a.x - between - box.width
    const middle = a.x + a.width + (between - box.width) / 2
    return [
      ...between > 0 ? [{ shift: after - box.x, guides: [gap(a.x + a.width, b.x), gap(b.x + b.width, after)] }, { shift: before - box.x, guides: [gap(before + box.width, a.x), gap(a.x + a.width, b.x)] }] : [],
      ...between > box.width ? [{ shift: middle - box.x, guides: [gap(a.x + a.width, middle), gap(middle + box.width, b.x)] }] : [],
    ]
  })
}
