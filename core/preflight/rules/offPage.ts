import type { Board, Page } from '../../board/board'
import { FIXED_LISTS } from '../../board/fixed'
import type { Place } from '../../board/place'
import { HANDLING } from '../../design/fixed'
import { setBoxes } from '../../design/items'
import { boxAround, boxOf } from '../../geometry/outline'
import type { Box } from '../../geometry/shape'
import { turnedSize } from '../../bodies/straight'
import type { Finding, Rule } from '../finding'

/** Places that reach beyond the page: part of them can't be seen or used. */
export const offPage: Rule = {
  name: 'off-page',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const over = page.places.filter(place => {
        const { x, y, width, height } = boxOf(place)
        return x < 0 || y < 0 || x + width > page.width || y + height > page.height
      })
      return [...(over.length ? [places(page, over)] : []), ...others(board, page)]
    }),
}

const places = (page: Page, over: readonly Place[]): Finding => ({
  rule: 'off-page',
  severity: 'warning',
  page: page.id,
  subjects: over.map(p => p.id),
  words: { count: over.length, headings: over.map(p => p.heading || '…').join(', ') },
  // Changing a place to its own box moves it onto the page.
  fix: {
    code: 'onto-page',
    apply: b => over.reduce((now, place) => setBoxes(now, page.id, new Map([[place.id, boxOf(place)]])), b),
  },
})

/** So much of what is printed may be cut off, in points: a line is as thick as that. */
const SLACK = 4

/** What is printed, activities, and pieces that lie on the page from the start. */
function others(board: Board, page: Page): Finding[] {
  const outside = ({ x, y, width, height }: Box) =>
    x < -SLACK || y < -SLACK || x + width > page.width + SLACK || y + height > page.height + SLACK
  const printed = FIXED_LISTS.flatMap(list =>
    (page.backdrop[list] ?? [])
      .filter(thing => {
        const handling = HANDLING[list] as unknown as { readonly boxOf: (thing: unknown) => Box }
        return outside(handling.boxOf(thing))
      })
      .map(thing => thing.id),
  )
  const steps = (page.steps ?? []).filter(outside).map(step => step.id)
  const masters = new Map(board.masters.map(master => [master.id, master]))
  const staged = page.pieces
    .filter(piece => {
      const [at, master] = [page.staged?.[piece.id], masters.get(piece.master)]
      return at && master && outside(boxAround(at, turnedSize(master, at.turn)))
    })
    .map(piece => piece.id)
  const all = [...printed, ...steps, ...staged]
  return all.length
    ? [{ rule: 'prints-off-page', severity: 'warning', page: page.id, subjects: all, words: { count: all.length } }]
    : []
}
