import * as v from 'valibot'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { ok, refuse, type Result } from '../result'
import { apply } from '../slate/move'
import { OnPageSchema, SlateStateSchema, type SlateState } from '../slate/state'

/** A student's work on a board as a file: where each piece lies; a piece that isn't named stands on the ledge. */
export const WorkSchema = v.object({
  format: v.literal('dappled-slate/work'),
  version: v.literal(1),
  pieces: v.record(SlateStateSchema.entries.pieces.key, v.object({ ...OnPageSchema.entries, z: v.optional(OnPageSchema.entries.z, 0) })),
})

/** Reads work against the board it was done on: every piece must be on that board, and lie on its page. */
export function readWork(data: unknown, edition: Edition): Result<SlateState, string> {
  const parsed = v.safeParse(WorkSchema, data, { abortEarly: true })
  if (!parsed.success) return refuse(`${v.getDotPath(parsed.issues[0]) ?? 'file'}: ${parsed.issues[0].message}`)
  const pieces = parsed.output.pieces as Record<PieceId, v.InferOutput<typeof OnPageSchema>>
  const result = apply({ pieces: {} }, { kind: 'arrange', pieces }, edition)
  return result.ok ? ok(result.value) : refuse(`piece ${result.reason.piece}: ${result.reason.code === 'off-page' ? 'lies off its page' : 'is not on this board'}`)
}
