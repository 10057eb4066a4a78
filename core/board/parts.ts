import type { Board } from './board'

/**
 * For how many members of a group a board has parts of their own: the highest part of any of its places; 0 for none.
 */
export function partsOf(board: Board): number {
  return Math.max(0, ...board.pages.flatMap(page => page.places.map(place => place.part ?? 0)))
}
