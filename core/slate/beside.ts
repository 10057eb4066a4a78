import type { Board, Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { takes } from '../board/whatPlacesTake'

/**
 * What is written beside a page, not on it. *reason*: why things lie where they do, for a place or for the page.
 * *notes*: the detail behind what the page sums up. *differently*: what is seen differently now, in another try.
 */
export const BESIDE = ['reason', 'notes', 'differently'] as const
export type Beside = (typeof BESIDE)[number]

/** What a text beside a page is kept under: "zone~reason", "page~notes". */
export const besideName = (on: string, what: Beside) => `${on}~${what}`

/** Which text beside a page this is; null for what is written on it. */
export function besideOf(name: string): { on: string; what: Beside } | null {
  const [on, what, ...more] = name.split('~')
  const found = BESIDE.find(one => one === what)
  return on && found && more.length === 0 ? { on, what: found } : null
}

/** The place or page that a text is written in or beside: of "place:gap" and "place~reason" the place. */
export const writtenOn = (name: string) => besideOf(name)?.on ?? name.split(':')[0]!

const isExplained = (place: Place) => takes(place, { kind: 'card' })

/** The reasons that a student is asked for on a page, by what they are kept under. */
export function reasonsOf(page: Page): { readonly name: string; readonly place: Place | null }[] {
  if (page.reading || !page.explain) return []
  if (page.explain === 'page') return [{ name: besideName(page.id, 'reason'), place: null }]
  return page.places.filter(isExplained).map(place => ({ name: besideName(place.id, 'reason'), place }))
}

/** Whether the board has room for this text. */
export function hasRoomBeside(edition: Edition, { on, what }: { readonly on: string; readonly what: Beside }): boolean {
  const page = edition.board.pages.find(one => one.id === on)
  const known = edition.places.get(on as PlaceId)
  switch (what) {
    case 'reason':
      return page ? page.explain === 'page' : !!known && known.page.explain === 'places' && isExplained(known.place)
    case 'notes':
      return !!page?.notes
    // Another try is the handout's to allow, and the board is the same.
    case 'differently':
      return !!page && page === firstToWork(edition.board)
  }
}

/** Where a text stands that is about the whole board: its first page that isn't only to be read. */
export const firstToWork = ({ pages }: Board): Page => pages.find(page => !page.reading) ?? pages[0]!
