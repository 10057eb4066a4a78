import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { KeyIdSchema, MasterIdSchema, PieceIdSchema, PlaceIdSchema } from '~~/core/board/ids'

/** New ids, each of its own kind; the core makes none, since it knows no chance. */
export const freshIds = {
  piece: () => v.parse(PieceIdSchema, nanoid()),
  master: () => v.parse(MasterIdSchema, nanoid()),
  place: () => v.parse(PlaceIdSchema, nanoid()),
  key: () => v.parse(KeyIdSchema, nanoid()),
}
