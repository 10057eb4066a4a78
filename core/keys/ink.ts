import type { Keeper } from './keep'
import type { Figure } from '../board/backdrop'
import type { FigureId } from '../board/ids'
import type { InkKey } from '../board/key'
import { areaInside } from '../geometry/area'
import { angleBetween, distanceToLine, evenly, lineThrough } from '../geometry/line'
import { bounds, outline } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { axesOf, diameter } from '../geometry/symmetry'
import { strokesOf } from '../slate/state'
import { itemMark, setMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** A line drawn by hand stands for an axis within so many degrees, and so much of the figure's size off its middle. */
const AXIS = { sure: { turn: 6, off: 0.05 }, perhaps: { turn: 12, off: 0.1 } }
/** It must be as long as this share of the figure, and as straight. */
const LONG = 0.4
const STRAIGHT = 0.06
/** The ends of a ring may stay apart by this share of its length. */
const OPEN = 0.3
/** A line starts and ends at a figure when it does so within so many points of it. */
const NEAR = 14

/** Marks ink in a drawing space: lines of symmetry (a point for each figure), rings, or joining lines (a point for each). */
export function markInk(key: InkKey, context: MarkContext): ItemMark[] {
  const strokes = strokesOf(context.state, key.place).map(([, { points }]) => evenly(points.map(([x, y]) => ({ x, y }))))
  const figures = new Map((context.page.backdrop.figures ?? []).map(figure => [figure.id, figure]))
  const { task } = key
  const say = (id: string) => figures.get(id as FigureId)?.text || id
  switch (task.what) {
    case 'symmetry': return markSymmetry(task, strokes, task.figures.flatMap(id => figures.get(id) ?? []))
    case 'circle': {
      const options = task.figures.flatMap(id => figures.get(id) ?? [])
      const ringed = new Set(strokes.flatMap(stroke => ringedBy(stroke, options)))
      return [setMark('place', key.place, 'ringed', new Set(task.answers), ringed, say)]
    }
    case 'join': {
      const named = (a: string, b: string) => [a, b].toSorted().join('>')
      const joined = new Set(strokes.flatMap((stroke) => {
        const [a, b] = [figureAt(stroke[0]!, figures.values()), figureAt(stroke.at(-1)!, figures.values())]
        return a && b && a !== b ? [named(a, b)] : []
      }))
      return [setMark('place', key.place, 'joined', new Set(task.pairs.map(([a, b]) => named(a, b))), joined, pair => pair.split('>').map(say).join(' – '))]
    }
  }
}

/** A figure without any axis is right when it is left alone, on a slate on which something was drawn. */
function markSymmetry(task: { readonly find: 'one' | 'all' }, strokes: readonly Point[][], figures: readonly Figure[]): ItemMark[] {
  const drawnOn = new Map(figures.map(f => [f.id, [] as Point[][]]))
  for (const stroke of strokes) {
    const middle = stroke[Math.floor(stroke.length / 2)]!
    const nearest = figures.toSorted((a, b) => distanceToBox(middle, boxOf(a)) - distanceToBox(middle, boxOf(b)))[0]
    if (nearest) drawnOn.get(nearest.id)!.push(stroke)
  }
  return figures.map((figure) => {
    const { angles, centre } = axesOf(figure.shape)
    const lines = drawnOn.get(figure.id)!
    const words = { name: figure.text || figure.id, count: angles === 'all' ? '∞' : angles.length, drawn: lines.length }
    const mark = (verdict: ItemMark['verdict'], code: string) => itemMark('figure', figure.id, verdict, code, words)
    if (angles.length === 0) {
      if (lines.length) return mark('wrong', 'axis-none')
      return strokes.length ? mark('right', 'axis-left-alone') : mark('not-placed', 'empty')
    }
    if (lines.length === 0) return mark('not-placed', 'empty')
    const found = new Set<number>()
    let doubt = false
    for (const stroke of lines) {
      const { certainty, axis } = axisDrawn(stroke, figure, angles, centre)
      if (certainty === 'none') return mark('wrong', 'axis-wrong')
      if (certainty === 'perhaps') doubt = true
      found.add(axis)
    }
    if (doubt) return mark('on-the-line', 'axis-near')
    const enough = task.find === 'one' || angles === 'all' || found.size === angles.length
    return enough ? mark('right', 'axis-right') : mark('wrong', 'axis-missing')
  })
}

function axisDrawn(stroke: readonly Point[], figure: Figure, angles: readonly number[] | 'all', centre: Point): { certainty: 'sure' | 'perhaps' | 'none', axis: number } {
  const line = lineThrough(stroke)
  const size = diameter(figure.shape)
  if (!line || line.length < LONG * size || line.stray > STRAIGHT * size) return { certainty: 'none', axis: 0 }
  const axis = angles === 'all' ? line.angle : angles.toSorted((a, b) => angleBetween(a, line.angle) - angleBetween(b, line.angle))[0]!
  const [turn, off] = [angleBetween(axis, line.angle), distanceToLine(centre, line) / size]
  const within = (limit: { turn: number, off: number }) => turn <= limit.turn && off <= limit.off
  return { certainty: within(AXIS.sure) ? 'sure' : within(AXIS.perhaps) ? 'perhaps' : 'none', axis }
}

/** The figures of which a closed stroke holds most. */
function ringedBy(stroke: readonly Point[], options: readonly Figure[]): FigureId[] {
  const [first, last] = [stroke[0]!, stroke.at(-1)!]
  const length = stroke.reduce((sum, p, i) => i === 0 ? 0 : sum + Math.hypot(p.x - stroke[i - 1]!.x, p.y - stroke[i - 1]!.y), 0)
  if (Math.hypot(last.x - first.x, last.y - first.y) > OPEN * length) return []
  return options.filter((option) => {
    const box = boxOf(option)
    return areaInside(stroke, box) >= 0.5 * box.width * box.height
  }).map(option => option.id)
}

function figureAt(point: Point, figures: Iterable<Figure>): FigureId | null {
  let nearest: { id: FigureId, distance: number } | null = null
  for (const figure of figures) {
    const distance = distanceToBox(point, boxOf(figure))
    if (distance <= NEAR && distance < (nearest?.distance ?? Infinity)) nearest = { id: figure.id, distance }
  }
  return nearest?.id ?? null
}

const boxOf = (figure: Figure): Box => bounds(outline(figure.shape))

function distanceToBox({ x, y }: Point, box: Box): number {
  return Math.hypot(Math.max(0, box.x - x, x - box.x - box.width), Math.max(0, box.y - y, y - box.y - box.height))
}

/**
 * What is drawn in each drawing space tells what is asked there: rings around figures, lines from figure to figure, or, as
 * soon as a line runs through a figure, its lines of symmetry; then of all figures, one line each.
 */
export const keepInk: Keeper<'ink'> = ({ page, state }, former) => page.places.flatMap(({ kind, id: place }): Pick<InkKey, 'place' | 'task'>[] => {
  const figures = page.backdrop.figures ?? []
  const strokes = kind === 'drawing' ? strokesOf(state, place).map(([, { points }]) => evenly(points.map(([x, y]) => ({ x, y })))) : []
  if (strokes.length === 0 || figures.length === 0) return []
  const ids = figures.map(f => f.id)
  const answers = [...new Set(strokes.flatMap(stroke => ringedBy(stroke, figures)))]
  if (answers.length) return [{ place, task: { what: 'circle', figures: ids, answers } }]
  const pairs = strokes.flatMap((stroke): [FigureId, FigureId][] => {
    const [a, b] = [figureAt(stroke[0]!, figures), figureAt(stroke.at(-1)!, figures)]
    return a && b && a !== b ? [[a, b]] : []
  })
  if (pairs.length) return [{ place, task: { what: 'join', pairs } }]
  const before = former.find(key => key.place === place)?.task
  return [{ place, task: { what: 'symmetry', figures: ids, find: before?.what === 'symmetry' ? before.find : 'one' } }]
})
