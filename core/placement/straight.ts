import type { Master } from '../board/piece'
import { boxAround } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import type { OnPage } from '../slate/state'

/** The box of a piece that lies straight, or on its side; one that lies aslant has none: null. */
export function straightBox({ x, y, turn = 0 }: OnPage, { width, height }: Master): Box | null {
  if (turn % 90 !== 0) return null
  return boxAround({ x, y }, turn % 180 === 0 ? { width, height } : { width: height, height: width })
}
