import type { Board } from '../board/board'
import type { PageId, PieceId, PlaceId } from '../board/ids'

/** *stops*: students can't do the task so. *warning*: it will go wrong for some. *advice*: worth a thought. */
export const SEVERITIES = ['stops', 'warning', 'advice'] as const
export type Severity = (typeof SEVERITIES)[number]

export interface Finding {
  readonly rule: string
  readonly severity: Severity
  readonly page: PageId
  /** What it is about, shown on the page. */
  readonly subjects: readonly (PieceId | PlaceId | string)[]
  /** For the message catalogue. */
  readonly words: Readonly<Record<string, string | number>>
  /** Mends it; absent where only the teacher can. */
  readonly fix?: Fix
}

/** `phrase` gives the words of the interface that a fix may have to write on the board. */
export interface Fix {
  readonly code: string
  readonly apply: (board: Board, phrase: (code: string) => string) => Board
}

/** `found` is what the rules before it have said. */
export interface Rule {
  readonly name: string
  readonly look: (board: Board, found: readonly Finding[]) => Finding[]
}
