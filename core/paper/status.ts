/** How far a paper is that takes a while to make. */
export type PaperStatus = 'waiting' | 'making' | 'ready' | 'failed'

/** A paper as it stands in the list of a handout's. */
export interface PaperInList {
  readonly id: string
  readonly title: string
  readonly status: PaperStatus
  readonly done: number
  readonly of: number
  readonly sheets: number | null
  /** An ISO moment. */
  readonly askedAt: string
}
