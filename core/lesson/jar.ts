export const LONGEST_QUESTION = 300
/** Of one student in one jar, those that are hidden counted too: a jar isn't flooded by one. */
export const MOST_QUESTIONS_EACH = 10
export const MOST_QUESTIONS = 1000

/** How a jar is set. Nameless is meant among the students: who leads the class always knows, and that is said. */
export interface JarSetting {
  readonly open: boolean
  readonly named: boolean
}
/** For, against, or neither any more: one each. */
export type Vote = 1 | 0 | -1

/** What a teacher does with a question. */
export interface QuestionChange {
  readonly hidden?: boolean | undefined
  readonly answered?: boolean | undefined
}

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
