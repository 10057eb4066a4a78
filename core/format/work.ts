import * as v from 'valibot'
import type { Edition } from '../board/edition'
import { OnSlateIdSchema } from '../board/ids'
import { ok, refuse, type Result } from '../result'
import { HOLDER } from '../slate/actor'
import { apply } from '../slate/move'
import { colourId, MOST_OWN } from '../slate/own'
import { OwnSchema } from '../slate/ownSchema'
import { emptySlate, type SlateState } from '../slate/state'
import { HeightSchema, OnPageSchema, StrokeSchema, TextsSchema } from '../slate/stateSchema'

/**
 * A student's work on a board as a file: where each piece lies, what was written, drawn, joined and made. Ink needs no
 * names.
 */
const WorkSchema = v.object({
  format: v.literal('dappled-slate/work'),
  version: v.literal(1),
  pieces: v.record(OnSlateIdSchema, v.object({ ...OnPageSchema.entries, z: v.optional(HeightSchema, 0) })),
  texts: v.optional(TextsSchema, {}),
  arrows: v.optional(v.array(v.strictTuple([OnSlateIdSchema, OnSlateIdSchema])), []),
  strokes: v.optional(v.array(v.omit(StrokeSchema, ['gone'])), []),
  own: v.optional(v.pipe(v.array(OwnSchema), v.maxLength(MOST_OWN)), []),
})

const REASONS = {
  'unknown-piece': 'is not on this board',
  'off-page': 'lies off its page',
  'unknown-place': 'is not on this board',
  'not-allowed': 'is not open to students on this board',
  'not-your-part': "is somebody else's part",
  full: 'is more than a slate holds',
} as const

/** Reads work against the board it was done on: everything in it must be something that a student can do there. */
export function readWork(data: unknown, edition: Edition): Result<SlateState, string> {
  const parsed = v.safeParse(WorkSchema, data, { abortEarly: true })
  if (!parsed.success) return refuse(`${v.getDotPath(parsed.issues[0]) ?? 'file'}: ${parsed.issues[0].message}`)
  const { pieces, texts, strokes, own } = parsed.output
  const joined = Object.fromEntries(parsed.output.arrows.map(([from, to]) => [`${from}>${to}`, true as const]))
  let result = apply(
    emptySlate,
    { kind: 'restore', pieces, texts, arrows: joined, strokes: [] },
    { edition, actor: HOLDER },
  )
  strokes.forEach((stroke, i) => {
    if (result.ok)
      result = apply(
        result.value,
        { kind: 'draw', stroke: `stroke-${String(i).padStart(4, '0')}`, ...stroke },
        { edition, actor: HOLDER },
      )
  })
  own.forEach((as, i) => {
    const thing = as.kind === 'colour' ? colourId(as.place, as.cell) : `own-${String(i).padStart(4, '0')}`
    if (result.ok)
      result = apply(result.value, { kind: 'own', thing, as, by: HOLDER.author }, { edition, actor: HOLDER })
  })
  return result.ok ? ok(result.value) : refuse(`${result.reason.item}: ${REASONS[result.reason.code]}`)
}
