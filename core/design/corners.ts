import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'
import type { Point, Shape } from '../geometry/shape'
import { requirePage, withPage } from './lookup'

const MOST_CORNERS = 60

/**
 * The points of a thing that can be dragged one by one: the corners of a free outline, the two ends of a line. None for
 * anything else.
 */
export function endsOf(board: Board, pageId: PageId, id: string): readonly Point[] {
  const page = requirePage(board, pageId)
  const line = page.backdrop.lines?.find(l => l.id === id)
  if (line) return [line.from, line.to]
  const shape = shapeOf(page, id)
  return shape?.kind === 'polygon' ? shape.points : []
}

const shapeOf = (page: Page, id: string) =>
  page.places.find(p => p.id === id)?.shape ?? page.backdrop.figures?.find(f => f.id === id)?.shape

/** One corner or end moved, held on the page. A corner that isn't there: nothing changes. */
export function moveCorner({
  board,
  pageId,
  id,
  corner,
  to,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly id: string
  readonly corner: number
  readonly to: Point
}): Board {
  const page = requirePage(board, pageId)
  const at = { x: Math.min(page.width, Math.max(0, to.x)), y: Math.min(page.height, Math.max(0, to.y)) }
  const line = page.backdrop.lines?.find(l => l.id === id)
  if (line)
    return withPage(board, pageId, p => ({
      ...p,
      backdrop: {
        ...p.backdrop,
        lines: p.backdrop.lines!.map(l => (l.id === id ? { ...l, [corner === 0 ? 'from' : 'to']: at } : l)),
      },
    }))
  return withPoints(board, pageId, id, points => points.map((p, i) => (i === corner ? at : p)))
}

/** One corner more, in the middle of the longest side. */
export function addCorner(board: Board, pageId: PageId, id: string): Board {
  return withPoints(board, pageId, id, points => {
    if (points.length >= MOST_CORNERS) return points
    const sides = points.map((a, i) => ({ i, a, b: points[(i + 1) % points.length]! }))
    const { i, a, b } = sides.toSorted((s, t) => length(t.a, t.b) - length(s.a, s.b))[0]!
    return points.toSpliced(i + 1, 0, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
  })
}

/** One corner less: the one that changes the outline least. A triangle stays. */
export function removeCorner(board: Board, pageId: PageId, id: string): Board {
  return withPoints(board, pageId, id, points => {
    if (points.length <= 3) return points
    const detour = points.map((p, i) => {
      const [a, b] = [points.at(i - 1)!, points[(i + 1) % points.length]!]
      return { i, by: length(a, p) + length(p, b) - length(a, b) }
    })
    return points.toSpliced(detour.toSorted((s, t) => s.by - t.by)[0]!.i, 1)
  })
}

const length = (a: Point, b: Point) => Math.hypot(b.x - a.x, b.y - a.y)

function withPoints(board: Board, pageId: PageId, id: string, to: (points: Point[]) => Point[]): Board {
  const polygon = <T extends { id: string; shape: Shape }>(thing: T): T =>
    thing.id === id && thing.shape.kind === 'polygon'
      ? { ...thing, shape: { ...thing.shape, points: to(thing.shape.points) } }
      : thing
  return withPage(board, pageId, page => ({
    ...page,
    places: page.places.map(polygon),
    backdrop: { ...page.backdrop, ...(page.backdrop.figures && { figures: page.backdrop.figures.map(polygon) }) },
  }))
}
