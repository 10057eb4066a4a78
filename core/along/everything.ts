import * as v from 'valibot'
import { setSchema } from '../groups/setSchema'
import { RubricSchema } from '../handout/counting'
import { ListedStudentSchema, MOST_STUDENTS } from '../roster/classList'
import { storedText } from '../text/storedText'

/**
 * All that a teacher has, as files in a zip. Boards are board files; classes, rubrics and sentences are written and
 * read by the schemas here; handouts with their slates are written for other programs to read.
 */
export const EVERYTHING = 'dappled-slate/everything'
export const MANIFEST_FILE = 'everything.json'

const count = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(most))
const FileName = v.pipe(v.string(), v.maxLength(300))

const MOST_BOARDS = 3000
const MOST_CLASSES = 300
const MOST_SENTENCES = 300

export const ManifestSchema = v.object({
  format: v.literal(EVERYTHING),
  version: v.literal(1),
  /** An ISO moment. */
  made: storedText(40),
  teacher: storedText(120),
  boards: v.pipe(
    v.array(v.object({ file: FileName, organizer: v.boolean(), putAway: v.boolean() })),
    v.maxLength(MOST_BOARDS),
  ),
  classes: v.pipe(v.array(v.object({ file: FileName })), v.maxLength(MOST_CLASSES)),
  rubrics: v.pipe(v.array(RubricSchema), v.maxLength(100)),
  sentences: v.pipe(
    v.array(v.object({ words: v.pipe(storedText(500), v.minLength(1)), used: count(1_000_000) })),
    v.maxLength(MOST_SENTENCES),
  ),
})
export type Manifest = v.InferOutput<typeof ManifestSchema>

/** Students are named by their number in the list, from 0. */
const Who = v.pipe(v.array(count(MOST_STUDENTS)), v.maxLength(MOST_STUDENTS))

export const ClassFileSchema = v.object({
  format: v.literal('dappled-slate/class'),
  version: v.literal(1),
  name: v.pipe(storedText(60), v.trim(), v.minLength(1)),
  levels: v.pipe(v.array(storedText(40)), v.maxLength(60)),
  timeZone: storedText(60),
  putAway: v.boolean(),
  students: v.pipe(
    v.array(v.object({ ...ListedStudentSchema.entries, left: v.boolean() })),
    v.maxLength(10 * MOST_STUDENTS),
  ),
  sets: v.pipe(v.array(setSchema(Who)), v.maxLength(60)),
  wishes: v.pipe(v.array(v.object({ kind: v.picklist(['together', 'apart']), students: Who })), v.maxLength(60)),
})
export type ClassFile = v.InferOutput<typeof ClassFileSchema>
