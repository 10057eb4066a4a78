import { PLACE_TRAITS } from '../../board/placeTraits'
import type { Page } from '../../board/board'
import type { Place } from '../../board/place'
import { boxOf, overlaps } from '../../geometry/outline'
import { isBlank } from '../../board/whatPlacesTake'
import type { Finding, Rule } from '../finding'

/** Points: printed words so near to a place say what it is. */
const BESIDE = 40

/** Words are printed in the place, or right beside it, as the labels of rows and columns are. */
function isLabelled(place: Place, page: Page): boolean {
  const { x, y, width, height } = boxOf(place)
  const around = { x: x - BESIDE, y: y - BESIDE, width: width + 2 * BESIDE, height: height + 2 * BESIDE }
  return (page.backdrop.figures ?? []).some(figure => figure.text.trim() && overlaps(boxOf(figure), around))
}

/** A zone without a heading, once there is a key: students can't know what it stands for. */
export const noHeading: Rule = {
  name: 'no-heading',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const blank = page.places.filter(
        place =>
          !place.heading.trim() && !PLACE_TRAITS[place.kind].saysItself && !isBlank(place) && !isLabelled(place, page),
      )
      if (blank.length === 0 || !board.keys.some(key => key.page === page.id)) return []
      return [
        {
          rule: 'no-heading',
          severity: 'warning',
          page: page.id,
          subjects: blank.map(p => p.id),
          words: { count: blank.length },
        },
      ]
    }),
}
