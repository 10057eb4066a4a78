import * as v from 'valibot'
import { storedText } from '../text/storedText'

/** What a handout counts for. */
export const COUNTS = ['nothing', 'points', 'rubric'] as const
export type Counts = (typeof COUNTS)[number]

export const MOST_POINTS = 1000
export const MOST_CRITERIA = 12
export const MOST_LEVELS = 8
const named = (most: number) => v.pipe(storedText(most), v.trim(), v.minLength(1))

/** One thing that is looked at, with its levels from the lowest to the highest: each a word, and what it means. */
const CriterionSchema = v.strictObject({
  name: named(60),
  levels: v.pipe(
    v.array(v.strictObject({ name: named(40), means: v.optional(v.pipe(storedText(200), v.trim()), '') })),
    v.minLength(2),
    v.maxLength(MOST_LEVELS),
  ),
})
export const RubricSchema = v.strictObject({
  name: named(60),
  criteria: v.pipe(v.array(CriterionSchema), v.minLength(1), v.maxLength(MOST_CRITERIA)),
})
export type Rubric = v.InferOutput<typeof RubricSchema>

/**
 * By criterion, counted from 0: the level that was reached, counted from 0. Criteria that aren't judged are missing.
 */
export type Levels = Readonly<Record<string, number>>

/** What a handout counts for, as it is set when it is given out. */
export const CountingSchema = v.variant('counts', [
  v.strictObject({ counts: v.literal('nothing') }),
  v.strictObject({
    counts: v.literal('points'),
    points: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_POINTS)),
  }),
  v.strictObject({ counts: v.literal('rubric'), rubric: RubricSchema }),
])
export type Counting = v.InferOutput<typeof CountingSchema>
export const NOTHING: Counting = { counts: 'nothing' }

/** Whether every judged criterion and level is one that the rubric has. */
export const levelsFit = (levels: Levels, { criteria }: Rubric): boolean =>
  Object.entries(levels).every(([criterion, level]) => level < (criteria[Number(criterion)]?.levels.length ?? 0))
