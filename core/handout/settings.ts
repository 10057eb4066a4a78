import * as v from 'valibot'
import { DaySchema } from '../roster/day'
import { MOST_STUDENTS } from '../roster/classList'
import { HANDOUT_MODES } from '../slate/kind'
import { storedText } from '../text/stored'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
const TimeSchema = v.pipe(v.string(), v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Not a time of day'))

/** A day in the class's own time zone, with a time of day only where it is wanted. */
export const DueSchema = v.strictObject({ day: DaySchema, time: v.optional(TimeSchema) })
export type Due = v.InferOutput<typeof DueSchema>

export const MOST_CLASSES = 20
export const WORD_LONGEST = 500

/** To whom: a class; only some of it; for frames, by which of its sets of groups. */
export const RecipientSchema = v.strictObject({
  classId: Id,
  set: v.optional(Id),
  students: v.optional(v.pipe(v.array(Id), v.minLength(1), v.maxLength(MOST_STUDENTS))),
})
export type Recipient = v.InferOutput<typeof RecipientSchema>

/** When it is given out: now, by itself at a later time (several for a series), or as a draft only by hand. */
export const WhenSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('now') }),
  v.strictObject({ kind: v.literal('draft') }),
  v.strictObject({ kind: v.literal('later'), at: v.pipe(v.array(DueSchema), v.minLength(1), v.maxLength(40)) }),
])
export type When = v.InferOutput<typeof WhenSchema>

/** How a board is given out. */
export const HandoutSettingsSchema = v.strictObject({
  mode: v.optional(v.picklist(HANDOUT_MODES), 'copy-each'),
  /** What it is for, how long it takes, what then. */
  word: v.optional(v.pipe(storedText(WORD_LONGEST), v.trim()), ''),
  due: v.optional(v.nullable(DueSchema), null),
  /** Whether students hand it in, or being done is enough. */
  handIn: v.optional(v.boolean(), true),
})
export type HandoutSettings = v.InferOutput<typeof HandoutSettingsSchema>
export const COPY_EACH: HandoutSettings = v.parse(HandoutSettingsSchema, {})
