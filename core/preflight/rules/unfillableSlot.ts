import type { PlaceId } from '../../board/ids'
import { matching } from '../../matching/bipartite'
import type { Finding, Rule } from '../finding'

/** Slots that can't all be filled rightly at once: a largest matching of slots and pieces leaves some of them out. */
export const unfillableSlot: Rule = {
  name: 'unfillable-slot',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      if (key.kind !== 'slots') return []
      const slots = Object.keys(key.fits).filter(slot => key.fits[slot]!.length > 0)
      // A bin fills as many slots as it likes.
      const bins = new Set(board.pages.flatMap(page => page.pieces.filter(piece => piece.bin).map(piece => piece.id)))
      const partners = matching(slots.map(slot => key.fits[slot]!.map(id => (bins.has(id) ? `${id} for ${slot}` : id))))
      const left = slots.filter((_, i) => partners[i] === null)
      if (left.length === 0) return []
      const places = [...new Set(left.map(slot => slot.split(':')[0] as PlaceId))]
      const headings = board.pages
        .flatMap(p => p.places)
        .filter(p => places.includes(p.id))
        .map(p => p.heading)
        .join(', ')
      return [
        {
          rule: 'unfillable-slot',
          severity: 'stops',
          page: key.page,
          subjects: places,
          words: { count: left.length, headings },
        },
      ]
    }),
}
