import type { Levels } from '~~/core/handout/counting'
import type { Decisions } from '~~/core/keys/mark'
import type { MarginItem } from '~~/core/margin/item'

/** The margin and the review as the server gives them. */
export interface MarginEntry {
  id: string
  item: MarginItem
  /** Seen by those who work, before it is handed back. */
  shown: boolean
}
export interface ReviewEntry {
  decisions: Decisions
  comment: string
  points: number | null
  levels: Levels
}
