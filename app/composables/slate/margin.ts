import type { Review } from '~~/core/handout/review'
import type { MarginItem } from '~~/core/margin/item'

/** The margin and the review as the server gives them. */
export interface MarginEntry {
  id: string
  item: MarginItem
  /** Seen by those who work, before it is handed back. */
  shown: boolean
}
export type ReviewEntry = Review
