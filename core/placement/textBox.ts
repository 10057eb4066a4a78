import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { boxAround } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { boxOfOwn } from '../slate/own'
import type { SlateState } from '../slate/state'
import { writtenSpots } from '../layout/written'

/**
 * Where on a page the text of this name is written: a writing space, a typed gap or a blank heading, a note of the
 * board, or a student's own text or note. Null where it isn't on this page.
 */
export function textBox(name: string, page: Page, state: SlateState, edition: Edition): Box | null {
  const spot = writtenSpots(page).find(one => one.name === name)
  if (spot) return spot.box
  const known = edition.pieces.get(name as PieceId)
  if (known) {
    const lies = known.page.id === page.id ? state.pieces[known.piece.id] : undefined
    return lies ? boxAround(lies, known.master) : null
  }
  const own = Object.hasOwn(state.own, name) ? state.own[name] : undefined
  return own && !own.gone && !own.hidden && own.page === page.id ? boxOfOwn(own) : null
}
