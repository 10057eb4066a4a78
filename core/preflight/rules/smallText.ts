import type { Board } from '../../board/board'
import { setTextSize } from '../../design/pieces'
import { layoutGaps } from '../../layout/gaps'
import type { Finding, Rule } from '../finding'

/**
 * Points. A page as wide as a tablet shows a point as about a pixel; 14 px is the least that the interface itself uses.
 */
const SMALLEST = 14

export const smallText: Rule = { name: 'small-text', look: board => [...onPieces(board), ...printed(board)] }

const onPieces = (board: Board): Finding[] =>
  board.masters.flatMap((master): Finding[] => {
    const page = board.pages.find(p => p.pieces.some(piece => piece.master === master.id && piece.text))
    if (!page || master.textSize >= SMALLEST) return []
    return [
      {
        rule: 'small-text',
        severity: 'warning',
        page: page.id,
        subjects: page.pieces.filter(p => p.master === master.id).map(p => p.id),
        words: { size: master.textSize, least: SMALLEST },
        fix: { code: 'enlarge', apply: b => setTextSize(b, master.id, SMALLEST) },
      },
    ]
  })

/** Words that are printed on the page, in texts with gaps, and where students write. */
const printed = (board: Board): Finding[] =>
  board.pages.flatMap((page): Finding[] => {
    const figures = (page.backdrop.figures ?? []).filter(figure => figure.text.trim() && figure.textSize < SMALLEST)
    const places = page.places.filter(
      place =>
        (place.kind === 'writing' && place.textSize < SMALLEST)
        || (place.kind === 'gaps' && layoutGaps(place).textSize < SMALLEST),
    )
    const small = [
      ...figures.map(figure => figure.textSize),
      ...places.map(place => (place.kind === 'gaps' ? layoutGaps(place).textSize : SMALLEST - 1)),
    ]
    if (small.length === 0) return []
    return [
      {
        rule: 'small-print',
        severity: 'warning',
        page: page.id,
        subjects: [...figures.map(f => f.id), ...places.map(p => p.id)],
        words: { size: Math.floor(Math.min(...small)), least: SMALLEST },
      },
    ]
  })
