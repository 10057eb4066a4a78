import * as v from 'valibot'
import { MOST_PIECES } from '../../board/sizes'
import { ok, refuse } from '../../result'
import type { Operation } from '../operation'
import { MOST_LETTERS, MOST_STROKES } from '../state'
import { ArrowsSchema, PiecesSchema, StrokeIdSchema, TextsSchema } from '../stateSchema'
import { refusalForAll, revertTo } from './revert'
import { withStrokes } from './startAgain'

/** A whole slate as it is to be, of the ink those strokes that can be seen: how files of work are read. */
export const RestoreSchema = v.object({
  kind: v.literal('restore'),
  pieces: v.pipe(PiecesSchema, v.maxEntries(MOST_PIECES, 'Too many pieces in one move')),
  texts: v.pipe(
    TextsSchema,
    v.check(
      all => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_LETTERS,
      'Too much text in one move',
    ),
  ),
  arrows: ArrowsSchema,
  strokes: v.pipe(v.array(StrokeIdSchema), v.maxLength(MOST_STROKES)),
})
export type Restore = v.InferOutput<typeof RestoreSchema>

export const restore: Operation<'restore', Restore> = {
  kind: 'restore',
  things: null,
  apply(state, { pieces, texts, arrows, strokes }, edition) {
    const refusal = refusalForAll(edition, { pieces, texts, arrows: Object.keys(arrows) })
    if (refusal) return refuse(refusal)
    return ok({ ...state, pieces, texts, arrows, strokes: withStrokes(state.strokes, new Set(strokes)) })
  },
  invert: (before, { strokes, ...all }, edition) => {
    const after = restore.apply(before, { strokes, ...all }, edition)
    return revertTo(before, after.ok ? after.value : before)
  },
}
