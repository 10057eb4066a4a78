/** What a teacher says in a word to who is at work. */
export const LONGEST_NUDGE = 200

export interface Nudge {
  readonly id: string
  readonly words: string
}

/** As the teacher sees it on the slate it went to. */
export interface NudgeSent {
  readonly slate: string
  readonly words: string
  readonly seen: boolean
}
