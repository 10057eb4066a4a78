import * as v from 'valibot'
import { CountingSchema } from '../handout/counting'
import { RulesSchema } from '../handout/rules'
import { DueSchema, FreeFramesSchema, LOOKING } from '../handout/settings'
import { MOST_VERSIONS, WithoutSchema } from '../handout/version'
import { CallSchema } from '../lesson/callOut'
import { LONGEST_QUESTION, MOST_QUESTIONS } from '../lesson/jar'
import { JarSchema } from '../lesson/jarSchema'
import { HANDOUT_MODES } from '../slate/kind'
import { storedText } from '../text/storedText'
import {
  count,
  FileNameSchema,
  from1,
  HashSchema,
  listOf,
  MomentOrNoneSchema,
  MomentSchema,
  StudentNumberSchema,
  WhoSchema,
} from './fields'

const MOST_CALLS = 2000
const MOST_SLATES = 2000
const HandSchema = v.object({ student: StudentNumberSchema, up: v.boolean() })

/** A handout: how it was given out, and what was said in its lessons. What only holds just now isn't in it. */
export const HandoutFileSchema = v.object({
  format: v.literal('dappled-slate/handout'),
  version: v.literal(1),
  /** The file of the board that it was given out from; null where that isn't there. */
  board: v.nullable(FileNameSchema),
  /** What newcomers get. */
  edition: HashSchema,
  mode: v.picklist(HANDOUT_MODES),
  made: MomentSchema,
  /** Null for a draft, and for what waits for its time. */
  given: MomentOrNoneSchema,
  /** Of what isn't given out: to whom it will be. */
  plan: v.optional(
    v.nullable(
      v.object({
        set: v.nullable(count(60)),
        /** Null for the whole class. */
        students: v.nullable(WhoSchema),
        /** Who gets each of the versions, in their order. */
        versions: v.pipe(v.array(WhoSchema), v.maxLength(MOST_VERSIONS)),
      }),
    ),
    null,
  ),
  closed: MomentOrNoneSchema,
  word: storedText(500),
  due: v.nullable(DueSchema),
  handIn: v.boolean(),
  wholeClass: v.boolean(),
  ownPages: v.boolean(),
  free: v.nullable(FreeFramesSchema),
  looking: v.picklist(LOOKING),
  counting: CountingSchema,
  rules: RulesSchema,
  /** The set of groups that frames were made from. */
  set: v.nullable(count(60)),
  versions: v.pipe(
    v.array(
      v.object({
        number: from1(MOST_VERSIONS),
        name: v.pipe(storedText(40), v.minLength(1)),
        /** The file of another board; null where it is this one with less of it. */
        board: v.optional(v.nullable(FileNameSchema), null),
        without: WithoutSchema,
        edition: HashSchema,
      }),
    ),
    v.maxLength(MOST_VERSIONS),
  ),
  /** The question jar; null where there was none. */
  jar: v.optional(v.nullable(JarSchema), null),
  questions: listOf(
    v.object({
      student: StudentNumberSchema,
      words: v.pipe(storedText(LONGEST_QUESTION), v.minLength(1)),
      /** Whether the class saw who asked. */
      named: v.boolean(),
      at: MomentSchema,
      answered: MomentOrNoneSchema,
      hidden: MomentOrNoneSchema,
      votes: v.pipe(v.array(HandSchema), v.maxLength(MOST_SLATES)),
    }),
    MOST_QUESTIONS,
  ),
  /** Targets that were called out, in their order, and how each slate stood to it in the end. */
  callOuts: listOf(
    v.object({
      page: count(1000),
      target: CallSchema,
      called: MomentSchema,
      ended: MomentOrNoneSchema,
      builds: v.pipe(
        v.array(
          v.object({
            /** The slate's file. */
            slate: FileNameSchema,
            /** Of the last move that belongs to it. */
            number: count(1_000_000),
            is: v.picklist(['there', 'not-yet', 'unsure']),
            way: storedText(4000),
            /** Seconds. */
            after: v.nullable(count(1_000_000)),
          }),
        ),
        v.maxLength(MOST_SLATES),
      ),
    }),
    MOST_CALLS,
  ),
})
export type HandoutFile = v.InferOutput<typeof HandoutFileSchema>
