import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { writtenOn } from './beside'
import { holdsTooMuch } from './limits'
import type { OnPage, SlateState } from './state'

/**
 * Whether a state that came from elsewhere can be one over this edition: it names nothing that the edition doesn't
 * have, lays nothing beside its page, and holds no more than a slate does. What may be done today is not asked: when
 * it was done it may have been allowed.
 */
export function isSound(state: SlateState, edition: Edition): boolean {
  const pages = new Set<string>(edition.board.pages.map(page => page.id))
  const lies = ([id, { x, y }]: [string, OnPage]) => {
    const page = edition.pieces.get(id as PieceId)?.page
    return !!page && x >= 0 && y >= 0 && x <= page.width && y <= page.height
  }
  const hasPlace = (id: string | undefined) => id !== undefined && !!edition.places.get(id as PlaceId)
  const hasText = (name: string) => {
    const on = writtenOn(name)
    return hasPlace(on) || pages.has(on) || !!edition.pieces.get(name as PieceId)
  }
  return (
    !holdsTooMuch(state)
    && Object.entries(state.pieces).every(lies)
    && Object.keys(state.texts).every(hasText)
    && Object.values(state.strokes).every(stroke => hasPlace(stroke.place))
    && Object.values(state.own).every(own => pages.has(own.page))
  )
}
