import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { within } from '../geometry/area'
import { outlined } from '../geometry/outline'
import { claim } from '../bodies/claim'
import { mayTouch, type Actor } from './actor'
import { thingOf, type ThingName } from './hands'
import { writtenOn } from './beside'
import { boxOfOwn } from './own'
import type { SlateState } from './state'

/** With this share of its area a piece is a place's, as far as it matters whose place that is. */
const MOSTLY = 0.5

/**
 * The first of the changed things that lies, or lay, in a space that isn't this person's; null when there is none.
 * A piece is where most of it lies, a text and a stroke where they were written and drawn.
 */
export function outsidePart({
  before,
  after,
  changed,
  edition,
  actor,
}: {
  readonly before: SlateState
  readonly after: SlateState
  readonly changed: readonly ThingName[]
  readonly edition: Edition
  readonly actor: Actor
}): ThingName | null {
  if (actor.part === 'all' || !hasParts(edition)) return null
  return (
    changed.find(name =>
      [before, after].some(state => placesOf(state, name, edition).some(place => !mayTouch(place, actor))),
    ) ?? null
  )
}

const parted = new WeakMap<Edition, boolean>()
function hasParts(edition: Edition): boolean {
  const known = parted.get(edition)
  if (known !== undefined) return known
  const has = edition.board.pages.some(page => page.places.some(place => place.part !== undefined))
  parted.set(edition, has)
  return has
}

/** The places that belong to a part and hold this thing. */
export function placesOf(state: SlateState, name: ThingName, edition: Edition): Place[] {
  const { thing, id } = thingOf(name)
  switch (thing) {
    case 'piece':
      return holding(state, id as PieceId, edition)
    case 'stroke':
      return named(state.strokes[id]?.place, edition)
    case 'text': {
      const place = named(writtenOn(id) as PlaceId, edition)
      return place.length ? place : holding(state, id as PieceId, edition)
    }
    case 'hint':
      return []
    case 'own':
      return under(state, id, edition)
    case 'arrow':
      return id.split('>').flatMap(end => holding(state, end as PieceId, edition))
  }
}

function named(id: PlaceId | undefined, edition: Edition): Place[] {
  const place = id && edition.places.get(id)?.place
  return place && place.part !== undefined ? [place] : []
}

function holding(state: SlateState, id: PieceId, edition: Edition): Place[] {
  const position = state.pieces[id]
  const known = edition.pieces.get(id)
  if (!position || !known) return []
  return known.page.places.filter(
    place =>
      place.part !== undefined
      && (claim({ place, piece: known.piece, master: known.master, lies: position })?.share ?? 0) >= MOSTLY,
  )
}

/** Of what somebody has made, its middle counts; colour is where it is laid. */
function under(state: SlateState, id: string, edition: Edition): Place[] {
  const thing = state.own[id]
  if (thing?.kind === 'colour') return named(thing.place, edition)
  const box = thing && boxOfOwn(thing)
  const page = thing && edition.board.pages.find(one => one.id === thing.page)
  if (!box || !page) return []
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  return page.places.filter(place => place.part !== undefined && within(outlined(place.shape).points, middle))
}
