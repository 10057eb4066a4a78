import * as v from 'valibot'
import { DaySchema } from '../roster/day'
import { MOST_STUDENTS } from '../roster/classList'
import { MOST_GROUPS } from '../groups/marks'
import { CountingSchema, NOTHING } from './counting'
import { NO_RULES } from './noRules'
import { RulesSchema } from './rules'
import { MOST_VERSIONS, VersionSchema } from './version'
import { HANDOUT_MODES } from '../slate/kind'
import { storedText } from '../text/storedText'

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
  /** Of copies: other versions for some of them, each for others. */
  versions: v.optional(
    v.pipe(
      v.array(VersionSchema),
      v.maxLength(MOST_VERSIONS),
      v.check(
        versions =>
          new Set(versions.flatMap(one => one.students)).size === versions.flatMap(one => one.students).length,
        'A student has two versions',
      ),
    ),
  ),
})
export type Recipient = v.InferOutput<typeof RecipientSchema>

/** When it is given out: now, by itself at a later time (several for a series), or as a draft only by hand. */
export const WhenSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('now') }),
  v.strictObject({ kind: v.literal('draft') }),
  v.strictObject({ kind: v.literal('later'), at: v.pipe(v.array(DueSchema), v.minLength(1), v.maxLength(40)) }),
])
export type When = v.InferOutput<typeof WhenSchema>

/**
 * Whether students see what others have made: never, always, or once their own is handed in. Of copies they never do.
 */
export const LOOKING = ['never', 'always', 'after-hand-in'] as const
export type Looking = (typeof LOOKING)[number]

export const MOST_IN_FRAME = 12
/** Frames without people, which students take themselves: first come, first served, so many in each at most. */
export const FreeFramesSchema = v.strictObject({
  size: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_IN_FRAME)),
  frames: v.pipe(
    v.array(
      v.strictObject({
        name: v.pipe(storedText(40), v.trim(), v.minLength(1)),
        mark: v.pipe(v.string(), v.regex(/^[a-z]{2,12}(-\d{1,2})?$/)),
      }),
    ),
    v.minLength(1),
    v.maxLength(MOST_GROUPS),
  ),
})
export type FreeFrames = v.InferOutput<typeof FreeFramesSchema>

/** How a board is given out. */
export const HandoutSettingsSchema = v.strictObject({
  mode: v.optional(v.picklist(HANDOUT_MODES), 'copy-each'),
  /** Of one for everyone: each student makes an own page from the board, which is the model. */
  ownPages: v.optional(v.boolean(), false),
  /** Of a frame per group: students take them; null where the class's groups have them. */
  free: v.optional(v.nullable(FreeFramesSchema), null),
  looking: v.optional(v.picklist(LOOKING), 'never'),
  /** What it is for, how long it takes, what then. */
  word: v.optional(v.pipe(storedText(WORD_LONGEST), v.trim()), ''),
  due: v.optional(v.nullable(DueSchema), null),
  counting: v.optional(CountingSchema, NOTHING),
  /** Whether students hand it in, or being done is enough. */
  handIn: v.optional(v.boolean(), true),
  rules: v.optional(RulesSchema, NO_RULES),
})
export type HandoutSettings = v.InferOutput<typeof HandoutSettingsSchema>
export const COPY_EACH: HandoutSettings = v.parse(HandoutSettingsSchema, {})
