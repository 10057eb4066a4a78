import * as v from 'valibot'
import type { PieceId } from '../../board/ids'
import { MOST_PIECES } from '../../board/sizes'
import type { Operation } from '../operation'
import { MOST_LETTERS, MOST_STROKES, type OnPage } from '../state'
import { ArrowsSchema, PiecesSchema, StrokeIdSchema, TextsSchema } from '../stateSchema'
import { onBoard } from './position'
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
  check: (_, { pieces, texts, arrows }, edition) =>
    refusalForAll(edition, { pieces, texts, arrows: Object.keys(arrows) }),
  perform: (state, { pieces, texts, arrows, strokes }, edition) => ({
    ...state,
    pieces: Object.fromEntries(onBoard(edition, Object.entries(pieces) as [PieceId, OnPage][])),
    texts,
    arrows,
    strokes: withStrokes(state.strokes, new Set(strokes)),
  }),
  invert: (before, move, edition) => revertTo(before, restore.perform(before, move, edition)),
}
