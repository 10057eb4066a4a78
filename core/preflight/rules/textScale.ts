import type { Figure } from '../../board/backdrop'
import type { Board, Page } from '../../board/board'
import { PIECE_TRAITS } from '../../board/pieceTraits'
import { changeFigure } from '../../design/backdrop'
import { keysOn, referencesOf } from '../../keys/key'
import { breakLines } from '../../text/lines'
import { LINE_HEIGHT } from '../../text/measure'
import { boxOf } from '../../geometry/outline'
import type { Finding, Rule } from '../finding'

/**
 * A note is the measure of things: printed words are read first, so they are larger than students' pieces by about this
 * much (points).
 */
const STEP = 2

/**
 * Printed words that are smaller than the words on the pieces beside them: the scale of a page is instructions, then
 * pieces (common practice, no source).
 */
export const textScale: Rule = {
  name: 'text-scale',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      const largest = pieceText(board, page)
      const drawn = new Set<string>(keysOn(board.keys, page.id, 'ink').flatMap(key => referencesOf(key).figures))
      // Figures that are drawn on are no words to read first.
      const small = (page.backdrop.figures ?? []).filter(
        figure => figure.text && figure.textSize < largest && !drawn.has(figure.id),
      )
      if (small.length === 0) return []
      const fitting = small.filter(figure => fits(figure, largest + STEP))
      return [
        {
          rule: 'text-scale',
          severity: 'advice',
          page: page.id,
          subjects: small.map(f => f.id),
          words: { count: small.length, size: largest },
          ...(fitting.length === small.length && {
            fix: {
              code: 'enlarge',
              apply: (b: Board) =>
                small.reduce((now, figure) => changeFigure(now, page.id, figure.id, { textSize: largest + STEP }), b),
            },
          }),
        },
      ]
    }),
}

/** The text size of the page's worded pieces; of none: nothing is too small beside them. */
function pieceText(board: Board, page: Page): number {
  const worded = new Set(
    page.pieces.filter(piece => piece.text && PIECE_TRAITS[piece.kind].worded).map(piece => piece.master),
  )
  return Math.max(
    0,
    ...board.masters.filter(master => worded.has(master.id) && master.role !== 'target').map(master => master.textSize),
  )
}

function fits(figure: Figure, size: number): boolean {
  const { width, height } = boxOf(figure)
  return (
    breakLines(figure.text, width - 12, size, { face: figure.bold ? 'bold' : 'regular' }).length * size * LINE_HEIGHT
    <= height + size * 0.2
  )
}
