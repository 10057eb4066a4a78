import { setBoxes } from '../../design/items'
import { boxOf } from '../../geometry/outline'
import type { Finding, Rule } from '../finding'

/** Places that reach beyond the page: part of them can't be seen or used. */
export const offPage: Rule = {
  name: 'off-page',
  look: board => board.pages.flatMap((page): Finding[] => {
    const over = page.places.filter((place) => {
      const { x, y, width, height } = boxOf(place)
      return x < 0 || y < 0 || x + width > page.width || y + height > page.height
    })
    if (over.length === 0) return []
    return [{
      rule: 'off-page', severity: 'warning', page: page.id, subjects: over.map(p => p.id),
      words: { count: over.length, headings: over.map(p => p.heading || '…').join(', ') },
      // Changing a place to its own box moves it onto the page.
      fix: { code: 'onto-page', apply: b => over.reduce((now, place) => setBoxes(now, page.id, new Map([[place.id, boxOf(place)]])), b) },
    }]
  }),
}
