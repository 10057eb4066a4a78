import { once } from 'node:events'
import { createWriteStream } from 'node:fs'
import { setImmediate as breathe } from 'node:timers/promises'
import { finished } from 'node:stream/promises'
import { makeEdition, type Edition } from '../../core/board/edition'
import type { Board } from '../../core/board/board'
import { pieceName } from '../../core/board/pieceName'
import { drawPage, type SeenMark } from '../../core/drawing/page'
import { inGrey, onScreen } from '../../core/drawing/palette'
import type { Size } from '../../core/geometry/shape'
import { anchorOf, pinnedItems } from '../../core/margin/pinned'
import type { MarginItem } from '../../core/margin/item'
import { fitted, inside, MM, SHEETS, turnedFor, type SheetName } from '../../core/paper/sheets'
import type { SlatesOrder } from '../../core/paper/slatesOrder'
import type { SlateState } from '../../core/slate/state'
import { breakLines } from '../../core/text/lines'
import { LINE_HEIGHT } from '../../core/text/measure'
import { annotate } from './annotate'
import { Paper, type PaperInfo, type Spot } from './pdf'
import type { PictureBytes } from './pictureBytes'
import { knowSyllablesOf } from './textRules'

/** One slate as it goes onto paper. */
export interface SlateOnPaper {
  readonly name: string
  readonly board: Board
  readonly state: SlateState
  readonly marks: readonly SeenMark[]
  readonly margin: readonly { readonly id: string; readonly item: MarginItem; readonly at: Date }[]
  /** What the teacher said of the whole; empty where nothing was said. */
  readonly comment: string
  /** "8.5 / 10", or the levels of a rubric; empty where nothing is counted. */
  readonly counted: string
  readonly pictures: PictureBytes
}

interface SlatesPaper {
  readonly order: SlatesOrder
  readonly info: PaperInfo
  readonly slates: AsyncIterable<SlateOnPaper>
  readonly path: string
  /** So many are drawn. */
  readonly progress: (done: number) => void
}

const HEADER = 26
const SMALL = 11

/**
 * Slates one after the other into a file. Each is read when its turn comes and forgotten afterwards, so that a class
 * takes no more memory than a student. How many sheets there are.
 */
export async function slatesPaper({ order, info, slates, path, progress }: SlatesPaper): Promise<number> {
  const paper = new Paper(info, new Map(), order.grey ? inGrey : onScreen)
  const file = createWriteStream(path)
  paper.pdf.pipe(file)
  const sheets = order.arrange === 'four' ? new FourUp(paper, order) : new OneByOne(paper, order, info)
  let done = 0
  for await (const slate of slates) {
    await knowSyllablesOf(slate.board)
    paper.show(slate.pictures)
    sheets.add(slate)
    progress(++done)
    // What was drawn goes to the file before more is drawn.
    if (file.writableNeedDrain) await once(file, 'drain')
    await breathe()
  }
  if (paper.sheets === 0) {
    paper.addSheet(SHEETS.a4)
    paper.write(info.title, { x: inside(SHEETS.a4).x, y: inside(SHEETS.a4).y + SMALL, size: SMALL, bold: true })
  }
  paper.end()
  await finished(file)
  return paper.sheets
}

class OneByOne {
  constructor(
    private readonly paper: Paper,
    private readonly order: SlatesOrder,
    private readonly info: PaperInfo,
  ) {}

  add(slate: SlateOnPaper): void {
    const { paper, order } = this
    const edition = makeEdition(slate.board)
    const { state, margin } = slate
    slate.board.pages.forEach((page, i) => {
      const own = order.sheet === 'own'
      const size: Size = own
        ? { width: page.width, height: page.height + HEADER }
        : turnedFor(order.sheet as SheetName, page)
      paper.addSheet(size)
      if (i === 0) paper.bookmark(order.names ? slate.name : `${paper.sheets}`)
      const edge = own ? 8 : inside(size).x
      const top = own ? 0 : inside(size).y
      const title = order.names ? `${slate.name} · ${slate.board.title}` : slate.board.title
      paper.write(title, { x: edge, y: top + SMALL + 6, size: SMALL, bold: true })
      const room = { ...inside(size), y: top + HEADER, height: inside(size).height - HEADER }
      const spot: Spot = own ? { x: 0, y: HEADER, scale: 1 } : fitted(page, room)
      const drawing = drawPage({ edition, page, state, ...(order.marked && { marks: slate.marks }) })
      paper.draw(drawing, spot, title)
      if (order.marked) annotate(paper.pdf, spot, { margin, edition, page, state, author: this.info.author })
    })
    if (order.marked) this.addWords(slate, edition)
  }

  /** What was said, on a sheet of its own, so that it is read where no annotations are shown. */
  private addWords(slate: SlateOnPaper, edition: Edition): void {
    const { paper, order } = this
    const notes = pinnedItems(slate.margin).flatMap(({ number, item }) =>
      item.kind === 'note' ? [`${number}. ${nameOf(item, edition, slate.state)}: ${item.text}`] : [],
    )
    const blocks = [slate.counted, slate.comment, ...notes].filter(Boolean)
    if (blocks.length === 0) return
    const sheet = order.sheet === 'own' ? SHEETS.a4 : SHEETS[order.sheet]
    const edge = 20 * MM
    let y = Infinity
    const begin = (): void => {
      paper.addSheet(sheet)
      const title = order.names ? `${slate.name} · ${slate.board.title}` : slate.board.title
      paper.write(title, { x: edge, y: edge, size: 14, bold: true, colour: 'ink' })
      y = edge + 30
    }
    for (const block of blocks) {
      const lines = block.split('\n').flatMap(line => breakLines(line, sheet.width - 2 * edge, 12))
      for (const line of lines) {
        if (y > sheet.height - edge) begin()
        paper.write(line, { x: edge, y, size: 12, colour: 'ink' })
        y += 12 * LINE_HEIGHT
      }
      y += 8
    }
  }
}

function nameOf(item: Parameters<typeof anchorOf>[0], edition: Edition, state: SlateState): string {
  const anchor = anchorOf(item)
  if (anchor.to === 'piece') {
    const entry = edition.pieces.get(anchor.piece)
    return state.texts[anchor.piece] || (entry ? pieceName(entry.piece) : '')
  }
  return anchor.to === 'place' ? (edition.places.get(anchor.place)?.place.heading ?? '') : edition.board.title
}

/** Four pages to a sheet, those of one slate after each other. */
class FourUp {
  private count = 0
  constructor(
    private readonly paper: Paper,
    private readonly order: SlatesOrder,
  ) {}

  add(slate: SlateOnPaper): void {
    const { paper, order } = this
    const edition = makeEdition(slate.board)
    const size = turnedFor(order.sheet === 'own' ? 'a4' : order.sheet, slate.board.pages[0]!)
    const room = inside(size)
    for (const page of slate.board.pages) {
      const at = this.count++ % 4
      if (at === 0) paper.addSheet(size)
      if (at === 0) paper.bookmark(order.names ? slate.name : `${paper.sheets}`)
      const [width, height] = [room.width / 2 - 6, room.height / 2 - 6]
      const box = { x: room.x + (at % 2) * (width + 12), y: room.y + Math.floor(at / 2) * (height + 12), width, height }
      if (order.names) paper.write(slate.name, { x: box.x, y: box.y + SMALL, size: SMALL, bold: true })
      const below = { ...box, y: box.y + SMALL + 6, height: box.height - SMALL - 6 }
      const drawing = drawPage({
        edition,
        page,
        state: slate.state,
        ...(order.marked && { marks: slate.marks, margin: slate.margin }),
      })
      paper.draw(drawing, fitted(page, below), order.names ? slate.name : slate.board.title)
    }
  }
}
