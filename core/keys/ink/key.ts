import * as v from 'valibot'
import { FigureIdSchema, PlaceIdSchema } from '../../board/ids'
import { common, documentOf, FiguresSchema, mappedAll, mappedPairs, unlessLost, type IdMap } from '../document'

const SomeFiguresSchema = v.pipe(FiguresSchema, v.minLength(1))
const InkTaskSchema = v.variant('what', [
  /** Lines of symmetry of each figure: one of them, or all. */
  v.object({ what: v.literal('symmetry'), figures: SomeFiguresSchema, find: v.picklist(['one', 'all']) }),
  /** A ring around each answer, and around nothing else. */
  v.object({ what: v.literal('circle'), figures: SomeFiguresSchema, answers: SomeFiguresSchema }),
  /** Lines that join what belongs together. */
  v.object({
    what: v.literal('join'),
    pairs: v.pipe(v.array(v.strictTuple([FigureIdSchema, FigureIdSchema])), v.minLength(1), v.maxLength(100)),
  }),
])
const InkKeySchema = v.object({ kind: v.literal('ink'), ...common, place: PlaceIdSchema, task: InkTaskSchema })
export type InkTask = v.InferOutput<typeof InkTaskSchema>
export type InkKey = v.InferOutput<typeof InkKeySchema>

export const inkDocument = documentOf({
  schema: InkKeySchema,
  mapped(key, to) {
    const [place, task] = [to.place(key.place), mappedTask(key.task, to)]
    return place === null || task === null ? null : { ...key, place, task }
  },
})

function mappedTask(task: InkTask, { figure }: IdMap): InkTask | null {
  switch (task.what) {
    case 'symmetry': {
      const figures = mappedAll(task.figures, figure)
      return unlessLost({ ...task, figures }, task.figures, figures)
    }
    case 'circle': {
      const answers = mappedAll(task.answers, figure)
      return unlessLost({ ...task, figures: mappedAll(task.figures, figure), answers }, task.answers, answers)
    }
    case 'join': {
      const pairs = mappedPairs(task.pairs, figure)
      return unlessLost({ ...task, pairs }, task.pairs, pairs)
    }
  }
}
