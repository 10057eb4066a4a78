import type { Board } from '../../core/board/board'
import { makeEdition, type Edition } from '../../core/board/edition'
import { drawPage } from '../../core/drawing/page'
import { inGrey, onScreen } from '../../core/drawing/palette'
import type { BoardOrder } from '../../core/paper/boardOrder'
import { fitted, inside, OVERLAP, poster, turnedFor } from '../../core/paper/sheets'
import { startOf } from '../../core/slate/state'
import { USUAL_LANGUAGE } from '../../core/text/spoken'
import { drawCutOut } from './cutOut'
import { Paper, wholePaper } from './pdf'
import type { PictureBytes } from './pictureBytes'
import { knowSyllablesOf } from './textRules'
import { drawTwoSided } from './twoSided'

export interface BoardPaper {
  readonly board: Board
  readonly order: BoardOrder
  readonly author: string
  readonly made: Date
  readonly pictures: PictureBytes
}

/** A board on paper, as it is given out: nothing solved, nothing written. */
export async function boardPaper({ board, order, author, made, pictures }: BoardPaper): Promise<Buffer> {
  await knowSyllablesOf(board)
  const info = { title: board.title, author, made, language: board.language ?? USUAL_LANGUAGE }
  const edition = makeEdition(board)
  return wholePaper(new Paper(info, pictures, order.grey ? inGrey : onScreen), paper => {
    switch (order.what) {
      case 'pages':
        return drawPages(paper, edition, order)
      case 'poster':
        return drawPoster(paper, edition, order)
      case 'cut-out':
        return drawCutOut(paper, edition, order)
      case 'two-sided':
        return drawTwoSided(paper, edition, order)
    }
  })
}

type OrderFor<What extends BoardOrder['what']> = Extract<BoardOrder, { what: What }>
const nameOfPage = ({ board }: Edition, i: number) =>
  board.pages.length > 1 ? `${board.title}, ${i + 1}` : board.title

function drawPages(paper: Paper, edition: Edition, { sheet }: OrderFor<'pages'>): void {
  const state = startOf(edition)
  edition.board.pages.forEach((page, i) => {
    const drawing = drawPage({ edition, page, state })
    const size = sheet === 'own' ? page : turnedFor(sheet, page)
    paper.addSheet(size)
    paper.bookmark(nameOfPage(edition, i))
    paper.draw(drawing, sheet === 'own' ? { x: 0, y: 0, scale: 1 } : fitted(page, inside(size)), nameOfPage(edition, i))
  })
}

const MARK = { length: 12, size: 9 } as const

/** Each sheet shows its part; at its edges it is said where it is cut and which sheet it is. */
function drawPoster(paper: Paper, edition: Edition, { sheet, page: at, percent }: OrderFor<'poster'>): void {
  const page = edition.board.pages[Math.min(at, edition.board.pages.length - 1)]!
  const drawing = drawPage({ edition, page, state: startOf(edition) })
  const { sheet: size, columns, rows, tiles, scale } = poster(page, sheet, percent / 100)
  const room = inside(size)
  tiles.forEach(({ row, column, part }, i) => {
    paper.addSheet(size)
    if (i === 0) paper.bookmark(edition.board.title)
    paper.drawPart(drawing, { x: room.x, y: room.y, scale }, part, edition.board.title)
    paper.ornament(() => {
      const words = `${row * columns + column + 1} / ${rows * columns}`
      paper.write(words, { x: room.x, y: size.height - MARK.size, size: MARK.size })
      const [right, foot] = [room.x + part.width * scale, room.y + part.height * scale]
      // The strip that the next sheet is glued onto.
      if (column + 1 < columns) paper.dashed([right - OVERLAP, room.y], [right - OVERLAP, foot])
      if (row + 1 < rows) paper.dashed([room.x, foot - OVERLAP], [right, foot - OVERLAP])
    })
  })
}
