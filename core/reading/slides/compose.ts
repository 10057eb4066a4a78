import type { Backdrop, BackdropPicture, Figure, Line } from '../../board/backdrop'
import { emptyPage, type Board, type Page } from '../../board/board'
import type { FigureId, FileHash, MasterId, PageId, PieceId } from '../../board/ids'
import { PIECE_TEXT_LONGEST, type Master, type Piece } from '../../board/piece'
import { MOST_PAGES, MOST_PIECES } from '../../board/sizes'
import { contrast, INK } from '../../colour/contrast'
import { boxAround } from '../../geometry/outline'
import type { Box } from '../../geometry/shape'
import { turnedAround } from '../../geometry/turned'
import { CARD_PADDING, pictureCardSize } from '../../layout/cardSize'
import { breakLines } from '../../text/lines'
import { LINE_HEIGHT, textWidth } from '../../text/measure'
import { Losses, type Lost } from '../lost'
import { covered } from './parts'
import { SMALLEST_TEXT, type BoxPart, type LinePart, type Part, type PicturePart, type Slide } from './slide'

/** What becomes of a page: all of it is printed; or its words and pictures are pieces; or it stays away. */
export const PAGE_USES = ['printed', 'lying', 'ledge', 'left-out'] as const
export type PageUse = (typeof PAGE_USES)[number]

/** A picture of the file that has been kept. */
export interface Kept {
  readonly file: FileHash
  readonly pixelWidth: number
  readonly pixelHeight: number
}

export interface Composed {
  readonly title: string
  readonly slides: readonly Slide[]
  /** What each page is used for; those without an entry are left out. */
  readonly uses: readonly PageUse[]
  /** By where they were in the file. */
  readonly pictures: ReadonlyMap<string, Kept>
}
export interface Ids {
  readonly page: () => PageId
  readonly piece: () => PieceId
  readonly master: () => MasterId
  readonly figure: () => FigureId
}

const MOST = { figures: 100, lines: 100, pictures: 40, masters: 40 } as const
/** A picture that covers more of its page is a ground, not a piece. */
const LARGEST_PIECE = 0.5
const PICTURE_TEXT = 18

/**
 * A board of pages that were read. Printed are headings, what stands on all pages alike, empty shapes, lines, large
 * pictures and long texts, whatever is chosen; the rest is printed too or becomes cards and picture cards, of the size
 * that they had. What a board has no room for is left out and said. At least one page must be used.
 */
export function boardFromSlides(composed: Composed, ids: Ids): { board: Board; lost: readonly Lost[] } {
  const losses = new Losses()
  const masters = new Masters(ids)
  const pages: Page[] = []
  composed.slides.forEach((slide, i) => {
    const use = composed.uses[i] ?? 'left-out'
    if (use === 'left-out' || pages.length >= MOST_PAGES) return
    losses.page = i + 1
    pages.push(pageOf(slide, { use, pictures: composed.pictures, ids, masters, losses }))
  })
  if (pages.length === 0) throw new Error('No page is used')
  const board: Board = {
    format: 'dappled-slate/board',
    version: 1,
    title: composed.title,
    instructions: '',
    seed: 1,
    masters: masters.all,
    pages,
    keys: [],
  }
  return { board, lost: losses.all }
}

interface Made {
  readonly piece: Piece
  readonly box: Box
  readonly turn: number
}

interface Making extends Pick<Composed, 'pictures'> {
  readonly use: PageUse
  readonly ids: Ids
  readonly masters: Masters
  readonly losses: Losses
}

function pageOf(slide: Slide, making: Making): Page {
  const { use, ids, losses } = making
  const printed = new Printed(making)
  const pieces: Made[] = []
  for (const part of slide.parts) {
    const ones = use === 'printed' ? [] : listed(part).map(one => ({ one, made: piecesOf(one, slide, making) }))
    if (ones.every(({ made }) => made.length === 0)) printed.add(part)
    else
      for (const { one, made } of ones)
        if (made.length === 0) printed.add(one)
        else if (pieces.length < MOST_PIECES) pieces.push(...made)
        else losses.note('pieces-too-many')
  }
  const { width, height } = slide
  const inside = (at: number, most: number) => Math.min(most, Math.max(0, at))
  const staged = Object.fromEntries(
    pieces.map(({ piece, box, turn }) => [
      piece.id,
      { x: inside(box.x + box.width / 2, width), y: inside(box.y + box.height / 2, height), ...(turn && { turn }) },
    ]),
  )
  const page = emptyPage(ids.page())
  return {
    ...page,
    width,
    height,
    backdrop: { ...page.backdrop, colour: slide.colour, ...printed.all },
    pieces: pieces.map(({ piece }) => piece),
    ledge: pieces.map(({ piece }) => piece.id),
    ...(use === 'lying' && pieces.length && { staged }),
  }
}

const ITEM = /^(?:[•–]|\d+\.) /
/** Of a list each item is a part of its own, one below the other; all else is as it is. */
function listed(part: Part): Part[] {
  const items = part.kind === 'box' ? part.text.split('\n').filter(line => line.trim()) : []
  if (part.kind !== 'box' || items.length < 2 || !items.every(item => ITEM.test(item))) return [part]
  const height = part.box.height / items.length
  const middle = { x: part.box.x + part.box.width / 2, y: part.box.y + part.box.height / 2 }
  return items.map((text, i) => {
    const upright = { x: middle.x, y: part.box.y + (i + 0.5) * height }
    const at = turnedAround(middle, upright, part.turn)
    const box = boxAround(at, { width: part.box.width, height: Math.max(1, height - GAP) })
    return { ...part, text: text.replace(ITEM, '').trim(), box, shape: { kind: 'rectangle', ...box } }
  })
}
const GAP = 4

/** The piece that a part makes; none where it is printed. */
function piecesOf(part: Part, slide: Slide, { pictures, ids, masters }: Making): Made[] {
  if (part.kind === 'line' || part.below) return []
  const { box, turn } = part
  if (part.kind === 'picture') {
    const kept = pictures.get(part.source)
    if (!kept || covered(box, slide) > LARGEST_PIECE) return []
    const master = masters.forPictures()
    return [{ piece: { kind: 'picture-card', id: ids.piece(), master, text: '', ...kept, alt: part.alt }, box, turn }]
  }
  const text = part.text.replace(/\s+/g, ' ').trim()
  if (!text || part.heading || [...text].length > PIECE_TEXT_LONGEST) return []
  return [{ piece: { kind: 'card', id: ids.piece(), master: masters.forWords({ ...part, text }), text }, box, turn }]
}

/** Cards of about one size, letters and colour have one style; when there is no room for more, the nearest will do. */
class Masters {
  readonly #masters = new Map<string, Master>()
  constructor(readonly ids: Ids) {}

  get all(): Master[] {
    return [...this.#masters.values()]
  }

  forPictures(): MasterId {
    return this.#kept('pictures', () => ({
      kind: 'picture-card',
      textSize: PICTURE_TEXT,
      ...pictureCardSize([], PICTURE_TEXT),
    }))
  }

  /** As large as its box, or as its words need. */
  forWords({ box, textSize, fill, text }: BoxPart): MasterId {
    const whole = textWidth(text, textSize)
    const longest = Math.max(...text.split(' ').map(word => textWidth(word, textSize)))
    const least = (whole <= box.width ? whole : longest) + 2 * CARD_PADDING.x + 1
    const width = Math.ceil(Math.max(LEAST.width, box.width, least) / STEP) * STEP
    const lines = breakLines(text, width - 2 * CARD_PADDING.x, textSize).length
    const room = lines * textSize * LINE_HEIGHT + 2 * CARD_PADDING.y
    const height = Math.ceil(Math.max(LEAST.height, box.height, room) / STEP) * STEP
    const colour = fill && contrast(fill, INK) >= READABLE ? fill : null
    return this.#kept(`${width} ${height} ${textSize} ${colour}`, () => ({
      kind: 'card',
      fixed: true,
      textSize: Math.max(SMALLEST_TEXT, textSize),
      width,
      height,
      ...(colour && { colour }),
    }))
  }

  #kept(key: string, make: () => Omit<Master, 'id'>): MasterId {
    const known = this.#masters.get(key)
    if (known) return known.id
    const made = make()
    // One is kept for picture cards, whenever these come.
    const room = MOST.masters - (made.kind === 'picture-card' || this.#masters.has('pictures') ? 0 : 1)
    const full = this.#masters.size >= room && this.#nearest(made)
    if (full) return full.id
    const master = { id: this.ids.master(), ...made }
    this.#masters.set(key, master)
    return master.id
  }

  #nearest({ kind, width, height }: Omit<Master, 'id'>): Master | undefined {
    const off = (master: Master) => Math.abs(master.width - width) + Math.abs(master.height - height)
    return this.all.filter(master => master.kind === kind).toSorted((a, b) => off(a) - off(b))[0]
  }
}
const STEP = 6
/** What a finger can take hold of. */
const LEAST = { width: 42, height: 42 } as const
const READABLE = 4.5

type Printable = Pick<Backdrop, 'pictures'> & Required<Pick<Backdrop, 'figures' | 'lines'>>

/** What is printed of a page, as much as it has room for. */
class Printed {
  readonly #figures: Figure[] = []
  readonly #lines: Line[] = []
  readonly #pictures: BackdropPicture[] = []
  constructor(readonly making: Making) {}

  get all(): Printable {
    return { pictures: this.#pictures, figures: this.#figures, lines: this.#lines }
  }

  add(part: Part): void {
    const { losses, ids } = this.making
    switch (part.kind) {
      case 'line':
        if (this.#lines.length >= MOST.lines) return losses.note('lines-too-many')
        this.#lines.push(lineOf(part, ids.figure()))
        return
      case 'picture':
        return this.#addPicture(part)
      case 'box':
        if (this.#figures.length >= MOST.figures) return losses.note('figures-too-many')
        if (part.text && part.turn % 180 !== 0) losses.note('words-turned-upright')
        this.#figures.push(figureOf(part, ids.figure()))
    }
  }

  #addPicture({ source, box, turn, alt, crop }: PicturePart): void {
    const { losses, pictures, ids } = this.making
    const kept = pictures.get(source)
    if (!kept) return
    if (this.#pictures.length >= MOST.pictures) return losses.note('pictures-too-many')
    const quarters = Math.round(turn / 90) % 4
    if (turn % 90 !== 0) losses.note('pictures-turned-upright')
    const across = quarters % 2 === 1
    const lying = across
      ? {
          x: box.x + box.width / 2 - box.height / 2,
          y: box.y + box.height / 2 - box.width / 2,
          width: box.height,
          height: box.width,
        }
      : box
    this.#pictures.push({
      id: ids.figure(),
      ...kept,
      ...lying,
      width: Math.max(1, lying.width),
      height: Math.max(1, lying.height),
      alt,
      ...(quarters && { quarters: quarters as 1 | 2 | 3 }),
      ...(crop && !quarters && { crop }),
    })
  }
}

function figureOf(part: BoxPart, id: FigureId): Figure {
  const { shape, line, fill, text, textSize, bold, fromLeft } = part
  return {
    id,
    shape: text && part.turn % 180 !== 0 && !line && !fill ? { kind: 'rectangle', ...part.box } : shape,
    line,
    fill,
    text,
    textSize,
    ...(bold && { bold }),
    ...(fromLeft && { fromLeft }),
  }
}

function lineOf({ from, to, colour, thickness, points, dashed }: LinePart, id: FigureId): Line {
  return { id, from, to, colour, thickness, points, ...(dashed && { dashed }) }
}
