import type { Board, Page } from '../../board/board'
import type { MasterId } from '../../board/ids'
import type { Master } from '../../board/piece'
import type { Place } from '../../board/place'
import { sortKeyOf } from '../../keys/sort/ofPage'
import { setTextSize } from '../../design/pieces'
import { area } from '../../geometry/area'
import { boxOf, outline } from '../../geometry/outline'
import type { Finding, Rule } from '../finding'

const GAP = 4
const SMALLEST_TEXT = 12

/** A zone whose right pieces can't lie in it side by side: they would cover each other or hang over its edge. */
export const crowdedZone: Rule = {
  name: 'crowded-zone',
  look: board => {
    const smallest = smallerBoards(board)
    return board.pages.flatMap(page =>
      page.places.flatMap((place): Finding[] => {
        const needed = answersOf(board, page, place)
        if (fits(board, page, place)) return []
        const smaller = smallerCards(board, page, place, smallest)
        return [
          {
            rule: 'crowded-zone',
            severity: 'warning',
            page: page.id,
            subjects: [place.id],
            words: { heading: place.heading, count: needed.length },
            ...(smaller && {
              fix: { code: 'shrink', apply: b => smallerCards(b, page, place, smallerBoards(b)) ?? b },
            }),
          },
        ]
      }),
    )
  },
}

function answersOf(board: Board, page: Page, place: Place): Master[] {
  const homes = sortKeyOf(board, page.id)?.homes ?? {}
  const masters = new Map(board.masters.map(m => [m.id, m]))
  // A piece with several homes needs room in only one of them; it is not counted against any.
  return page.pieces
    .filter(p => homes[p.id]?.length === 1 && homes[p.id]![0] === place.id)
    .map(p => masters.get(p.master)!)
}

/** Rows of equal cells as large as the largest piece, in the place's box, as much of it as the place really covers. */
function fits(board: Board, page: Page, place: Place): boolean {
  const needed = answersOf(board, page, place)
  if (needed.length === 0) return true
  const width = Math.max(...needed.map(m => m.width)) + GAP
  const height = Math.max(...needed.map(m => m.height)) + GAP
  const box = boxOf(place)
  const cells = Math.floor((box.width + GAP) / width) * Math.floor((box.height + GAP) / height)
  const covered = area(outline(place.shape)) / (box.width * box.height)
  return Math.floor(cells * covered + 1e-9) >= needed.length
}

/** The board with these masters' text no larger than a size: each worked out once, however many zones ask. */
type Smaller = (masters: readonly MasterId[], size: number) => Board
function smallerBoards(board: Board): Smaller {
  const known = new Map<string, Board>()
  return (masters, size) => {
    const name = `${size} ${masters.join(' ')}`
    const made =
      known.get(name)
      ?? masters.reduce(
        (b, id) => setTextSize(b, id, Math.min(size, b.masters.find(m => m.id === id)!.textSize)),
        board,
      )
    known.set(name, made)
    return made
  }
}

/** Null when even the smallest text that can be read leaves no room. */
function smallerCards(board: Board, page: Page, place: Place, smaller: Smaller): Board | null {
  const masters = [...new Set(answersOf(board, page, place).map(m => m.id))]
  const largest = Math.max(0, ...board.masters.filter(m => masters.includes(m.id)).map(m => m.textSize))
  for (let size = largest - 1; size >= SMALLEST_TEXT; size--) {
    const candidate = smaller(masters, size)
    if (fits(candidate, page, place)) return candidate
  }
  return null
}
