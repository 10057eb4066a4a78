import type { Board } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import { drawPage, type SeenMark } from '../../core/drawing/page'
import { svgOf } from '../../core/drawing/svg'
import type { MarginItem } from '../../core/margin/item'
import type { PictureOrder } from '../../core/paper/pictureOrder'
import { startOf, type SlateState } from '../../core/slate/state'
import { dataOf, type PictureBytes } from './pictureBytes'
import { knowSyllablesOf } from './textRules'
import { pngOf } from './png'

export interface PagePicture {
  readonly board: Board
  readonly title: string
  /** What lies on it; as it is given out where nothing is said. */
  readonly state?: SlateState
  readonly marks?: readonly SeenMark[]
  readonly margin?: readonly { readonly id: string; readonly item: MarginItem }[]
  readonly order: PictureOrder
  readonly pictures: PictureBytes
}

const POINTS_TO_INCH = 72

/** A page as a picture; of a board with fewer pages the last. */
export async function pagePicture({
  board,
  title,
  state,
  marks,
  margin,
  order,
  pictures,
}: PagePicture): Promise<Buffer> {
  await knowSyllablesOf(board)
  const edition = makeEdition(board)
  const page = board.pages[Math.min(order.page, board.pages.length - 1)]!
  const drawing = drawPage({
    edition,
    page,
    state: state ?? startOf(edition),
    ...(marks && { marks }),
    ...(margin && { margin }),
  })
  if (order.format === 'png') return pngOf(drawing, pictures, { title, scale: order.dpi / POINTS_TO_INCH })
  return Buffer.from(svgOf(drawing, { title, hrefOf: source => dataOf(pictures, source) }))
}
