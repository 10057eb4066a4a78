import type { Master } from '../board/piece'
import { boxAround } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import type { Lies } from './lies'

/** The box of a piece that lies straight, or on its side; one that lies aslant has none: null. */
export function straightBox({ x, y, turn = 0 }: Lies, { width, height }: Master): Box | null {
  return turn % 90 === 0 ? boxAround({ x, y }, turnedSize({ width, height }, turn)) : null
}

/** The size of the box around a piece that is turned by so many degrees. */
export function turnedSize({ width, height }: Size, turn = 0): Size {
  if (turn % 180 === 0) return { width, height }
  if (turn % 90 === 0) return { width: height, height: width }
  const [cos, sin] = [Math.abs(Math.cos((turn * Math.PI) / 180)), Math.abs(Math.sin((turn * Math.PI) / 180))]
  return { width: width * cos + height * sin, height: width * sin + height * cos }
}
