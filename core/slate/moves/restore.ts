import * as v from 'valibot'
import { MOST_PIECES } from '../../board/board'
import type { PieceId } from '../../board/ids'
import { ok, refuse } from '../../result'
import type { Operation } from '../operation'
import { MOST_LETTERS, MOST_STROKES, SlateStateSchema, StrokeIdSchema, type OnPage } from '../state'
import { refusalToConnect } from './connect'
import { refusalFor } from './position'
import { withStrokes, workOf } from './startAgain'
import { refusalToWrite } from './write'

const { pieces, texts, arrows } = SlateStateSchema.entries
/** Takes a start-again back: everything as it was, of the ink those strokes that could be seen. */
export const RestoreSchema = v.object({
  kind: v.literal('restore'),
  pieces: v.pipe(pieces, v.check(all => Object.keys(all).length <= MOST_PIECES, 'Too many pieces in one move')),
  texts: v.pipe(texts.wrapped, v.check(all => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_LETTERS, 'Too much text in one move')),
  arrows: arrows.wrapped,
  strokes: v.pipe(v.array(StrokeIdSchema), v.maxLength(MOST_STROKES)),
})
export type Restore = v.InferOutput<typeof RestoreSchema>

export const restore: Operation<'restore', Restore> = {
  kind: 'restore',
  schema: RestoreSchema,
  apply(state, { pieces, texts, arrows, strokes }, edition) {
    for (const [id, position] of Object.entries(pieces) as [PieceId, OnPage][]) {
      const refusal = refusalFor(edition, id, position)
      if (refusal) return refuse(refusal)
    }
    for (const item of Object.keys(texts)) {
      const refusal = refusalToWrite(edition, item)
      if (refusal) return refuse(refusal)
    }
    for (const arrow of Object.keys(arrows)) {
      const [from, to] = arrow.split('>') as [PieceId, PieceId]
      const refusal = refusalToConnect(edition, from, to)
      if (refusal) return refuse(refusal)
    }
    return ok({ pieces, texts, arrows, strokes: withStrokes(state.strokes, new Set(strokes)) })
  },
  invert: before => ({ kind: 'restore', ...workOf(before) }),
}
