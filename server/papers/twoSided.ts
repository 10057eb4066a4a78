import type { Edition } from '../../core/board/edition'
import { drawPiece } from '../../core/drawing/piece'
import { firstOf, lettering } from '../../core/drawing/lettering'
import type { Primitive } from '../../core/drawing/primitive'
import type { BoardOrder } from '../../core/paper/boardOrder'
import { pairsOf, type Pair } from '../../core/paper/pairs'
import { inside, SHEETS } from '../../core/paper/sheets'
import { breakLines } from '../../core/text/lines'
import { USUAL_LANGUAGE } from '../../core/text/spoken'
import type { Paper } from './pdf'

const WORDS = 20
const LEAST = { width: 150, height: 80 } as const
const ROOM = 20

/**
 * Cards with two sides, on sheets of which every second is the back of the one before: turned on their long edge both
 * sides of a card meet. A card is as large as the largest piece wants, so that all are cut alike.
 */
export function drawTwoSided(
  paper: Paper,
  edition: Edition,
  { sheet }: Extract<BoardOrder, { what: 'two-sided' }>,
): void {
  const pairs = pairsOf(edition)
  const size = SHEETS[sheet]
  const room = inside(size)
  const masters = pairs.flatMap(({ front, back }) =>
    [front, ...('piece' in back ? [back.piece] : [])].map(piece => edition.pieces.get(piece)!.master),
  )
  const card = {
    width: Math.min(room.width, Math.max(LEAST.width, ...masters.map(one => one.width + ROOM))),
    height: Math.min(room.height, Math.max(LEAST.height, ...masters.map(one => one.height + ROOM))),
  }
  const [columns, rows] = [Math.floor(room.width / card.width), Math.floor(room.height / card.height)]
  const left = (size.width - columns * card.width) / 2
  const each = columns * rows
  if (pairs.length === 0) paper.addSheet(size)
  for (let from = 0; from < pairs.length; from += each) {
    const these = pairs.slice(from, from + each)
    for (const side of ['front', 'back'] as const) {
      paper.addSheet(size)
      if (from === 0 && side === 'front') paper.bookmark(edition.board.title)
      these.forEach((pair, i) => {
        const [column, row] = [i % columns, Math.floor(i / columns)]
        // Seen from behind the first column is the last.
        const across = side === 'front' ? column : columns - 1 - column
        const box = { x: left + across * card.width, y: room.y + row * card.height, ...card }
        const at = { x: box.x + card.width / 2, y: box.y + card.height / 2 }
        paper.drawThings([{ marks: sideOf(edition, pair, side, card.width - ROOM), at }])
        if (side === 'front') paper.ornament(() => paper.cutLines(box))
      })
    }
  }
}

function sideOf(edition: Edition, { front, back }: Pair, side: 'front' | 'back', width: number): readonly Primitive[] {
  const language = edition.board.language ?? USUAL_LANGUAGE
  const piece = side === 'front' ? front : 'piece' in back ? back.piece : null
  if (piece) return drawPiece({ ...edition.pieces.get(piece)!, language })
  const lines = breakLines('words' in back ? back.words : '', width, WORDS, { language })
  return lettering({ lines, x: 0, y: firstOf(lines, 0, WORDS), size: WORDS, fill: 'ink', anchor: 'middle' })
}
