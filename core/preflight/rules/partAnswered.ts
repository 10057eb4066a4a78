import type { Page } from '../../board/board'
import type { PlaceId } from '../../board/ids'
import type { Place } from '../../board/place'
import { referencesOf, type Key, type KeyKind } from '../../keys/key'
import type { Finding, Rule } from '../finding'

/** Of the keys that say of each place what belongs there: which places they are about. */
const ABOUT: Partial<Record<KeyKind, (place: Place) => boolean>> = {
  slots: place => place.kind === 'slot',
  label: place => place.kind === 'pin',
  write: place => place.kind === 'writing' || (place.kind === 'gaps' && place.typed),
}

/** A key that says what belongs in some places of a kind and not in others: the rest would never be marked. */
export const partAnswered: Rule = {
  name: 'part-answered',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const open = openPlaces(
        page,
        board.keys.filter(key => key.page === page.id),
      )
      return open.length
        ? [{ rule: 'part-answered', severity: 'advice', page: page.id, subjects: open, words: { count: open.length } }]
        : []
    }),
}

function openPlaces(page: Page, keys: readonly Key[]): PlaceId[] {
  const named = new Set(keys.flatMap(key => referencesOf(key).places))
  const kinds = new Set(keys.map(key => key.kind))
  const about = [...kinds].flatMap(kind => ABOUT[kind] ?? [])
  return page.places.flatMap(place => (!named.has(place.id) && about.some(is => is(place)) ? [place.id] : []))
}
