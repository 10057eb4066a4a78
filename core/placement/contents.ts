import type { PieceId, PlaceId } from '../board/ids'
import type { Lane } from '../board/place'
import type { Size } from '../geometry/shape'
import { certaintyInAll, type Certainty, type Placement, type Share } from './placement'

export interface Contents {
  readonly piece: PieceId
  readonly share: Share
  readonly centre: { x: number; y: number }
}

/** What lies in a place, surely or perhaps, in the order of the placements. */
export function contentsOf(place: PlaceId, placements: readonly Placement[], certainty?: Certainty): Contents[] {
  return placements.flatMap(placement => {
    const share = placement.shares.find(s => s.place === place && (!certainty || certaintyInAll(s) === certainty))
    return share && placement.at === 'page' ? [{ piece: placement.piece, share, centre: placement.centre }] : []
  })
}

/**
 * What surely lies in a lane, in reading order: a row from left to right (or from the right where it says so), several
 * rows from the top; a column from the top, several columns from the left. A lane too shallow for two rows has one. In
 * a deeper one pieces stand in one row when, looked at across it, they overlap by a third of the lower one at least, or
 * by two thirds where one lies above the other; children lay crookedly, so a row may climb or sink from one to the
 * next: each piece is held against its neighbour along the row, not against the first. Pieces at one spot keep the
 * order of the placements. Those named as `unsure` count as if they were in.
 */
export function laneOrder(
  lane: Lane,
  placements: readonly Placement[],
  sizeOf: (piece: PieceId) => Size,
  unsure: readonly PieceId[] = [],
): PieceId[] {
  const row = lane.direction === 'row'
  const there = contentsOf(lane.id, placements).filter(
    ({ piece, share }) => certaintyInAll(share) === 'in' || unsure.includes(piece),
  )
  const held = there.map(({ piece, centre }): Standing => {
    const { width, height } = sizeOf(piece)
    return row
      ? { piece, along: lane.fromRight ? -centre.x : centre.x, across: centre.y, long: width, deep: height }
      : { piece, along: centre.y, across: centre.x, long: height, deep: width }
  })
  const depth = row ? lane.shape.height : lane.shape.width
  const deepest = Math.max(0, ...held.map(one => one.deep))
  const rows = depth < ROOM_FOR_TWO * deepest ? [held] : rowsOf(held)
  return rows.flatMap(line => line.toSorted((a, b) => a.along - b.along).map(one => one.piece))
}

/** Two rows of pieces have room in a lane that is so many times as deep as they are, reaching out of it a little. */
const ROOM_FOR_TWO = 1.8
const SAME_ROW = { beside: 1 / 3, above: 2 / 3 }

/** A piece in a lane: where it stands along it and across it, and how long and deep it is there. */
interface Standing {
  readonly piece: PieceId
  readonly along: number
  readonly across: number
  readonly long: number
  readonly deep: number
}

/**
 * From the top: each row is begun by what stands highest, and goes on to both sides with whatever overlaps its
 * neighbour.
 */
function rowsOf(held: readonly Standing[]): Standing[][] {
  const rows: Standing[][] = []
  for (const one of held.toSorted((a, b) => a.along - b.along)) {
    const fits = rows.filter(line => sharesRow(line.at(-1)!, one))
    const near = fits.toSorted(
      (a, b) => Math.abs(a.at(-1)!.across - one.across) - Math.abs(b.at(-1)!.across - one.across),
    )[0]
    if (near) near.push(one)
    else rows.push([one])
  }
  const height = (line: readonly Standing[]) => line.reduce((sum, one) => sum + one.across, 0) / line.length
  return rows.toSorted((a, b) => height(a) - height(b))
}

function sharesRow(a: Standing, b: Standing): boolean {
  const across = overlap(a.across, a.deep, b.across, b.deep) / Math.min(a.deep, b.deep)
  const along = overlap(a.along, a.long, b.along, b.long) / Math.min(a.long, b.long)
  return across >= (along > 0.5 ? SAME_ROW.above : SAME_ROW.beside)
}

/** How far two lengths lie over each other, given by their middles; negative where they don't. */
const overlap = (a: number, aSize: number, b: number, bSize: number) =>
  Math.min(a + aSize / 2, b + bSize / 2) - Math.max(a - aSize / 2, b - bSize / 2)
