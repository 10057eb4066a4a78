import * as v from 'valibot'
import { MOST_STUDENTS } from '../roster/classList'

/** What files of all that a teacher has are made of. Whatever they number, they number from 0 unless said otherwise. */
export const count = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(most))
export const from1 = (most: number) => v.pipe(count(most), v.minValue(1))
export const MomentSchema = v.pipe(v.string(), v.isoTimestamp())
/** Null for what hasn't been. */
export const MomentOrNoneSchema = v.nullable(MomentSchema)
export const HashSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))
export const FileNameSchema = v.pipe(v.string(), v.maxLength(300))
/** Of a class's file: whoever has left is on its list, too. */
export const MOST_LISTED = 10 * MOST_STUDENTS
export const StudentNumberSchema = count(MOST_LISTED)
/** Students are named by their number in the class's list. */
export const WhoSchema = v.pipe(v.array(StudentNumberSchema), v.maxLength(MOST_LISTED))

/** A list of as many as that; a file from before it was kept has none. */
export const listOf = <Schema extends v.GenericSchema>(schema: Schema, most: number) =>
  v.optional(v.pipe(v.array(schema), v.maxLength(most)), [])

/** Where the files of boards, editions and margins are: each once, under its hash. */
export const FILES = 'files/'
/** Where the editions are, each once: the board as it was when it was given out. */
const EDITIONS = 'editions/'
export const editionFile = (hash: string) => `${EDITIONS}${hash}.json`
