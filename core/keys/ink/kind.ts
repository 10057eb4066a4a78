import type { Figure } from '../../board/backdrop'
import type { Page } from '../../board/board'
import type { FigureId, PlaceId } from '../../board/ids'
import { evenly } from '../../geometry/line'
import type { Point } from '../../geometry/shape'
import { axesOf } from '../../geometry/symmetry'
import { strokesOf, type SlateState } from '../../slate/state'
import type { MarkContext } from '../context'
import { kindHas, kindOfKey, placeKind } from '../kind'
import { compared, marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import type { InkKey } from './key'
import { axisDrawn, boxOf, distanceToBox, figureAt, ringedBy } from './strokes'

const reasons = {
  ...EMPTY,
  'right': {
    doing: {},
    codes: {
      'axis-right': {}, 'axis-left-alone': {}, 'ringed-right': { made: 'figures' }, 'joined-right': { made: 'joins' },
    },
  },
  'axis-wrong': {
    doing: { drawn: 'number' },
    codes: { 'axis-wrong': {}, 'axis-none': {}, 'axis-missing': { count: 'number' } },
  },
  'axis-near': { doing: {}, codes: { 'axis-near': {} } },
  'ringed-wrong': {
    doing: { made: 'figures' },
    codes: {
      'ringed-missing': { missing: 'figures' }, 'ringed-over': { extra: 'figures' },
      'ringed-wrong': { missing: 'figures', extra: 'figures' },
    },
  },
  'joined-wrong': {
    doing: { made: 'joins' },
    codes: {
      'joined-missing': { missing: 'joins' }, 'joined-over': { extra: 'joins' },
      'joined-wrong': { missing: 'joins', extra: 'joins' },
    },
  },
} as const
const mark = marksWith(reasons)

/** Marks ink in a drawing space: lines of symmetry (a point for each figure), rings, or joining lines (a point for each). */
export const inkKind = kindOfKey<InkKey>()({
  reasons,
  mark(key, context) {
    const strokes = drawnIn(key.place, context.state)
    const figures = new Map((context.page.backdrop.figures ?? []).map(figure => [figure.id, figure]))
    const { task } = key
    const known = (ids: readonly FigureId[]) => ids.flatMap(id => figures.get(id) ?? [])
    switch (task.what) {
      case 'symmetry': return known(task.figures).map((figure, _, all) => markSymmetry(figure, { find: task.find, strokes, all }))
      case 'circle': {
        const ringed = new Set(strokes.flatMap(stroke => ringedBy(stroke, known(task.figures))))
        return [markRings(key.place, new Set(task.answers), ringed)]
      }
      case 'join': return [markJoins(key.place, task.pairs, joinsIn(strokes, [...figures.values()]))]
    }
  },
  keep: (context, former) => context.page.places.flatMap(({ kind, id }) =>
    kind === 'drawing' ? keepDrawing(id, context, former.find(key => key.place === id)) : []),
  lay: null,
  suits: (page: Page) => kindHas(page, 'drawing') && !!page.backdrop.figures?.length,
  canBeDone: (key, page) => placeKind(page, key.place) === 'drawing',
  answers: null,
  interchanged: null,
  alsoRight: null,
})

const drawnIn = (place: PlaceId, state: SlateState): Point[][] =>
  strokesOf(state, place).map(([, { points }]) => evenly(points.map(([x, y]) => ({ x, y }))))

interface Drawn { readonly find: 'one' | 'all', readonly strokes: readonly Point[][], readonly all: readonly Figure[] }

/** A figure without any axis is right when it is left alone, on a slate on which something was drawn. */
function markSymmetry(figure: Figure, { find, strokes, all }: Drawn): ItemMark {
  const lines = strokes.filter((stroke) => {
    const middle = stroke[Math.floor(stroke.length / 2)]!
    return all.toSorted((a, b) => distanceToBox(middle, boxOf(a)) - distanceToBox(middle, boxOf(b)))[0] === figure
  })
  const axes = axesOf(figure.shape)
  const about = { is: 'figure', item: figure.id } as const
  const drawn = lines.length
  if (axes.angles.length === 0) {
    if (drawn) return mark({ ...about, verdict: 'wrong', code: 'axis-none', words: { drawn } })
    return strokes.length
      ? mark({ ...about, verdict: 'right', code: 'axis-left-alone', words: {} })
      : mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  }
  if (drawn === 0) return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  const found = lines.map(stroke => axisDrawn(stroke, figure, axes))
  if (found.some(({ certainty }) => certainty === 'none')) {
    return mark({ ...about, verdict: 'wrong', code: 'axis-wrong', words: { drawn } })
  }
  if (found.some(({ certainty }) => certainty === 'perhaps')) {
    return mark({ ...about, verdict: 'on-the-line', code: 'axis-near', words: {} })
  }
  const different = new Set(found.map(({ axis }) => axis)).size
  return find === 'one' || axes.angles === 'all' || different === axes.angles.length
    ? mark({ ...about, verdict: 'right', code: 'axis-right', words: {} })
    : mark({ ...about, verdict: 'wrong', code: 'axis-missing', words: { drawn, count: axes.angles.length } })
}

function markRings(place: PlaceId, answers: ReadonlySet<FigureId>, ringed: ReadonlySet<FigureId>): ItemMark {
  const { how, made: around, missing, extra, verdict, points, of } = compared(answers, ringed)
  const about = { is: 'place', item: place, verdict, points, of } as const
  const made = { figures: around }
  switch (how) {
    case 'empty': return mark({ ...about, code: 'empty', words: {} })
    case 'right': return mark({ ...about, code: 'ringed-right', words: { made } })
    case 'over': return mark({ ...about, code: 'ringed-over', words: { made, extra: { figures: extra } } })
    case 'missing': return mark({ ...about, code: 'ringed-missing', words: { made, missing: { figures: missing } } })
    case 'wrong':
      return mark({ ...about, code: 'ringed-wrong', words: { made, missing: { figures: missing }, extra: { figures: extra } } })
  }
}

type Join = readonly [FigureId, FigureId]
/** Which end comes first makes no difference. */
const joinName = ([a, b]: Join) => [a, b].toSorted().join('>')

function markJoins(place: PlaceId, wanted: readonly Join[], drawn: readonly Join[]): ItemMark {
  const { how, made: joined, missing, extra, verdict, points, of } =
    compared(new Set(wanted.map(joinName)), new Set(drawn.map(joinName)))
  const joins = (names: readonly string[]) => ({ joins: names.map(name => name.split('>') as [FigureId, FigureId]) })
  const about = { is: 'place', item: place, verdict, points, of } as const
  const made = joins(joined)
  switch (how) {
    case 'empty': return mark({ ...about, code: 'empty', words: {} })
    case 'right': return mark({ ...about, code: 'joined-right', words: { made } })
    case 'over': return mark({ ...about, code: 'joined-over', words: { made, extra: joins(extra) } })
    case 'missing': return mark({ ...about, code: 'joined-missing', words: { made, missing: joins(missing) } })
    case 'wrong':
      return mark({ ...about, code: 'joined-wrong', words: { made, missing: joins(missing), extra: joins(extra) } })
  }
}

/** What strokes join from one end to the other. */
function joinsIn(strokes: readonly Point[][], figures: readonly Figure[]): [FigureId, FigureId][] {
  return strokes.flatMap((stroke): [FigureId, FigureId][] => {
    const [a, b] = [figureAt(stroke[0]!, figures), figureAt(stroke.at(-1)!, figures)]
    return a && b && a !== b ? [[a, b]] : []
  })
}

/**
 * What is drawn in a drawing space tells what is asked there: rings around figures, lines from figure to figure, or, as
 * soon as a line runs through a figure, its lines of symmetry; then of all figures, one line each.
 */
function keepDrawing(place: PlaceId, { page, state }: MarkContext, former?: InkKey): Pick<InkKey, 'place' | 'task'>[] {
  const figures = page.backdrop.figures ?? []
  const strokes = drawnIn(place, state)
  if (strokes.length === 0 || figures.length === 0) return []
  const ids = figures.map(f => f.id)
  const answers = [...new Set(strokes.flatMap(stroke => ringedBy(stroke, figures)))]
  if (answers.length) return [{ place, task: { what: 'circle', figures: ids, answers } }]
  const pairs = joinsIn(strokes, figures)
  if (pairs.length) return [{ place, task: { what: 'join', pairs } }]
  const before = former?.task
  return [{ place, task: { what: 'symmetry', figures: ids, find: before?.what === 'symmetry' ? before.find : 'one' } }]
}
