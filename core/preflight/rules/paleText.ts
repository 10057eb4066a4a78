import type { Board, Page } from '../../board/board'
import { contrast, INK, lightened } from '../../colour/contrast'
import { withPage } from '../../design/lookup'
import type { Finding, Rule } from '../finding'

/**
 * What students read needs 7 : 1 (WCAG 2.2, success criterion 1.4.6); below 4.5 : 1 (1.4.3) many can't read it at all.
 */
const GOOD = 7
const LEAST = 4.5

/** Words on a colour that is too dark for them: on pieces, on fixed shapes, on the page itself. */
export const paleText: Rule = {
  name: 'pale-text',
  look: board =>
    board.pages.flatMap(page => [
      ...board.masters.flatMap(master => {
        const pieces = page.pieces.filter(p => p.master === master.id && p.text && p.kind !== 'cover')
        const fix = (b: Board): Board => ({
          ...b,
          masters: b.masters.map(m =>
            m.id === master.id && m.colour ? { ...m, colour: lightened(m.colour, GOOD) } : m,
          ),
        })
        return master.colour && pieces.length
          ? finding(
              master.colour,
              page.id,
              pieces.map(p => p.id),
              fix,
            )
          : []
      }),
      ...(page.backdrop.figures ?? []).flatMap(figure =>
        figure.fill && figure.text
          ? finding(figure.fill, page.id, [figure.id], b =>
              withPage(b, page.id, p => ({
                ...p,
                backdrop: {
                  ...p.backdrop,
                  figures: p.backdrop.figures!.map(f =>
                    f.id === figure.id && f.fill ? { ...f, fill: lightened(f.fill, GOOD) } : f,
                  ),
                },
              })),
            )
          : [],
      ),
      ...otherSides(board, page),
      ...(wordsOnPage(page).length
        ? finding(page.backdrop.colour, page.id, wordsOnPage(page), b =>
            withPage(b, page.id, p => ({
              ...p,
              backdrop: { ...p.backdrop, colour: lightened(p.backdrop.colour, GOOD) },
            })),
          )
        : []),
    ]),
}

/**
 * What stands on the page's own colour: headings, texts with gaps, what students write, and printed words without a
 * ground.
 */
const wordsOnPage = (page: Page): string[] => [
  ...page.places
    .filter(place => place.heading.trim() || place.kind === 'gaps' || place.kind === 'scale')
    .map(place => place.id),
  ...(page.backdrop.figures ?? []).filter(figure => figure.text.trim() && !figure.fill).map(figure => figure.id),
]

/** The other sides of tiles, each with its own colour. */
const otherSides = (board: Board, page: Page): Finding[] =>
  page.pieces.flatMap(piece => {
    const other = piece.kind === 'tile' ? piece.other : undefined
    if (!other?.colour || !other.text.trim()) return []
    const lighter = (b: Board) =>
      withPage(b, page.id, p => ({
        ...p,
        pieces: p.pieces.map(q =>
          q.id === piece.id && q.kind === 'tile' && q.other?.colour
            ? { ...q, other: { ...q.other, colour: lightened(q.other.colour, GOOD) } }
            : q,
        ),
      }))
    return finding(other.colour, page.id, [piece.id], lighter)
  })

function finding(
  colour: string,
  page: Finding['page'],
  subjects: Finding['subjects'],
  apply: (board: Board) => Board,
): Finding[] {
  const ratio = contrast(colour, INK)
  if (ratio >= GOOD) return []
  const words = { ratio: Math.floor(ratio * 10) / 10, least: GOOD }
  return [
    {
      rule: 'pale-text',
      severity: ratio < LEAST ? 'warning' : 'advice',
      page,
      subjects,
      words,
      fix: { code: 'lighten', apply },
    },
  ]
}
