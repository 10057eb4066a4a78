import { setTextSize } from '../../design/pieces'
import type { Finding, Rule } from '../finding'

/** Points. A page as wide as a tablet shows a point as about a pixel; 14 px is the least that the interface itself uses. */
const SMALLEST = 14

export const smallText: Rule = {
  name: 'small-text',
  look: board => board.masters.flatMap((master): Finding[] => {
    const page = board.pages.find(p => p.pieces.some(piece => piece.master === master.id && piece.text))
    if (!page || master.textSize >= SMALLEST) return []
    return [{
      rule: 'small-text', severity: 'warning', page: page.id,
      subjects: page.pieces.filter(p => p.master === master.id).map(p => p.id),
      words: { size: master.textSize, least: SMALLEST },
      fix: { code: 'enlarge', apply: b => setTextSize(b, master.id, SMALLEST) },
    }]
  }),
}
