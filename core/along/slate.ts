import * as v from 'valibot'
import { ReviewChangeSchema } from '../handout/review'
import { MOST_VERSIONS } from '../handout/version'
import { LONGEST_NUDGE } from '../lesson/nudge'
import { SecondThoughtSchema, WrittenItemSchema } from '../margin/item'
import { AuthorSchema } from '../slate/actor'
import { SLATE_KINDS } from '../slate/kind'
import { KeptMoveSchema } from '../slate/moveSchema'
import { OwnPictureIdSchema } from '../slate/ownSchema'
import { SLATE_STATUSES } from '../slate/status'
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
} from './fields'

const MOST_MOVES = 100_000
const MOST_TRIES = 50
const MOST_NUDGES = 5000
const MoveIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/))
const GivenReviewSchema = v.object(ReviewChangeSchema.entries)

/** A slate with all that was done on it and said of it. */
export const SlateFileSchema = v.object({
  format: v.literal('dappled-slate/slate'),
  version: v.literal(1),
  kind: v.picklist(SLATE_KINDS),
  name: v.nullable(storedText(120)),
  mark: v.nullable(storedText(20)),
  position: v.nullable(from1(1000)),
  /** Which group of which set. */
  group: v.nullable(v.strictTuple([count(60), count(200)])),
  /** Which of the handout's versions. */
  ofVersion: v.nullable(count(MOST_VERSIONS)),
  edition: HashSchema,
  status: v.picklist(SLATE_STATUSES),
  opened: MomentOrNoneSchema,
  moved: MomentOrNoneSchema,
  handedIn: MomentOrNoneSchema,
  /** When the teacher handed it in for all. */
  collected: v.optional(MomentOrNoneSchema, null),
  handedBack: MomentOrNoneSchema,
  closed: v.optional(MomentOrNoneSchema, null),
  /** When its heading was given, and when that was hidden from the others. */
  named: v.optional(MomentOrNoneSchema, null),
  nameHidden: v.optional(MomentOrNoneSchema, null),
  said: v.nullable(storedText(500)),
  members: v.pipe(
    v.array(
      v.object({
        student: v.nullable(StudentNumberSchema),
        hand: from1(1_000_000),
        part: v.nullable(from1(8)),
        from: MomentSchema,
        until: MomentOrNoneSchema,
        done: MomentOrNoneSchema,
      }),
    ),
    v.maxLength(2000),
  ),
  /** In order, numbered from 1 without a gap. */
  moves: v.pipe(
    v.array(
      v.object({
        id: MoveIdSchema,
        move: KeptMoveSchema,
        /** Null for a move that takes another back. */
        inverse: v.nullable(KeptMoveSchema),
        undoes: v.nullable(MoveIdSchema),
        by: AuthorSchema,
        at: MomentSchema,
      }),
    ),
    v.maxLength(MOST_MOVES),
  ),
  editionChanges: v.pipe(
    v.array(
      v.object({ turn: count(100_000), number: count(MOST_MOVES), from: HashSchema, to: HashSchema, at: MomentSchema }),
    ),
    v.maxLength(1000),
  ),
  margin: v.pipe(
    v.array(
      v.object({
        item: v.union([WrittenItemSchema, SecondThoughtSchema]),
        at: MomentSchema,
        removed: MomentOrNoneSchema,
        shown: v.boolean(),
      }),
    ),
    v.maxLength(5000),
  ),
  review: v.nullable(v.object({ ...GivenReviewSchema.entries, at: MomentSchema })),
  /** `about` is the number of an item of the margin. */
  talk: v.pipe(
    v.array(
      v.object({
        by: AuthorSchema,
        words: v.pipe(storedText(400), v.minLength(1)),
        about: v.nullable(count(5000)),
        at: MomentSchema,
        hidden: MomentOrNoneSchema,
      }),
    ),
    v.maxLength(2000),
  ),
  /** Words that a teacher said while it was worked on. */
  nudges: listOf(
    v.object({ words: v.pipe(storedText(LONGEST_NUDGE), v.minLength(1)), at: MomentSchema, seen: MomentOrNoneSchema }),
    MOST_NUDGES,
  ),
  /** Pictures that students put on it; `file` is their name in the zip. */
  pictures: v.pipe(
    v.array(
      v.object({
        id: OwnPictureIdSchema,
        by: AuthorSchema,
        file: FileNameSchema,
        at: MomentSchema,
        approved: MomentOrNoneSchema,
      }),
    ),
    v.maxLength(500),
  ),
  /**
   * When a further try began, in order: after how many moves, over which edition, and what had been said of it. How it
   * was then, its moves tell.
   */
  tries: listOf(
    v.object({
      number: count(MOST_MOVES),
      edition: HashSchema,
      review: v.nullable(GivenReviewSchema),
      ended: MomentSchema,
    }),
    MOST_TRIES,
  ),
})
export type SlateFile = v.InferOutput<typeof SlateFileSchema>
