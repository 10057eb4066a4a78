import type { Board, Page } from '../board/board'
import type { KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import type { Label, TIPS } from '../board/piece'
import type { Pin } from '../board/place'
import { keysOn, type KeyOf } from '../keys/key'
import { keepKey } from './answers'
import { freeBox } from './freeBox'
import { requirePage } from './lookup'
import { addOthers } from './otherPieces'
import type { Ids } from './pieces'
import { addPlaces } from './places'

/** Points. */
const PIN = 32
const LONGEST_NAME = 80

type LabelKey = KeyOf<'label'>
interface AllIds extends Ids {
  readonly place: () => PlaceId
  readonly key: () => KeyId
}

const isPin = (place: Page['places'][number]): place is Pin => place.kind === 'pin'
const isLabel = (piece: Page['pieces'][number]): piece is Label => piece.kind === 'label'
const folded = (text: string) => text.trim().normalize('NFC').toLocaleLowerCase('en')
const keyOn = (board: Board, pageId: PageId): LabelKey | undefined => keysOn(board.keys, pageId, 'label')[0]

/** Pins with a name at which no label of the page is to point yet, in their order. */
export function pinsWithoutLabel(board: Board, pageId: PageId): Pin[] {
  const pointed = new Set(Object.values(keyOn(board, pageId)?.pins ?? {}).flat())
  return requirePage(board, pageId)
    .places.filter(isPin)
    .filter(pin => pin.heading.trim() && !pointed.has(pin.id))
}

/** Labels of the page that are to point at nothing yet, in their order. */
export function labelsWithoutPin(board: Board, pageId: PageId): Label[] {
  const pins = keyOn(board, pageId)?.pins ?? {}
  return requirePage(board, pageId)
    .pieces.filter(isLabel)
    .filter(label => label.text.trim() && !pins[label.id]?.length)
}

/**
 * A label on the ledge for each named pin that has none, and the key that says so. A label that says the name already
 * is taken instead of a new one; pins of one name take each other's labels.
 */
export function labelsForPins(board: Board, pageId: PageId, tip: (typeof TIPS)[number], ids: AllIds): Board {
  const pins = pinsWithoutLabel(board, pageId)
  if (pins.length === 0) return board
  const free = labelsWithoutPin(board, pageId)
  const taken = pins.map(pin => {
    const at = free.findIndex(label => folded(label.text) === folded(pin.heading))
    return at < 0 ? null : free.splice(at, 1)[0]!.id
  })
  const texts = pins.flatMap((pin, i) => (taken[i] === null ? [pin.heading.trim()] : []))
  const made: PieceId[] = []
  const piece = () => {
    const id = ids.piece()
    made.push(id)
    return id
  }
  const labelled = texts.length
    ? addOthers(board, pageId, { form: 'label', texts, bin: false, tip }, { ...ids, piece })
    : board
  let next = 0
  const labels = taken.map(id => id ?? made[next++]!)
  const named = (heading: string) =>
    requirePage(board, pageId)
      .places.filter(isPin)
      .filter(pin => folded(pin.heading) === folded(heading))
      .map(pin => pin.id)
  return withPins(labelled, pageId, new Map(labels.map((id, i) => [id, named(pins[i]!.heading)])), ids)
}

/** A pin with its name for each label that has none, in free room, to be moved to what it means; and the key. */
export function pinsForLabels(board: Board, pageId: PageId, ids: AllIds): Board {
  const labels = labelsWithoutPin(board, pageId)
  const pins = new Map<PieceId, PlaceId[]>()
  const placed = labels.reduce((now, label) => {
    const box = freeBox(requirePage(now, pageId), { width: PIN, height: PIN })
    const id = ids.place()
    pins.set(label.id, [id])
    const heading = label.text.trim().slice(0, LONGEST_NAME)
    return addPlaces(now, pageId, [{ kind: 'pin', id, heading, shape: { kind: 'ellipse', ...box } }])
  }, board)
  return labels.length ? withPins(placed, pageId, pins, ids) : board
}

function withPins(board: Board, pageId: PageId, more: ReadonlyMap<PieceId, PlaceId[]>, ids: AllIds): Board {
  const former = keyOn(board, pageId)
  const pins = { ...former?.pins, ...Object.fromEntries(more) }
  return keepKey(board, { kind: 'label', id: former?.id ?? ids.key(), page: pageId, pins })
}
