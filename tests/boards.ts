import * as v from 'valibot'
import { emptyBoard, type Board } from '../core/board/board'
import { makeEdition } from '../core/board/edition'
import { KeyIdSchema, MasterIdSchema, PageIdSchema, PieceIdSchema, PlaceIdSchema } from '../core/board/ids'
import { addCards } from '../core/design/pieces'
import { addZone } from '../core/design/places'

export const pieceId = (id: string) => v.parse(PieceIdSchema, id)
export const placeId = (id: string) => v.parse(PlaceIdSchema, id)
export const pageId = (id: string) => v.parse(PageIdSchema, id)
export const masterId = (id: string) => v.parse(MasterIdSchema, id)
export const keyId = (id: string) => v.parse(KeyIdSchema, id)

/** A page with the named zones in a row and cards c0, c1, ... with the given words. */
export function sortBoard(zones: readonly string[], words: readonly string[], seed = 7): Board {
  let n = 0
  const withZones = zones.reduce(
    (board, heading, i) => addZone(board, pageId('page'), placeId(`z${i}`), heading),
    emptyBoard('Test board', pageId('page'), seed),
  )
  return addCards({ ...withZones, instructions: 'Sort the cards.' }, pageId('page'), words, {
    piece: () => pieceId(`c${n++}`),
    master: () => masterId('m'),
  })
}

export const shore = () =>
  sortBoard(['Clings', 'Crawls', 'Swims'], ['limpet', 'barnacle', 'shore crab', 'sea star', 'prawn', 'goby'])
export const shoreEdition = () => makeEdition(shore())

export const middleOf = (board: Board, place: string) => {
  const shape = board.pages[0]!.places.find(p => p.id === place)!.shape
  if (shape.kind !== 'rectangle') throw new Error('a test zone is a rectangle')
  return { x: shape.x + shape.width / 2, y: shape.y + shape.height / 2 }
}

/** Ids that count up. */
export const counting = (prefix = 'n') => {
  let n = 0
  return () => `${prefix}${++n}`
}

/** The shore with its answers: three cling, two crawl, and the goby belongs nowhere. */
export function keyedShore(): Board {
  const board = shore()
  const [page] = board.pages
  const [clings, crawls] = page!.places.map(place => place.id)
  const homes = Object.fromEntries(
    page!.pieces.map((piece, i) => [piece.id, i === 5 ? [] : [i < 3 ? clings! : crawls!]]),
  )
  return { ...board, keys: [{ kind: 'sort', id: keyId('k'), page: page!.id, homes }] }
}
