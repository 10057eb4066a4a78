import svgpath from 'svgpath'
import { bounds } from '../../geometry/outline'
import type { Point } from '../../geometry/shape'
import type { BoxPart, LinePart, Part } from './slide'

/** An outline has so many corners at most. */
const MOST_CORNERS = 400
/** A curve is so many straight pieces. */
const PIECES = 12
const MOST_SEGMENTS = 20_000

/** One run of a path without lifting the pen. */
export interface Run {
  readonly points: readonly Point[]
  readonly closed: boolean
}

/**
 * The runs of a path as SVG 2 (9.3) writes it, curves as straight pieces; what can't be read ends it. `matrix` as SVG's
 * `transform` says where it lies.
 */
export function runsOf(d: string, matrix?: readonly number[]): Run[] {
  const path = svgpath(d).abs().unarc().unshort()
  if (matrix) path.matrix([...matrix] as [number, number, number, number, number, number])
  const runs: { points: Point[]; closed: boolean }[] = []
  let start: Point = { x: 0, y: 0 }
  let segments = 0
  path.iterate(([name, ...n], _, x, y) => {
    if (++segments > MOST_SEGMENTS) return
    const at = { x, y }
    const run = () => {
      let last = runs.at(-1)
      if (!last || last.closed) runs.push((last = { points: [at], closed: false }))
      return last.points
    }
    switch (name) {
      case 'M':
        start = { x: n[0]!, y: n[1]! }
        runs.push({ points: [start], closed: false })
        break
      case 'L':
        run().push({ x: n[0]!, y: n[1]! })
        break
      case 'H':
        run().push({ x: n[0]!, y })
        break
      case 'V':
        run().push({ x, y: n[0]! })
        break
      case 'C':
        run().push(...curve([at, { x: n[0]!, y: n[1]! }, { x: n[2]!, y: n[3]! }, { x: n[4]!, y: n[5]! }]))
        break
      case 'Q':
        run().push(...curve([at, { x: n[0]!, y: n[1]! }, { x: n[2]!, y: n[3]! }]))
        break
      case 'Z': {
        const last = runs.at(-1)
        if (last) last.closed = true
        break
      }
    }
  })
  return runs.filter(
    run => run.points.length > 1 && run.points.every(p => Number.isFinite(p.x) && Number.isFinite(p.y)),
  )
}

/** Points of a Bézier curve of any degree after its first, by de Casteljau. */
function curve(control: readonly Point[]): Point[] {
  return Array.from({ length: PIECES }, (_, i) => {
    const t = (i + 1) / PIECES
    let row = [...control]
    while (row.length > 1)
      row = row.slice(1).map((p, k) => ({ x: row[k]!.x + t * (p.x - row[k]!.x), y: row[k]!.y + t * (p.y - row[k]!.y) }))
    return row[0]!
  })
}

/**
 * The largest of the runs as the corners of an outline, thinned where it has too many; how many others there are. Null
 * where none encloses anything.
 */
export function outlineOf(runs: readonly Run[]): { points: Point[]; others: number } | null {
  const size = ({ points }: Run) => {
    const { width, height } = bounds(points)
    return width * height
  }
  const [largest, ...others] = runs.filter(run => run.points.length > 2).toSorted((a, b) => size(b) - size(a))
  if (!largest || size(largest) === 0) return null
  const [first, last] = [largest.points[0]!, largest.points.at(-1)!]
  const open = first.x === last.x && first.y === last.y ? largest.points.slice(0, -1) : largest.points
  if (open.length < 3) return null
  const step = Math.ceil(open.length / MOST_CORNERS)
  return { points: open.filter((_, i) => i % step === 0), others: others.length }
}

export interface Stroke extends Pick<LinePart, 'colour' | 'thickness' | 'dashed' | 'below'> {
  readonly start: boolean
  readonly end: boolean
}
/** A run of so many corners is as many lines; a longer one is one outline that goes there and back. */
const MOST_LINES = 5

/** Runs that enclose nothing: lines from corner to corner, or curves drawn as outlines without an inside. */
export function openParts(runs: readonly Run[], stroke: Stroke): Part[] {
  return runs.flatMap(({ points, closed }): Part[] => {
    const corners = closed ? [...points, points[0]!] : points
    return corners.length <= MOST_LINES
      ? corners.slice(1).map((to, i) => lineBetween(corners[i]!, to, stroke))
      : [thereAndBack(corners, stroke)]
  })
}

export function lineBetween(start: Point, stop: Point, stroke: Stroke): LinePart {
  const { colour, thickness, dashed, below } = stroke
  const [from, to] = stroke.start && !stroke.end ? [stop, start] : [start, stop]
  const points = stroke.start && stroke.end ? 'both' : stroke.start || stroke.end ? 'one' : 'none'
  return { kind: 'line', from, to, colour, thickness, points, dashed, below }
}

function thereAndBack(corners: readonly Point[], { colour, below }: Stroke): BoxPart {
  const step = Math.ceil((2 * corners.length) / MOST_CORNERS)
  const there = corners.filter((_, i) => i % step === 0 || i === corners.length - 1)
  const points = [...there, ...there.slice(1, -1).toReversed()]
  return {
    kind: 'box',
    shape: { kind: 'polygon', points },
    box: bounds(points),
    turn: 0,
    line: colour,
    fill: null,
    text: '',
    textSize: 18,
    bold: false,
    fromLeft: false,
    heading: false,
    below,
  }
}
