import * as v from 'valibot'
import type { Edition } from '../board/edition'
import { ok, refuse, type Result } from '../result'
import { HOLDER } from '../slate/actor'
import { apply } from '../slate/move'
import { OnPageSchema, SlateStateSchema, StrokeSchema, type SlateState } from '../slate/state'

const { pieces, texts } = SlateStateSchema.entries
/** A student's work on a board as a file: where each piece lies, what was written, drawn and joined. Ink needs no names. */
export const WorkSchema = v.object({
  format: v.literal('dappled-slate/work'),
  version: v.literal(1),
  pieces: v.record(pieces.key, v.object({ ...OnPageSchema.entries, z: v.optional(OnPageSchema.entries.z, 0) })),
  texts,
  arrows: v.optional(v.array(v.strictTuple([pieces.key, pieces.key])), []),
  strokes: v.optional(v.array(v.omit(StrokeSchema, ['gone'])), []),
})

const REASONS = {
  'unknown-piece': 'is not on this board', 'off-page': 'lies off its page', 'unknown-place': 'is not on this board',
  'not-allowed': 'is not open to students on this board', 'not-your-part': 'is somebody else\'s part', 'full': 'is more than a slate holds',
} as const

/** Reads work against the board it was done on: everything in it must be something that a student can do there. */
export function readWork(data: unknown, edition: Edition): Result<SlateState, string> {
  const parsed = v.safeParse(WorkSchema, data, { abortEarly: true })
  if (!parsed.success) return refuse(`${v.getDotPath(parsed.issues[0]) ?? 'file'}: ${parsed.issues[0].message}`)
  const { pieces, texts, strokes } = parsed.output
  const joined = Object.fromEntries(parsed.output.arrows.map(([from, to]) => [`${from}>${to}`, true as const]))
  const empty: SlateState = { pieces: {}, texts: {}, strokes: {}, arrows: {} }
  let result = apply(empty, { kind: 'restore', pieces, texts, arrows: joined, strokes: [] }, { edition, actor: HOLDER })
  strokes.forEach((stroke, i) => {
    if (result.ok) result = apply(result.value, { kind: 'draw', stroke: `stroke-${String(i).padStart(4, '0')}`, ...stroke }, { edition, actor: HOLDER })
  })
  return result.ok ? ok(result.value) : refuse(`${result.reason.item}: ${REASONS[result.reason.code]}`)
}
