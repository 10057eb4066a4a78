import { PLACE_TRAITS } from '../../board/placeTraits'
import { isBlank } from '../../board/whatPlacesTake'
import type { Finding, Rule } from '../finding'

/** A zone without a heading, once there is a key: students can't know what it stands for. */
export const noHeading: Rule = {
  name: 'no-heading',
  look: board => board.pages.flatMap((page): Finding[] => {
    const blank = page.places.filter(place => !place.heading.trim() && !PLACE_TRAITS[place.kind].saysItself && !isBlank(place))
    if (blank.length === 0 || !board.keys.some(key => key.page === page.id)) return []
    return [{ rule: 'no-heading', severity: 'warning', page: page.id, subjects: blank.map(p => p.id), words: { count: blank.length } }]
  }),
}
