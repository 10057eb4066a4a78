import * as v from 'valibot'
import { DecisionNameSchema, DecisionSchema, type Decision, type Decisions } from '../keys/mark'
import { storedText } from '../text/storedText'
import { MOST_LEVELS, MOST_POINTS, type Levels } from './counting'

export const LONGEST_COMMENT = 2000
export const LONGEST_ALONE = 500
/** Decisions on one slate: more than any board has items. */
export const MOST_DECISIONS = 2000
const MOST_ALONE = 100

/** What one of several gets for what they did themselves, beside what all get together. */
export interface Alone {
  readonly points: number | null
  readonly comment: string
}

/** What a teacher says of a slate. What isn't graded stays so: no points, no level, no word alone. */
export interface Review {
  readonly decisions: Decisions
  readonly comment: string
  readonly points: number | null
  readonly levels: Levels
  /** By hand: `student:2` is the second of a frame. */
  readonly alone: Readonly<Record<string, Alone>>
}
export const NO_REVIEW: Review = { decisions: {}, comment: '', points: null, levels: {}, alone: {} }

const PointsSchema = v.nullable(
  v.pipe(
    v.number(),
    v.minValue(0),
    v.maxValue(MOST_POINTS),
    v.transform(points => Math.round(points * 100) / 100),
  ),
)
/** What is changed of a review: null takes an entry away, what isn't named stays as it is. */
export const ReviewChangeSchema = v.strictObject({
  decisions: v.optional(v.pipe(v.record(DecisionNameSchema, v.nullable(DecisionSchema)), v.maxEntries(MOST_DECISIONS))),
  comment: v.optional(storedText(LONGEST_COMMENT)),
  points: v.optional(PointsSchema),
  levels: v.optional(
    v.record(
      v.pipe(v.string(), v.regex(/^\d{1,2}$/)),
      v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_LEVELS - 1))),
    ),
  ),
  alone: v.optional(
    v.pipe(
      v.record(
        v.pipe(v.string(), v.regex(/^student:\d{1,6}$/)),
        v.nullable(v.strictObject({ points: PointsSchema, comment: v.pipe(storedText(LONGEST_ALONE), v.trim()) })),
      ),
      v.maxEntries(MOST_ALONE),
    ),
  ),
})
export type ReviewChange = v.InferOutput<typeof ReviewChangeSchema>

function merged<Value>(
  before: Readonly<Record<string, Value>>,
  change: Readonly<Record<string, Value | null>> = {},
): Record<string, Value> {
  const all = Object.entries({ ...before, ...change })
  return Object.fromEntries(all.filter((entry): entry is [string, Value] => entry[1] !== null))
}

/** A review with what was changed: whoever changed something else meanwhile loses nothing by it. */
export const changedReview = (before: Review, change: ReviewChange): Review => ({
  decisions: merged<Decision>(before.decisions, change.decisions),
  comment: change.comment ?? before.comment,
  points: change.points === undefined ? before.points : change.points,
  levels: merged<number>(before.levels, change.levels),
  alone: merged<Alone>(before.alone, change.alone),
})

function difference<Value>(before: Readonly<Record<string, Value>>, after: Readonly<Record<string, Value>>) {
  const names = new Set([...Object.keys(before), ...Object.keys(after)])
  const changed = [...names].flatMap((name): [string, Value | null][] =>
    JSON.stringify(before[name]) === JSON.stringify(after[name]) ? [] : [[name, after[name] ?? null]],
  )
  return changed.length ? Object.fromEntries(changed) : undefined
}

/** What makes the one of the other; null where they are alike. */
export function reviewChange(before: Review, after: Review): ReviewChange | null {
  const [decisions, levels, alone] = [
    difference<Decision>(before.decisions, after.decisions),
    difference<number>(before.levels, after.levels),
    difference<Alone>(before.alone, after.alone),
  ]
  const change: ReviewChange = {
    ...(decisions && { decisions }),
    ...(before.comment !== after.comment && { comment: after.comment }),
    ...(before.points !== after.points && { points: after.points }),
    ...(levels && { levels }),
    ...(alone && { alone }),
  }
  return Object.keys(change).length ? change : null
}

/** Points as they are given: in halves, the nearest to a share of the most there are; a quarter goes up. */
export const inHalves = (share: number, most: number): number => Math.round(share * most * 2) / 2
