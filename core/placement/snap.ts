import { PIECE_TRAITS } from '../board/pieceTraits'
import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Grid } from '../board/place'
import { within } from '../geometry/area'
import { outlined } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { piecesOf } from '../slate/pieces'
import type { SlateState } from '../slate/state'
import { straightBox } from '../bodies/straight'

/** A tile let go within so many points of another's edge is laid to it. */
const SNAP = 7

/**
 * Where a tile comes to lie that is let go near others: edge to edge with those beside it, or in line with them, so
 * that a shape of tiles has no gaps. The nearest edge counts, across and down each for itself; ties go to the earlier
 * tile. A cover let go with its middle over a grid lies on whole cells. All other pieces, and what lies aslant, stay
 * where they are let go.
 */
export function snapped({
  state,
  piece,
  centre,
  page,
  edition,
}: {
  readonly state: SlateState
  readonly piece: PieceId
  readonly centre: Point
  readonly page: Page
  readonly edition: Edition
}): Point {
  const known = edition.pieces.get(piece)!
  if (known.piece.kind === 'cover') return onCells({ ...centre, turn: state.pieces[piece]?.turn }, known.master, page)
  const box = PIECE_TRAITS[known.piece.kind].snaps
    ? straightBox({ ...centre, turn: state.pieces[piece]?.turn }, known.master)
    : null
  if (!box) return centre
  const others = piecesOf(state, page, edition).flatMap((other): Box[] => {
    const lies = state.pieces[other.id]
    const around =
      PIECE_TRAITS[other.kind].snaps && other.id !== piece && lies
        ? straightBox(lies, edition.pieces.get(other.id)!.master)
        : null
    return around && near(around, box) ? [around] : []
  })
  const across = nearest(others.flatMap(o => shifts(box.x, box.width, o.x, o.width)))
  const down = nearest(others.flatMap(o => shifts(box.y, box.height, o.y, o.height)))
  return { x: centre.x + across, y: centre.y + down }
}

/** Cells side by side. */
interface Row {
  readonly from: number
  readonly length: number
  readonly count: number
}

/** The middle of the block of cells that a cover of its size is meant for; of grids over each other of the first. */
function onCells(
  lies: Parameters<typeof straightBox>[0],
  master: Parameters<typeof straightBox>[1],
  page: Page,
): Point {
  const middle = { x: lies.x, y: lies.y }
  const box = straightBox(lies, master)
  const grid = page.places.find(
    (place): place is Grid => place.kind === 'grid' && within(outlined(place.shape).points, middle),
  )
  if (!box || !grid) return middle
  const { shape, rows, columns } = grid
  const along = (at: number, size: number, { from, length, count }: Row) => {
    const cell = length / count
    const cells = Math.min(count, Math.max(1, Math.round(size / cell)))
    const first = Math.min(count - cells, Math.max(0, Math.round((at - (cells * cell) / 2 - from) / cell)))
    return from + (first + cells / 2) * cell
  }
  return {
    x: along(middle.x, box.width, { from: shape.x, length: shape.width, count: columns }),
    y: along(middle.y, box.height, { from: shape.y, length: shape.height, count: rows }),
  }
}

const near = (a: Box, b: Box) =>
  a.x - SNAP < b.x + b.width && b.x - SNAP < a.x + a.width && a.y - SNAP < b.y + b.height && b.y - SNAP < a.y + a.height

/** How far to go so that edges meet (end to start, start to end) or fall in line (start to start, end to end). */
const shifts = (at: number, size: number, to: number, toSize: number) => [
  to - at - size,
  to + toSize - at,
  to - at,
  to + toSize - at - size,
]

function nearest(all: readonly number[]): number {
  const least = all.reduce((best, shift) => (Math.abs(shift) < Math.abs(best) ? shift : best), Infinity)
  return Math.abs(least) <= SNAP ? least : 0
}
