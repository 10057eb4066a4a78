import type { Figure } from '../../board/backdrop'
import { areaInside, within } from '../../geometry/area'
import { angleBetween, distanceToLine, evenly, lineThrough } from '../../geometry/line'
import { bounds, outline } from '../../geometry/outline'
import type { Box, Point } from '../../geometry/shape'
import { diameter, type Axes } from '../../geometry/symmetry'
import { breakLines } from '../../text/lines'
import { LINE_HEIGHT, textWidth } from '../../text/measure'

export type Stroke = readonly Point[]
/** *none*: it is no such thing, or not meant for it. */
export type Sureness = 'sure' | 'perhaps' | 'none'

/** A line drawn by hand stands for an axis within so many degrees, and so much of the figure's size off its middle. */
const AXIS = { sure: { turn: 6, off: 0.05 }, perhaps: { turn: 12, off: 0.1 } }
/**
 * It must run through the figure for this share of the way that the axis does, and be as straight (shares of the
 * figure's size).
 */
const THROUGH = { sure: 0.4, perhaps: 0.25 }
const STRAIGHT = 0.06
/** A line strays from itself by no more than this share of its length: else it is a doodle. */
const SLIM = 0.12
/** What is shorter than this share of a figure's size, and no dash of a line, is a slip of the pen. */
const DOT = 0.1
/** Strokes farther from every figure than this share of its size are meant for none. */
const ELSEWHERE = 0.25
/**
 * Dashes belong to one line when they point the same way within so many degrees, and the gap between them is so small.
 */
const DASHES = { turn: 15, off: 0.05, gap: 0.3 }
/** The ends of a ring may stay apart by this share of its length; up to the second, it is perhaps one. */
const OPEN = { sure: 0.3, perhaps: 0.42 }
/** A ring holds so much of what it is drawn round. */
const HOLDS = { sure: 0.5, perhaps: 0.25 }
/** A line starts and ends at a figure when it does so within so many points of it; up to the second, perhaps. */
const NEAR = { sure: 14, perhaps: 30 }
/** A pen that is lifted goes on within so many points. */
const LIFTED = 24

/** So many strokes are held against each other; of more the longest are, for they are the ones that mean something. */
const MOST_HELD = 60

/** The longest of many strokes, and the rest. */
function longest(strokes: readonly Stroke[]): [Stroke[], Stroke[]] {
  if (strokes.length <= MOST_HELD) return [[...strokes], []]
  const kept = new Set(strokes.toSorted((a, b) => lengthOf(b) - lengthOf(a)).slice(0, MOST_HELD))
  return [strokes.filter(stroke => kept.has(stroke)), strokes.filter(stroke => !kept.has(stroke))]
}

export const lengthOf = (stroke: Stroke) =>
  stroke.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - stroke[i]!.x, p.y - stroke[i]!.y), 0)
export const boxOf = (figure: Figure): Box => bounds(outline(figure.shape))

/** Nought inside. */
function distanceToBox({ x, y }: Point, box: Box): number {
  return Math.hypot(Math.max(0, box.x - x, x - box.x - box.width), Math.max(0, box.y - y, y - box.y - box.height))
}

/**
 * The strokes meant for each figure: by their middles, the nearest; slips of the pen, and what lies elsewhere, for
 * none.
 */
export function strokesFor(
  figures: readonly Figure[],
  strokes: readonly Stroke[],
): ReadonlyMap<Figure, readonly Stroke[]> {
  const meant = new Map<Figure, Stroke[]>(figures.map(figure => [figure, []]))
  for (const stroke of strokes) {
    const middle = stroke[Math.floor(stroke.length / 2)]!
    const nearest = figures.toSorted((a, b) => distanceToBox(middle, boxOf(a)) - distanceToBox(middle, boxOf(b)))[0]
    if (!nearest || distanceToBox(middle, boxOf(nearest)) > ELSEWHERE * diameter(nearest.shape)) continue
    meant.get(nearest)!.push(stroke)
  }
  return new Map(
    figures.map(figure => {
      const [held, rest] = longest(meant.get(figure)!)
      const size = diameter(figure.shape)
      return [figure, [...joinedDashes(held, size), ...rest].filter(stroke => lengthOf(stroke) >= DOT * size)]
    }),
  )
}

/** Dashes in one line, as the line that they are; all other strokes as they were drawn. */
function joinedDashes(strokes: readonly Stroke[], size: number): Stroke[] {
  const lines: Stroke[] = []
  for (const stroke of strokes) {
    const at = lines.findIndex(line => areOneLine(line, stroke, size))
    if (at < 0) lines.push(stroke)
    else lines[at] = evenly(alongLine([...lines[at]!, ...stroke]))
  }
  return lines.length < strokes.length ? joinedDashes(lines, size) : lines
}

function areOneLine(a: Stroke, b: Stroke, size: number): boolean {
  const [first, second, both] = [lineThrough(a), lineThrough(b), lineThrough([...a, ...b])]
  if (!first || !second || !both || first.stray > STRAIGHT * size || second.stray > STRAIGHT * size) return false
  if (angleBetween(first.angle, second.angle) > DASHES.turn || both.stray > DASHES.off * size) return false
  return both.length - first.length - second.length <= DASHES.gap * size
}

/** In the order in which they lie along their line. */
function alongLine(points: readonly Point[]): Point[] {
  const turn = ((lineThrough(points)?.angle ?? 0) * Math.PI) / 180
  return points.toSorted((a, b) => (a.x - b.x) * Math.cos(turn) + (a.y - b.y) * Math.sin(turn))
}

export interface AxisDrawn {
  readonly sureness: Sureness
  readonly axis: number
  /** It is a line at all: one that is no axis is wrong, a doodle beside one is not. */
  readonly straight: boolean
}

/** Which axis of a figure a stroke stands for, and how surely. A line that runs beside the figure stands for none. */
export function axisDrawn(stroke: Stroke, figure: Figure, { angles, centre }: Axes): AxisDrawn {
  const line = lineThrough(stroke)
  const size = diameter(figure.shape)
  if (!line || line.stray > Math.min(STRAIGHT * size, SLIM * line.length))
    return { sureness: 'none', axis: 0, straight: false }
  const axis =
    angles === 'all'
      ? line.angle
      : angles.toSorted((a, b) => angleBetween(a, line.angle) - angleBetween(b, line.angle))[0]!
  const points = outline(figure.shape)
  const inside = (stroke.filter(p => within(points, p)).length / stroke.length) * lengthOf(stroke)
  const through = inside / chordOf(points, centre, axis)
  const [turn, off] = [angleBetween(axis, line.angle), distanceToLine(centre, line) / size]
  const holds = (how: 'sure' | 'perhaps') => turn <= AXIS[how].turn && off <= AXIS[how].off && through >= THROUGH[how]
  return { sureness: holds('sure') ? 'sure' : holds('perhaps') ? 'perhaps' : 'none', axis, straight: true }
}

const CHORD_STEPS = 200

/** How far an axis runs within an outline. */
function chordOf(points: readonly Point[], centre: Point, angle: number): number {
  const { width, height } = bounds(points)
  const reach = Math.hypot(width, height)
  const [dx, dy] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)]
  const step = (2 * reach) / CHORD_STEPS
  const inside = Array.from({ length: CHORD_STEPS }, (_, i) => -reach + (i + 0.5) * step).filter(at =>
    within(points, { x: centre.x + at * dx, y: centre.y + at * dy }),
  ).length
  return Math.max(step, inside * step)
}

/** The figures that rings are drawn round, closed by one stroke or by two that go on from each other. */
export function ringedBy(
  strokes: readonly Stroke[],
  options: readonly Figure[],
): ReadonlyMap<Figure, 'sure' | 'perhaps'> {
  const ringed = new Map<Figure, 'sure' | 'perhaps'>()
  for (const { path, sureness } of ringsIn(strokes)) {
    for (const option of options) {
      const box = worded(option)
      const share = areaInside(path, box) / (box.width * box.height)
      const how = share >= HOLDS.sure ? sureness : share >= HOLDS.perhaps ? 'perhaps' : null
      if (how && ringed.get(option) !== 'sure') ringed.set(option, how)
    }
  }
  return ringed
}

interface Loop {
  readonly path: Stroke
  readonly sureness: 'sure' | 'perhaps'
}

function ringsIn(strokes: readonly Stroke[]): Loop[] {
  const loops: Loop[] = []
  const open: Stroke[] = []
  for (const stroke of strokes) {
    const sureness = closed(stroke)
    if (sureness) loops.push({ path: stroke, sureness })
    if (sureness !== 'sure') open.push(stroke)
  }
  const [held] = longest(open)
  held.forEach((a, i) =>
    held.slice(i + 1).forEach(b => {
      for (const path of [
        [...a, ...b],
        [...a, ...b.toReversed()],
      ]) {
        const sureness =
          gapBetween(path[a.length - 1]!, path[a.length]!) <= (OPEN.sure * lengthOf(path)) / 2 ? closed(path) : null
        if (sureness) loops.push({ path, sureness })
      }
    }),
  )
  return loops
}

const gapBetween = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

function closed(path: Stroke): 'sure' | 'perhaps' | null {
  const gap = gapBetween(path[0]!, path.at(-1)!) / lengthOf(path)
  return gap <= OPEN.sure ? 'sure' : gap <= OPEN.perhaps ? 'perhaps' : null
}

/** What is ringed of a figure: its words where it has some, for rings are drawn close round them; else all of it. */
function worded(figure: Figure): Box {
  const box = boxOf(figure)
  if (!figure.text.trim()) return box
  const face = figure.bold ? 'bold' : 'regular'
  const lines = breakLines(figure.text, Math.max(40, box.width - 12), figure.textSize, { face })
  const width = Math.min(box.width, Math.max(1, ...lines.map(line => textWidth(line, figure.textSize, face))))
  const height = Math.min(box.height, lines.length * figure.textSize * LINE_HEIGHT)
  const x = figure.fromLeft ? box.x + 6 : box.x + (box.width - width) / 2
  return { x, y: figure.fromLeft ? box.y + 6 : box.y + (box.height - height) / 2, width, height }
}

/** Two figures that a line joins, from either end. */
export interface JoinDrawn {
  readonly between: readonly [Figure, Figure]
  readonly sureness: 'sure' | 'perhaps'
}

/** What lines join from one end to the other; a pen that was lifted on the way, or drew dashes, goes on. */
export function joinsIn(strokes: readonly Stroke[], figures: readonly Figure[]): JoinDrawn[] {
  const [held, rest] = longest(strokes.filter(stroke => lengthOf(stroke) > 0))
  return [...liftedJoined(held, figures), ...rest].flatMap((stroke): JoinDrawn[] => {
    const [a, b] = [figureAt(stroke[0]!, figures), figureAt(stroke.at(-1)!, figures)]
    if (!a || !b || a.figure === b.figure) return []
    return [
      { between: [a.figure, b.figure], sureness: a.sureness === 'sure' && b.sureness === 'sure' ? 'sure' : 'perhaps' },
    ]
  })
}

/** Strokes that end in the open near the beginning of another, as one. */
function liftedJoined(strokes: readonly Stroke[], figures: readonly Figure[]): Stroke[] {
  const loose = (p: Point) => figureAt(p, figures)?.sureness !== 'sure'
  for (const [i, a] of strokes.entries()) {
    for (const b of strokes.slice(i + 1)) {
      for (const [from, to] of [
        [a, b],
        [b, a],
        [a, b.toReversed()],
        [a.toReversed(), b],
      ] as const) {
        if (!loose(from.at(-1)!) || !loose(to[0]!) || gapBetween(from.at(-1)!, to[0]!) > LIFTED) continue
        return liftedJoined([...strokes.filter(one => one !== a && one !== b), [...from, ...to]], figures)
      }
    }
  }
  return [...strokes]
}

/** The figure that a point is at: the nearest of those near enough; of several that it is in, the smallest. */
function figureAt(point: Point, figures: readonly Figure[]): { figure: Figure; sureness: 'sure' | 'perhaps' } | null {
  const size = ({ width, height }: Box) => width * height
  const [nearest] = figures
    .map(figure => ({ figure, box: boxOf(figure), far: distanceToBox(point, boxOf(figure)) }))
    .toSorted((a, b) => a.far - b.far || size(a.box) - size(b.box))
  if (!nearest || nearest.far > NEAR.perhaps) return null
  return { figure: nearest.figure, sureness: nearest.far <= NEAR.sure ? 'sure' : 'perhaps' }
}
