import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { writtenOn } from './beside'
import { thingOf, type ThingName } from './hands'
import type { SlateState } from './state'

/** The pages on which a thing stands, or stood; none for what the edition doesn't know. */
export function pagesOf(states: readonly SlateState[], name: ThingName, edition: Edition): Page[] {
  const { thing, id } = thingOf(name)
  const ofPiece = (piece: string) => edition.pieces.get(piece as PieceId)?.page
  const ofPlace = (place: string | undefined) =>
    place === undefined ? undefined : edition.places.get(place as PlaceId)?.page
  const found =
    thing === 'piece'
      ? [ofPiece(id)]
      : thing === 'text'
        ? [ofPlace(writtenOn(id)) ?? edition.board.pages.find(page => page.id === writtenOn(id)) ?? ofPiece(id)]
        : thing === 'stroke'
          ? states.map(state => ofPlace(state.strokes[id]?.place))
          : thing === 'own'
            ? states.map(state => edition.board.pages.find(page => page.id === state.own[id]?.page))
            : id.split('>').map(ofPiece)
  return found.filter(page => page !== undefined)
}

/** Whether the thing stands on a page that is only to be read. */
export function isToRead(states: readonly SlateState[], name: ThingName, edition: Edition): boolean {
  return edition.board.pages.some(page => page.reading) && pagesOf(states, name, edition).some(page => page.reading)
}
