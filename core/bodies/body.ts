import type { Master, Piece } from '../board/piece'
import { floating } from '../exact/written'
import { area, areaInside, areaWithin } from '../geometry/area'
import { ellipseInside } from '../geometry/ellipse'
import { bounds, boxAround, corners, outlined } from '../geometry/outline'
import type { Box, Point, Shape, Size } from '../geometry/shape'
import { turnedAround } from '../geometry/turned'
import { common } from '../geometry/union'
import type { Lies } from './lies'
import { turnedSize } from './straight'

/** What a piece really covers, where it lies. */
export interface Body {
  /** Around it. */
  readonly box: Box
  readonly area: number
  /** How much of it lies in a shape, in square points. */
  readonly inside: (shape: Shape) => number
  /** Convex polygons, clockwise, that make it up. */
  readonly parts: readonly (readonly Point[])[]
}

type Looks = Pick<Master, 'width' | 'height' | 'look' | 'textSize'>

/** A piece is its box, a disc, a part of a disc or a hand, as its master looks; tokens are discs. */
export function bodyOf(kind: Piece['kind'], master: Looks, { x, y, turn = 0 }: Lies): Body {
  const centre = { x, y }
  const round = master.look?.kind === 'round' || (kind === 'token' && !master.look)
  if (round && master.width === master.height) return disc(boxAround(centre, master))
  const outline = outlineOf(master, round)
  if (!outline && turn % 90 === 0) return new Rectangle(boxAround(centre, turnedSize(master, turn)))
  const parts = (outline ?? [corners(boxAround({ x: 0, y: 0 }, master))]).map(part =>
    part.map(p => turnedAround(centre, { x: x + p.x, y: y + p.y }, turn)),
  )
  return {
    box: bounds(parts.flat()),
    parts,
    area: parts.reduce((sum, part) => sum + area(part), 0),
    inside: shape => parts.reduce((sum, part) => sum + areaWithin(outlined(shape).points, part), 0),
  }
}

/** By far the most: of one class, so that making one is cheap and its corners are found only where they are wanted. */
class Rectangle implements Body {
  readonly area: number
  constructor(readonly box: Box) {
    this.area = box.width * box.height
  }
  get parts() {
    return [corners(this.box)]
  }
  inside(shape: Shape): number {
    if (shape.kind === 'polygon') return areaInside(shape.points, this.box)
    if (shape.kind === 'ellipse') return ellipseInside(shape, this.box)
    const part = common(shape, this.box)
    return part ? part.width * part.height : 0
  }
}

/** Against rectangles exact; against all else as a polygon of many sides with the disc's own area. */
function disc(box: Box): Body {
  const points = outlined({ kind: 'ellipse', ...box }).points
  return {
    box,
    area: (Math.PI * box.width * box.height) / 4,
    parts: [points],
    inside: shape =>
      shape.kind === 'rectangle' ? ellipseInside(box, shape) : areaWithin(outlined(shape).points, points),
  }
}

/** Around its centre, unturned; null for its box. */
function outlineOf(master: Looks, round: boolean): Point[][] | null {
  if (round) return [stadium(master)]
  switch (master.look?.kind) {
    case 'sector':
      return sector(master.width / 2, floating(master.look.share))
    case 'hand':
      return [hand(master)]
    case 'round':
    case 'units':
    case undefined:
      return null
  }
}

const ARC_SIDES = 64

/** A part of a disc, clockwise from the top, in convex parts of no more than half of it. */
function sector(radius: number, share: number): Point[][] {
  const whole = Math.min(1, Math.max(0, share)) * 2 * Math.PI
  const halves = Math.max(1, Math.ceil(whole / Math.PI))
  return Array.from({ length: halves }, (_, i) => {
    const [from, to] = [(i * whole) / halves, ((i + 1) * whole) / halves]
    const turn = (to - from) / ARC_SIDES
    // So far out that the polygon has the sector's own area.
    const far = turn > 0 ? radius * Math.sqrt(turn / Math.sin(turn)) : radius
    const arc = Array.from({ length: ARC_SIDES + 1 }, (_, k) => from + k * turn)
    return [{ x: 0, y: 0 }, ...arc.map(at => ({ x: far * Math.sin(at), y: -far * Math.cos(at) }))]
  })
}

/** It turns round the middle of its box and points upwards; as thick as its text is large, as it is drawn. */
function hand({ height, textSize }: Looks): Point[] {
  const [thin, thick] = [textSize / 4, textSize / 2]
  return [
    { x: -thin, y: -height / 2 },
    { x: thin, y: -height / 2 },
    { x: thick, y: textSize },
    { x: -thick, y: textSize },
  ]
}

/** A box whose shorter sides are half discs. */
function stadium({ width, height }: Size): Point[] {
  const radius = Math.min(width, height) / 2
  const [dx, dy] = [width / 2 - radius, height / 2 - radius]
  return Array.from({ length: 2 * ARC_SIDES }, (_, i) => {
    const at = ((i + 0.5) * Math.PI) / ARC_SIDES
    const [cos, sin] = [Math.cos(at), Math.sin(at)]
    return { x: Math.sign(cos) * dx + radius * cos, y: Math.sign(sin) * dy + radius * sin }
  })
}
