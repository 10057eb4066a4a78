import type { Edition } from '../board/edition'
import type { KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import type { SortKey } from '../board/key'
import { placePieces } from '../placement/placement'
import type { SlateState } from '../slate/state'

export interface KeptSort {
  readonly key: SortKey
  /** Pieces that lie on a border: the teacher is asked to put them more clearly; they are not in the key. */
  readonly unsure: readonly PieceId[]
}

/**
 * Reads the answers from a page on which the teacher has done the task. Every place in which a piece surely lies
 * is a right home; a piece left on the ledge or outside every place belongs nowhere.
 */
export function keepSort(id: KeyId, pageId: PageId, state: SlateState, edition: Edition): KeptSort {
  const page = edition.board.pages.find(p => p.id === pageId)
  const homes: Record<PieceId, PlaceId[]> = {}
  const unsure: PieceId[] = []
  for (const { piece, shares } of page ? placePieces(state, page, edition) : []) {
    if (shares.some(s => s.certainty === 'unsure')) unsure.push(piece)
    else homes[piece] = shares.map(s => s.place)
  }
  return { key: { kind: 'sort', id, page: pageId, homes }, unsure }
}
