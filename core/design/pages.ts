import type { BackdropPicture } from '../board/backdrop'
import { fixedOn } from '../board/fixed'
import { emptyPage, type Board, type Page } from '../board/board'
import type { MasterId, PageId } from '../board/ids'
import type { Master } from '../board/piece'
import { renamed, type Sheet } from '../board/rename'
import type { Size } from '../geometry/shape'
import { requirePage, withPage } from './lookup'
import { onToPage } from './items'
import { sheetOf } from './sheet'
import { adopted } from './styles'

export const MOST_PAGES = 60

const MM = 72 / 25.4
/**
 * Points. The screen's page is 2 : 1; paper is ISO 216 (A4: 210 × 297 mm) and ANSI/ASME Y14.1 A (Letter: 8.5 × 11 in).
 */
export const PAGE_SIZES = {
  screen: { width: 960, height: 480 },
  'a4-wide': { width: 297 * MM, height: 210 * MM },
  'a4-high': { width: 210 * MM, height: 297 * MM },
  'letter-wide': { width: 792, height: 612 },
  'letter-high': { width: 612, height: 792 },
} as const satisfies Record<string, Size>
export type PageSize = keyof typeof PAGE_SIZES

/** The name of a page's size; null for a size of its own. */
export function sizeName({ width, height }: Size): PageSize | null {
  const near = (a: number, b: number) => Math.abs(a - b) < 0.5
  return (
    (Object.keys(PAGE_SIZES) as PageSize[]).find(
      name => near(PAGE_SIZES[name].width, width) && near(PAGE_SIZES[name].height, height),
    ) ?? null
  )
}

/** An empty page of the same size and backdrop colour behind another one. A board that is full stays as it is. */
export function addPage(board: Board, after: PageId, id: PageId): Board {
  if (board.pages.length >= MOST_PAGES) return board
  const {
    width,
    height,
    backdrop: { colour },
  } = requirePage(board, after)
  const page = emptyPage(id)
  return withPagesAfter(board, after, [{ ...page, width, height, backdrop: { ...page.backdrop, colour } }])
}

/** A picture of a whole printed page, and the size of that page in points. */
export interface PrintedPage {
  readonly size: Size
  readonly picture: Pick<BackdropPicture, 'file' | 'pixelWidth' | 'pixelHeight' | 'alt'>
}

/**
 * Each printed page becomes a page of its own size with the print as its backdrop, behind the open page; an open page
 * on which nothing stands yet becomes the first of them. Pages that the board has no room for are left out.
 */
export function addPrintedPages(
  board: Board,
  open: PageId,
  printed: readonly PrintedPage[],
  fresh: () => string,
): Board {
  const before = requirePage(board, open)
  const pages = printed.map(({ size, picture }): Page => {
    const width = Math.min(LONGEST_SIDE, Math.max(SHORTEST_SIDE, size.width))
    const height = Math.min(LONGEST_SIDE, Math.max(SHORTEST_SIDE, size.height))
    const page = emptyPage(fresh() as PageId)
    return {
      ...page,
      width,
      height,
      backdrop: {
        ...page.backdrop,
        colour: '#ffffff',
        pictures: [{ id: fresh(), ...picture, x: 0, y: 0, width, height }],
      },
    }
  })
  const { places, pieces, backdrop } = before
  const empty = places.length + pieces.length + fixedOn(backdrop).length === 0
  const [first, ...rest] = pages
  if (!first) return board
  const here = empty ? withPage(board, open, () => ({ ...first, id: open })) : board
  return withPagesAfter(here, open, (empty ? rest : pages).slice(0, MOST_PAGES - board.pages.length))
}
const SHORTEST_SIDE = 100
const LONGEST_SIDE = 5000

/** The page again behind itself, answers and all, under new ids. A board that is full stays as it is. */
export function duplicatePage(board: Board, id: PageId, fresh: () => string): Board {
  return takeSheets(board, id, [sheetOf(board, id)], fresh)
}

/**
 * The board with these of its pages alone, their keys, and the masters that they use. Ids that it doesn't know are
 * passed over; with none at all it is the board itself.
 */
export function pagesAlone(board: Board, ids: ReadonlySet<PageId>): Board {
  const sheets = board.pages.filter(page => ids.has(page.id)).map(page => sheetOf(board, page.id))
  if (sheets.length === 0) return board
  const used = new Set(sheets.flatMap(sheet => sheet.masters))
  return {
    ...board,
    pages: sheets.map(sheet => sheet.page),
    masters: board.masters.filter(master => used.has(master)),
    keys: board.keys.filter(key => ids.has(key.page)),
  }
}

/**
 * Pages of this or another board, behind a page, under new ids. A master with the same style as one that the board has
 * becomes that one. What is more than a board can hold is left out.
 */
export function takeSheets(board: Board, after: PageId, sheets: readonly Sheet[], fresh: () => string): Board {
  let masters: readonly Master[] = board.masters
  const taken = sheets.slice(0, MOST_PAGES - board.pages.length).map(sheet => {
    const own = adopted(masters, renamed(sheet, fresh), () => fresh() as MasterId)
    masters = own.masters
    return own.sheet
  })
  return {
    ...withPagesAfter(
      board,
      after,
      taken.map(sheet => sheet.page),
    ),
    masters: [...masters],
    keys: [...board.keys, ...taken.flatMap(sheet => sheet.keys)],
  }
}

/** The page moves by so many places among the pages; not beyond the ends. */
export function movePage(board: Board, id: PageId, by: number): Board {
  const from = board.pages.findIndex(page => page.id === id)
  const to = Math.min(board.pages.length - 1, Math.max(0, from + by))
  if (from < 0 || to === from) return board
  const pages = board.pages.toSpliced(from, 1)
  return { ...board, pages: pages.toSpliced(to, 0, board.pages[from]!) }
}

/** The page goes with its answers, and with the masters that nothing else uses. The last page stays. */
export function removePage(board: Board, id: PageId): Board {
  if (board.pages.length === 1) return board
  const pages = board.pages.filter(page => page.id !== id)
  const used = new Set(pages.flatMap(page => page.pieces.map(piece => piece.master)))
  return {
    ...board,
    pages,
    masters: board.masters.filter(master => used.has(master.id)),
    keys: board.keys.filter(key => key.page !== id),
  }
}

/** A page that is only read, or one to work on. */
export function setHeldBack(board: Board, id: PageId, heldBack: boolean): Board {
  return withPage(board, id, ({ heldBack: _, ...page }) => ({ ...page, ...(heldBack && { heldBack }) }))
}

export function setReading(board: Board, id: PageId, reading: boolean): Board {
  return withPage(board, id, ({ reading: _, ...page }) => ({ ...page, ...(reading && { reading }) }))
}

/**
 * The page in another size; what would stand off it is moved onto it, and made smaller only where it is larger than the
 * page.
 */
export function setPageSize(board: Board, id: PageId, size: Size): Board {
  return withPage(board, id, page => onToPage({ ...page, ...size }, board))
}

function withPagesAfter(board: Board, after: PageId, pages: readonly Page[]): Board {
  const at = board.pages.findIndex(page => page.id === after)
  return { ...board, pages: board.pages.toSpliced(at + 1, 0, ...pages) }
}
