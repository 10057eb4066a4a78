import * as v from 'valibot'
import { setSchema } from '../groups/setSchema'
import { RubricSchema } from '../handout/counting'
import { ListedStudentSchema } from '../roster/classList'
import { DaySchema } from '../roster/day'
import { storedText } from '../text/storedText'
import { count, FileNameSchema, listOf, MOST_LISTED, StudentNumberSchema, WhoSchema } from './fields'

/**
 * All that a teacher has, as files in a zip: boards as board files, classes, what was handed out in them and the slates
 * of it as the schemas of this folder say, and what they show and play as files of their own.
 */
export const EVERYTHING = 'dappled-slate/everything'
export const MANIFEST_FILE = 'everything.json'

const MOST_BOARDS = 3000
const MOST_CLASSES = 300
const MOST_SENTENCES = 300
const MOST_ABSENCES = 100_000

export const ManifestSchema = v.object({
  format: v.literal(EVERYTHING),
  /** The first had the editions of a handout beside it, each with its pictures in it. */
  version: v.picklist([1, 2]),
  /** An ISO moment. */
  made: storedText(40),
  teacher: storedText(120),
  boards: v.pipe(
    v.array(v.object({ file: FileNameSchema, organizer: v.boolean(), putAway: v.boolean() })),
    v.maxLength(MOST_BOARDS),
  ),
  classes: v.pipe(v.array(v.object({ file: FileNameSchema })), v.maxLength(MOST_CLASSES)),
  rubrics: v.pipe(v.array(RubricSchema), v.maxLength(100)),
  sentences: v.pipe(
    v.array(v.object({ words: v.pipe(storedText(500), v.minLength(1)), used: count(1_000_000) })),
    v.maxLength(MOST_SENTENCES),
  ),
})
export type Manifest = v.InferOutput<typeof ManifestSchema>

export const ClassFileSchema = v.object({
  format: v.literal('dappled-slate/class'),
  version: v.literal(1),
  name: v.pipe(storedText(60), v.trim(), v.minLength(1)),
  levels: v.pipe(v.array(storedText(40)), v.maxLength(60)),
  timeZone: storedText(60),
  putAway: v.boolean(),
  students: v.pipe(v.array(v.object({ ...ListedStudentSchema.entries, left: v.boolean() })), v.maxLength(MOST_LISTED)),
  sets: v.pipe(v.array(setSchema(WhoSchema)), v.maxLength(60)),
  wishes: v.pipe(v.array(v.object({ kind: v.picklist(['together', 'apart']), students: WhoSchema })), v.maxLength(60)),
  absences: listOf(v.object({ day: DaySchema, student: StudentNumberSchema }), MOST_ABSENCES),
})
export type ClassFile = v.InferOutput<typeof ClassFileSchema>
