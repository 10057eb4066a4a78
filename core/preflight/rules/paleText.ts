import type { Board } from '../../board/board'
import { contrast, INK, lightened } from '../../colour/contrast'
import { withPage } from '../../design/lookup'
import type { Finding, Rule } from '../finding'

/** What students read needs 7 : 1 (WCAG 2.2, success criterion 1.4.6); below 4.5 : 1 (1.4.3) many can't read it at all. */
const GOOD = 7
const LEAST = 4.5

/** Words on a colour that is too dark for them: on pieces, on fixed shapes, on the page itself. */
export const paleText: Rule = {
  name: 'pale-text',
  look: board => board.pages.flatMap(page => [
    ...board.masters.flatMap((master) => {
      const pieces = page.pieces.filter(p => p.master === master.id && p.text && p.kind !== 'cover')
      const fix = (b: Board): Board => ({ ...b, masters: b.masters.map(m => m.id === master.id && m.colour ? { ...m, colour: lightened(m.colour, GOOD) } : m) })
      return master.colour && pieces.length ? finding(master.colour, page.id, pieces.map(p => p.id), fix) : []
    }),
    ...(page.backdrop.figures ?? []).flatMap(figure => figure.fill && figure.text
      ? finding(figure.fill, page.id, [figure.id], b => withPage(b, page.id, p => ({
          ...p, backdrop: { ...p.backdrop, figures: p.backdrop.figures!.map(f => f.id === figure.id && f.fill ? { ...f, fill: lightened(f.fill, GOOD) } : f) },
        })))
      : []),
    ...page.places.some(place => place.heading)
      ? finding(page.backdrop.colour, page.id, page.places.filter(p => p.heading).map(p => p.id), b => withPage(b, page.id, p => ({ ...p, backdrop: { ...p.backdrop, colour: lightened(p.backdrop.colour, GOOD) } })))
      : [],
  ]),
}

function finding(colour: string, page: Finding['page'], subjects: Finding['subjects'], apply: (board: Board) => Board): Finding[] {
  const ratio = contrast(colour, INK)
  if (ratio >= GOOD) return []
  const words = { ratio: Math.floor(ratio * 10) / 10, least: GOOD }
  return [{ rule: 'pale-text', severity: ratio < LEAST ? 'warning' : 'advice', page, subjects, words, fix: { code: 'lighten', apply } }]
}
