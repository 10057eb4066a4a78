import * as v from 'valibot'
import { storedText } from '../text/storedText'

export const LONGEST_QUESTION = 300
/** Of one student in one jar, those that are hidden counted too: a jar isn't flooded by one. */
export const MOST_QUESTIONS_EACH = 10
export const MOST_QUESTIONS = 1000

/** How a jar is set. Nameless is meant among the students: who leads the class always knows, and that is said. */
export const JarSchema = v.strictObject({ open: v.boolean(), named: v.boolean() })
export type JarSetting = v.InferOutput<typeof JarSchema>

/** The id is made by who asks, so that what is sent twice stands there once. */
export const AskedSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid(), v.toLowerCase()),
  words: v.pipe(storedText(LONGEST_QUESTION), v.trim(), v.minLength(1)),
})
export type Asked = v.InferOutput<typeof AskedSchema>

/** For, against, or neither any more: one each. */
const VOTES = [1, 0, -1] as const
export type Vote = (typeof VOTES)[number]
export const VoteSchema = v.strictObject({ vote: v.picklist(VOTES) })

/** What a teacher does with a question. */
export const QuestionChangeSchema = v.strictObject({
  hidden: v.optional(v.boolean()),
  answered: v.optional(v.boolean()),
})
export type QuestionChange = v.InferOutput<typeof QuestionChangeSchema>

/** A question as it is read. `name`: of who asked it; null where it is nameless to the reader. */
export interface Question {
  readonly id: string
  readonly words: string
  readonly name: string | null
  readonly mine: boolean
  readonly up: number
  readonly down: number
  readonly vote: Vote
  readonly answered: boolean
  readonly hidden: boolean
}

/**
 * The open ones first, those that most are for before the others (for less against); of like ones the older first, as
 * they came.
 */
export const inOrder = (questions: readonly Question[]): Question[] =>
  questions.toSorted(
    (a, b) =>
      Number(a.hidden) - Number(b.hidden) || Number(a.answered) - Number(b.answered) || b.up - b.down - (a.up - a.down),
  )
