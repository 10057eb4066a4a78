import type { Place, Zone } from './place'
import { PLACE_TRAITS } from './placeTraits'

/** Parts of a frame, and gaps of a text, at most. */
export const MOST_PARTS = 8
export const MOST_GAPS = 60

/** How many gaps a text has. */
export const gapsIn = (text: string) => text.split(/_{2,}/).length - 1

/** Whether students name the place themselves. */
export const isBlank = (place: Place): place is Zone => place.kind === 'zone' && !!place.blank

/** Whether pieces can be put there at all; labels point at pins, and everything else has nothing to do with one. */
export function takes(place: Place, piece: { readonly kind: string }): boolean {
  switch (PLACE_TRAITS[place.kind].takes) {
    case 'pieces':
      return true
    case 'tips':
      return piece.kind === 'label'
    case 'words-or-pieces':
      return place.kind === 'gaps' && !place.typed
    case 'words':
    case 'ink':
      return false
  }
}
