import * as v from 'valibot'
import { CountingSchema } from '../handout/counting'
import { ReviewChangeSchema } from '../handout/review'
import { RulesSchema } from '../handout/rules'
import { DueSchema, FreeFramesSchema, LOOKING } from '../handout/settings'
import { MOST_VERSIONS, WithoutSchema } from '../handout/version'
import { SecondThoughtSchema, WrittenItemSchema } from '../margin/item'
import { AuthorSchema } from '../slate/actor'
import { HANDOUT_MODES, SLATE_KINDS } from '../slate/kind'
import { MoveSchema } from '../slate/moveSchema'
import { OwnPictureIdSchema } from '../slate/ownSchema'
import { SLATE_STATUSES } from '../slate/status'
import { storedText } from '../text/storedText'

/**
 * Handouts and their slates, as they stand in the file of all that a teacher has. Students are numbers in the class's
 * file, boards and editions names of files, groups numbers of a set and of a group in it; all from 0.
 */
const count = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(most))
const Moment = v.pipe(v.string(), v.isoTimestamp())
const Maybe = v.nullable(Moment)
const HashSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))

export const HandoutFileSchema = v.object({
  format: v.literal('dappled-slate/handout'),
  version: v.literal(1),
  /** The file of the board that it was given out from; null where that isn't there. */
  board: v.nullable(v.pipe(v.string(), v.maxLength(300))),
  /** What newcomers get. */
  edition: HashSchema,
  mode: v.picklist(HANDOUT_MODES),
  made: Moment,
  given: Maybe,
  closed: Maybe,
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
        number: v.pipe(count(MOST_VERSIONS), v.minValue(1)),
        name: v.pipe(storedText(40), v.minLength(1)),
        without: WithoutSchema,
        edition: HashSchema,
      }),
    ),
    v.maxLength(MOST_VERSIONS),
  ),
})
export type HandoutFile = v.InferOutput<typeof HandoutFileSchema>

const MOST_MOVES = 100_000

export const SlateFileSchema = v.object({
  format: v.literal('dappled-slate/slate'),
  version: v.literal(1),
  kind: v.picklist(SLATE_KINDS),
  name: v.nullable(storedText(120)),
  mark: v.nullable(storedText(20)),
  position: v.nullable(v.pipe(count(1000), v.minValue(1))),
  group: v.nullable(v.strictTuple([count(60), count(200)])),
  /** Which of the handout's versions. */
  ofVersion: v.nullable(count(MOST_VERSIONS)),
  edition: HashSchema,
  status: v.picklist(SLATE_STATUSES),
  opened: Maybe,
  moved: Maybe,
  handedIn: Maybe,
  handedBack: Maybe,
  said: v.nullable(storedText(500)),
  members: v.pipe(
    v.array(
      v.object({
        student: v.nullable(count(100_000)),
        hand: v.pipe(count(1_000_000), v.minValue(1)),
        part: v.nullable(v.pipe(count(8), v.minValue(1))),
        from: Moment,
        until: Maybe,
        done: Maybe,
      }),
    ),
    v.maxLength(2000),
  ),
  /** In order, numbered from 1 without a gap. */
  moves: v.pipe(
    v.array(
      v.object({
        id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/)),
        move: MoveSchema,
        /** Null for a move that takes another back. */
        inverse: v.nullable(MoveSchema),
        undoes: v.nullable(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/))),
        by: AuthorSchema,
        at: Moment,
      }),
    ),
    v.maxLength(MOST_MOVES),
  ),
  editionChanges: v.pipe(
    v.array(
      v.object({ turn: count(100_000), number: count(MOST_MOVES), from: HashSchema, to: HashSchema, at: Moment }),
    ),
    v.maxLength(1000),
  ),
  margin: v.pipe(
    v.array(
      v.object({
        item: v.union([WrittenItemSchema, SecondThoughtSchema]),
        at: Moment,
        removed: Maybe,
        shown: v.boolean(),
      }),
    ),
    v.maxLength(5000),
  ),
  review: v.nullable(v.object({ ...ReviewChangeSchema.entries, at: Moment })),
  /** `about` is the number of an item of the margin, from 0. */
  talk: v.pipe(
    v.array(
      v.object({
        by: AuthorSchema,
        words: v.pipe(storedText(400), v.minLength(1)),
        about: v.nullable(count(5000)),
        at: Moment,
        hidden: Maybe,
      }),
    ),
    v.maxLength(2000),
  ),
  /** Pictures that students put on it; `file` is their name in the zip. */
  pictures: v.pipe(
    v.array(
      v.object({
        id: OwnPictureIdSchema,
        by: AuthorSchema,
        file: v.pipe(v.string(), v.maxLength(300)),
        at: Moment,
        approved: Maybe,
      }),
    ),
    v.maxLength(500),
  ),
  /** What it was when a further try began; for other programs to read. */
  tries: v.array(v.unknown()),
})
export type SlateFile = v.InferOutput<typeof SlateFileSchema>
