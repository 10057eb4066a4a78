import { turnedSize } from '../bodies/straight'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { arrowHead } from '../geometry/arrow'
import { rimTowards } from '../geometry/outline'
import type { SlateState } from '../slate/state'
import { polygon, polyline, type Primitive } from './primitive'

/** An arrow from the edge of one piece to the edge of another, wherever they are. Both lie on the page. */
export function drawJoin(
  [from, to]: readonly [PieceId, PieceId],
  { edition, state }: { readonly edition: Edition; readonly state: SlateState },
): Primitive[] {
  const sizeOf = (piece: PieceId) => turnedSize(edition.pieces.get(piece)!.master, state.pieces[piece]?.turn)
  const [a, b] = [state.pieces[from]!, state.pieces[to]!]
  const [start, end] = [rimTowards(a, sizeOf(from), b), rimTowards(b, sizeOf(to), a)]
  const { corners, foot } = arrowHead(start, end, 14, 14)
  return [
    { kind: 'path', d: polyline([start, foot]), stroke: { colour: 'join', width: 3.5 } },
    { kind: 'path', d: polygon(corners), fill: 'join' },
  ]
}
