import type { Edition } from '~~/core/board/edition'
import type { PageId, PieceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { sortKeyOf } from '~~/core/design/lookup'
import { freeSpot } from '~~/core/placement/freeSpot'
import { apply, type Move } from '~~/core/slate/move'
import { emptySlate, withPieces, type SlateState } from '~~/core/slate/state'

/** A slate that nobody keeps: for setting the answers by doing the task, and for trying a board as a student. */
export function useTrial(edition: () => Edition, start: () => SlateState) {
  const state = shallowRef(start())
  function make(move: Move) {
    const result = apply(state.value, move, edition())
    if (result.ok) state.value = result.value
  }
  return {
    state,
    put: (piece: PieceId, at: Point) => make({ kind: 'put', piece, ...at }),
    shelve: (piece: PieceId) => make({ kind: 'shelve', piece }),
    again: () => state.value = start(),
  }
}

/** The page as the key has it: every piece in its first home, laid out in rows. */
export function slateOfKey(edition: Edition, pageId: PageId): SlateState {
  const page = edition.board.pages.find(p => p.id === pageId)!
  const homes = sortKeyOf(edition.board, pageId)?.homes ?? {}
  return page.pieces.reduce<SlateState>((state, { id }) => {
    const place = page.places.find(p => p.id === homes[id]?.[0])
    return place ? withPieces(state, [[id, { ...freeSpot(state, id, place, page, edition), z: 1 }]]) : state
  }, emptySlate)
}
