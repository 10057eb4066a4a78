import type { Edition } from '../../core/board/edition'
import type { Master, Piece } from '../../core/board/piece'
import { drawPiece } from '../../core/drawing/piece'
import type { BoardOrder } from '../../core/paper/boardOrder'
import { CUT_GAP, packed, type Packing } from '../../core/paper/packing'
import { inside } from '../../core/paper/sheets'
import { USUAL_LANGUAGE } from '../../core/text/spoken'
import type { Paper } from './pdf'

interface Cut {
  readonly width: number
  readonly height: number
  /** Null for a heading that students write themselves. */
  readonly piece: { readonly piece: Piece; readonly master: Master } | null
  /** From 1, in the order of the board. */
  readonly number: number
  readonly set: number
}

const BLANK = { width: 170, height: 44 } as const
const SMALL = 9
const OF_A_PILE = 6

/** A set for each group: all of a set lies together, so that a sheet goes to one table as far as that can be. */
export function drawCutOut(
  paper: Paper,
  edition: Edition,
  { sheet, sets, numbers, headings }: Extract<BoardOrder, { what: 'cut-out' }>,
): void {
  // Of a pile that never runs out there are as many as a table needs.
  const pieces = edition.board.pages.flatMap(page =>
    page.pieces.flatMap(piece => Array.from({ length: piece.bin ? OF_A_PILE : 1 }, () => piece)),
  )
  const one = (set: number): Cut[] => [
    ...pieces.map((piece, i) => {
      const { master } = edition.pieces.get(piece.id)!
      return { width: master.width, height: master.height, piece: { piece, master }, number: i + 1, set }
    }),
    ...Array.from({ length: headings }, (_, i) => ({ ...BLANK, piece: null, number: pieces.length + i + 1, set })),
  ]
  for (let set = 1; set <= sets; set++) {
    const packing = packed(one(set), sheet)
    packing.sheets.forEach((_, i) => drawSheet(paper, edition, { packing, i, set, sets, numbers }))
    for (const { number } of packing.tooLarge) drawTooLarge(paper, edition, { number, packing })
  }
}

interface SheetOf {
  readonly packing: Packing<Cut>
  readonly i: number
  readonly set: number
  readonly sets: number
  readonly numbers: boolean
}

function drawSheet(paper: Paper, edition: Edition, { packing, i, set, sets, numbers }: SheetOf): void {
  const { sheet, sheets } = packing
  const language = edition.board.language ?? USUAL_LANGUAGE
  paper.addSheet(sheet)
  if (i === 0) paper.bookmark(sets > 1 ? `${set}` : edition.board.title)
  for (const { x, y, width, height, thing } of sheets[i]!) {
    const middle = { x: x + width / 2, y: y + height / 2 }
    if (thing.piece) paper.drawThings([{ marks: drawPiece({ ...thing.piece, language }), at: middle }])
    paper.ornament(() => {
      const edge = CUT_GAP / 2
      paper.cutLines({ x: x - edge, y: y - edge, width: width + CUT_GAP, height: height + CUT_GAP })
    })
  }
  const foot = `${edition.board.title} · ${set} / ${sets} · ${i + 1} / ${sheets.length}`
  paper.ornament(() => paper.write(foot, { x: inside(sheet).x, y: sheet.height - SMALL, size: SMALL }))
  if (numbers) drawNumbers(paper, packing, i)
}

/** The back of a sheet that is turned on its long edge: each number behind its piece. */
function drawNumbers(paper: Paper, { sheet, sheets }: Packing<Cut>, i: number): void {
  paper.addSheet(sheet)
  paper.ornament(() => {
    for (const { x, y, width, height, thing } of sheets[i]!) {
      const words = `${thing.number} · ${thing.set}`
      paper.write(words, { x: sheet.width - x - width / 2, y: y + height / 2 + SMALL / 3, size: SMALL, middle: true })
    }
  })
}

/** What is larger than a sheet stands on one of its own, as large as that lets it be, and says so. */
function drawTooLarge(
  paper: Paper,
  edition: Edition,
  { number, packing }: { number: number; packing: Packing<Cut> },
): void {
  const { sheet, tooLarge } = packing
  const room = inside(sheet)
  const { piece, width, height } = tooLarge.find(cut => cut.number === number)!
  if (!piece) return
  const scale = Math.min(room.width / width, room.height / height)
  paper.addSheet(sheet)
  paper.scaled(scale, { x: sheet.width / 2, y: sheet.height / 2 }, () =>
    paper.drawThings([{ marks: drawPiece({ ...piece, language: edition.board.language ?? USUAL_LANGUAGE }) }]),
  )
  paper.ornament(() => paper.write(`${Math.round(scale * 100)} %`, { x: room.x, y: sheet.height - SMALL, size: SMALL }))
}
