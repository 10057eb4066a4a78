import type { Figure } from '../../board/backdrop'
import type { Page } from '../../board/board'
import type { FigureId, PlaceId } from '../../board/ids'
import { axesOf } from '../../geometry/symmetry'
import { inkIn } from '../../placement/ink'
import type { MarkContext } from '../context'
import { kindHas, kindOfKey, placeKind } from '../kind'
import { compared, marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import type { InkKey } from './key'
import { axisDrawn, joinsIn, ringedBy, strokesFor, type JoinDrawn, type Stroke } from './strokes'

const reasons = {
  ...EMPTY,
  right: {
    doing: {},
    codes: {
      'axis-right': {},
      'axis-left-alone': {},
      'ringed-right': { made: 'figures' },
      'joined-right': { made: 'joins' },
    },
  },
  'axis-wrong': {
    doing: { drawn: 'number' },
    codes: { 'axis-wrong': {}, 'axis-none': {}, 'axis-missing': { count: 'number' } },
  },
  'axis-near': { doing: {}, codes: { 'axis-near': {} } },
  'ink-near': { doing: {}, codes: { 'ringed-near': { near: 'figures' }, 'joined-near': { near: 'joins' } } },
  'ringed-wrong': {
    doing: { made: 'figures' },
    codes: {
      'ringed-missing': { missing: 'figures' },
      'ringed-over': { extra: 'figures' },
      'ringed-wrong': { missing: 'figures', extra: 'figures' },
    },
  },
  'joined-wrong': {
    doing: { made: 'joins' },
    codes: {
      'joined-missing': { missing: 'joins' },
      'joined-over': { extra: 'joins' },
      'joined-wrong': { missing: 'joins', extra: 'joins' },
    },
  },
} as const
const mark = marksWith(reasons)

/**
 * Marks ink in a drawing space: lines of symmetry (a point for each figure), rings, or joining lines (a point for
 * each).
 */
export const inkKind = kindOfKey<InkKey>()({
  reasons,
  counted: false,
  mark(key, context) {
    const strokes = inkIn(context.state, key.place, context.page)
    const figures = new Map((context.page.backdrop.figures ?? []).map(figure => [figure.id, figure]))
    const { task } = key
    const known = (ids: readonly FigureId[]) => [...new Set(ids)].flatMap(id => figures.get(id) ?? [])
    switch (task.what) {
      case 'symmetry': {
        const meant = strokesFor(known(task.figures), strokes)
        return [...meant].map(([figure, lines]) =>
          markSymmetry(figure, { find: task.find, lines, begun: strokes.length > 0 }),
        )
      }
      case 'circle':
        return [markRings(key.place, task.answers, ringedBy(strokes, known(task.figures)))]
      case 'join':
        return [markJoins(key.place, task.pairs, joinsIn(strokes, known(task.pairs.flat())))]
    }
  },
  keep: (context, former) =>
    context.page.places.flatMap(({ kind, id }) =>
      kind === 'drawing'
        ? keepDrawing(
            id,
            context,
            former.find(key => key.place === id),
          )
        : [],
    ),
  lay: null,
  suits: (page: Page) => kindHas(page, 'drawing') && !!page.backdrop.figures?.length,
  canBeDone: (key, page) => placeKind(page, key.place) === 'drawing',
  answers: null,
  interchanged: null,
  alsoRight: null,
})

interface Drawn {
  readonly find: 'one' | 'all'
  readonly lines: readonly Stroke[]
  readonly begun: boolean
}

/**
 * A figure without any axis is right when it is left alone, on a slate on which something was drawn. A line that is no
 * axis is wrong; a doodle beside a line that is one leaves it to the teacher.
 */
function markSymmetry(figure: Figure, { find, lines, begun }: Drawn): ItemMark {
  const axes = axesOf(figure.shape)
  const about = { is: 'figure', item: figure.id } as const
  const drawn = lines.length
  if (axes.angles.length === 0) {
    if (drawn) return mark({ ...about, verdict: 'wrong', code: 'axis-none', words: { drawn } })
    return begun
      ? mark({ ...about, verdict: 'right', code: 'axis-left-alone', words: {} })
      : mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  }
  if (drawn === 0) return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  const found = lines.map(stroke => axisDrawn(stroke, figure, axes))
  const good = found.filter(({ sureness }) => sureness !== 'none')
  if (good.length === 0 || found.some(({ sureness, straight }) => sureness === 'none' && straight)) {
    return mark({ ...about, verdict: 'wrong', code: 'axis-wrong', words: { drawn } })
  }
  const different = new Set(good.map(({ axis }) => axis)).size
  if (find === 'all' && axes.angles !== 'all' && different < axes.angles.length) {
    return mark({ ...about, verdict: 'wrong', code: 'axis-missing', words: { drawn, count: axes.angles.length } })
  }
  return found.every(({ sureness }) => sureness === 'sure')
    ? mark({ ...about, verdict: 'right', code: 'axis-right', words: {} })
    : mark({ ...about, verdict: 'on-the-line', code: 'axis-near', words: {} })
}

/** What is surely there and what perhaps, against what is asked for: whether some reading of it is right. */
function doubtful<T>(wanted: ReadonlySet<T>, sure: ReadonlySet<T>, perhaps: ReadonlySet<T>): boolean {
  return (
    perhaps.size > 0
    && [...wanted].every(one => sure.has(one) || perhaps.has(one))
    && [...sure].every(one => wanted.has(one))
  )
}

function markRings(
  place: PlaceId,
  answers: readonly FigureId[],
  ringed: ReadonlyMap<Figure, 'sure' | 'perhaps'>,
): ItemMark {
  const those = (how: 'sure' | 'perhaps') =>
    new Set([...ringed].filter(([, sureness]) => sureness === how).map(([{ id }]) => id))
  const wanted = new Set(answers)
  const { how, made: around, missing, extra, verdict, points, of } = compared(wanted, those('sure'))
  const about = { is: 'place', item: place, verdict, points, of } as const
  const made = { figures: around }
  if (doubtful(wanted, those('sure'), those('perhaps'))) {
    return mark({
      ...about,
      verdict: 'on-the-line',
      points: 0,
      code: 'ringed-near',
      words: { near: { figures: [...those('perhaps')] } },
    })
  }
  switch (how) {
    case 'empty':
      return mark({ ...about, code: 'empty', words: {} })
    case 'right':
      return mark({ ...about, code: 'ringed-right', words: { made } })
    case 'over':
      return mark({ ...about, code: 'ringed-over', words: { made, extra: { figures: extra } } })
    case 'missing':
      return mark({ ...about, code: 'ringed-missing', words: { made, missing: { figures: missing } } })
    case 'wrong':
      return mark({
        ...about,
        code: 'ringed-wrong',
        words: { made, missing: { figures: missing }, extra: { figures: extra } },
      })
  }
}

type Join = readonly [FigureId, FigureId]
/** Which end comes first makes no difference. */
const joinName = ([a, b]: Join) => [a, b].toSorted().join('>')

function markJoins(place: PlaceId, pairs: readonly Join[], drawn: readonly JoinDrawn[]): ItemMark {
  const those = (how: 'sure' | 'perhaps') =>
    new Set(drawn.filter(({ sureness }) => sureness === how).map(({ between: [a, b] }) => joinName([a.id, b.id])))
  const wanted = new Set(pairs.map(joinName))
  const { how, made: joined, missing, extra, verdict, points, of } = compared(wanted, those('sure'))
  const joins = (names: readonly string[]) => ({ joins: names.map(name => name.split('>') as [FigureId, FigureId]) })
  const about = { is: 'place', item: place, verdict, points, of } as const
  const made = joins(joined)
  if (doubtful(wanted, those('sure'), those('perhaps'))) {
    return mark({
      ...about,
      verdict: 'on-the-line',
      points: 0,
      code: 'joined-near',
      words: { near: joins([...those('perhaps')]) },
    })
  }
  switch (how) {
    case 'empty':
      return mark({ ...about, code: 'empty', words: {} })
    case 'right':
      return mark({ ...about, code: 'joined-right', words: { made } })
    case 'over':
      return mark({ ...about, code: 'joined-over', words: { made, extra: joins(extra) } })
    case 'missing':
      return mark({ ...about, code: 'joined-missing', words: { made, missing: joins(missing) } })
    case 'wrong':
      return mark({ ...about, code: 'joined-wrong', words: { made, missing: joins(missing), extra: joins(extra) } })
  }
}

/**
 * What is drawn in a drawing space tells what is asked there: rings around figures, lines from figure to figure, or, as
 * soon as a line runs through a figure, its lines of symmetry; then of all figures, one line each.
 */
function keepDrawing(place: PlaceId, { page, state }: MarkContext, former?: InkKey): Pick<InkKey, 'place' | 'task'>[] {
  const figures = page.backdrop.figures ?? []
  const strokes = inkIn(state, place, page)
  if (strokes.length === 0 || figures.length === 0) return []
  const ids = figures.map(f => f.id)
  const answers = [...ringedBy(strokes, figures)].flatMap(([{ id }, sureness]) => (sureness === 'sure' ? [id] : []))
  if (answers.length) return [{ place, task: { what: 'circle', figures: ids, answers } }]
  const pairs = joinsIn(strokes, figures).map(({ between: [a, b] }): [FigureId, FigureId] => [a.id, b.id])
  if (pairs.length) return [{ place, task: { what: 'join', pairs } }]
  const before = former?.task
  return [{ place, task: { what: 'symmetry', figures: ids, find: before?.what === 'symmetry' ? before.find : 'one' } }]
}
