import type { BackdropPicture, Figure, Line } from '../board/backdrop'
import { pixelsLying, pixelsShown } from '../board/pixels'
import type { Board, Page } from '../board/board'
import type { FigureId, PageId } from '../board/ids'
import type { Size } from '../geometry/shape'
import { withPage } from './lookup'

export const FIXED_FORMS = ['heading', 'instruction', 'box', 'ring', 'line', 'arrow', 'divider'] as const
export type FixedForm = (typeof FIXED_FORMS)[number]

const INK = '#3c494a'
/** Points. Instructions are larger than what students read on their pieces, headings larger than those. */
const HEADING_TEXT = 30
const INSTRUCTION_TEXT = 20

/**
 * A fixed thing in the upper middle of the page, ready to be moved: words, a shape, a line. A divider parts the page
 * down the middle.
 */
export function addFixed({
  board,
  pageId,
  form,
  id,
  words,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly form: FixedForm
  readonly id: FigureId
  readonly words: string
}): Board {
  return withPage(board, pageId, page => {
    const { width: w, height: h } = page
    const figure = (shape: Figure['shape'], more: Partial<Figure> = {}): Page => ({
      ...page,
      backdrop: {
        ...page.backdrop,
        figures: [
          ...(page.backdrop.figures ?? []),
          { id, shape, line: null, fill: null, text: '', textSize: INSTRUCTION_TEXT, ...more },
        ],
      },
    })
    const line = (part: Pick<Line, 'from' | 'to'> & Partial<Line>): Page => ({
      ...page,
      backdrop: {
        ...page.backdrop,
        lines: [...(page.backdrop.lines ?? []), { id, colour: INK, thickness: 2, points: 'none', ...part }],
      },
    })
    switch (form) {
      case 'heading':
        return figure(
          { kind: 'rectangle', x: w * 0.15, y: 12, width: w * 0.7, height: 48 },
          { text: words, textSize: HEADING_TEXT, bold: true },
        )
      case 'instruction':
        return figure(
          { kind: 'rectangle', x: w * 0.1, y: 64, width: w * 0.8, height: 64 },
          { text: words, fill: '#fdf3dc', line: '#a86a05', fromLeft: true },
        )
      case 'box':
        return figure({ kind: 'rectangle', x: w * 0.35, y: h * 0.3, width: w * 0.3, height: h * 0.3 }, { line: INK })
      case 'ring':
        return figure({ kind: 'ellipse', x: w * 0.35, y: h * 0.3, width: w * 0.3, height: h * 0.3 }, { line: INK })
      case 'line':
        return line({ from: { x: w * 0.35, y: h * 0.5 }, to: { x: w * 0.65, y: h * 0.5 } })
      case 'arrow':
        return line({ from: { x: w * 0.35, y: h * 0.5 }, to: { x: w * 0.65, y: h * 0.5 }, points: 'one' })
      case 'divider':
        return line({ from: { x: w / 2, y: 0 }, to: { x: w / 2, y: h }, thickness: 6 })
    }
  })
}

export function changeFigure(board: Board, pageId: PageId, id: string, part: Partial<Figure>): Board {
  return withPage(board, pageId, page => ({
    ...page,
    backdrop: {
      ...page.backdrop,
      figures: (page.backdrop.figures ?? []).map(f => (f.id === id ? { ...f, ...part } : f)),
    },
  }))
}

export function changeLine(board: Board, pageId: PageId, id: string, part: Partial<Line>): Board {
  return withPage(board, pageId, page => ({
    ...page,
    backdrop: { ...page.backdrop, lines: (page.backdrop.lines ?? []).map(l => (l.id === id ? { ...l, ...part } : l)) },
  }))
}

export function changePicture(
  board: Board,
  pageId: PageId,
  id: string,
  to: (picture: BackdropPicture) => BackdropPicture,
): Board {
  return withPage(board, pageId, page => ({
    ...page,
    backdrop: { ...page.backdrop, pictures: page.backdrop.pictures.map(p => (p.id === id ? to(p) : p)) },
  }))
}

/**
 * As large as it goes on the page without being stretched, in the middle: `fit` shows all of it, `fill` leaves no edge
 * free and is cut by the page.
 */
export function fitted(picture: BackdropPicture, page: Size, how: 'fit' | 'fill'): BackdropPicture {
  const pixels = pixelsShown(picture)
  const [across, down] = [page.width / pixels.width, page.height / pixels.height]
  const scale = how === 'fit' ? Math.min(across, down) : Math.max(across, down)
  const [width, height] = [pixels.width * scale, pixels.height * scale]
  return { ...picture, width, height, x: (page.width - width) / 2, y: (page.height - height) / 2 }
}

/** Some of a side cut off, in shares of the whole picture; what is left keeps its size on the page and its place. */
export function cropped(
  picture: BackdropPicture,
  side: 'left' | 'top' | 'right' | 'bottom',
  share: number,
): BackdropPicture {
  const before = picture.crop ?? { left: 0, top: 0, right: 0, bottom: 0 }
  const opposite = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' } as const
  const crop = { ...before, [side]: Math.min(Math.max(0, share), 0.95 - before[opposite[side]]) }
  const perPixel = { x: picture.width / pixelsShown(picture).width, y: picture.height / pixelsShown(picture).height }
  const { crop: _, ...uncut } = picture
  const next = Object.values(crop).some(part => part > 0) ? { ...uncut, crop } : uncut
  const [pixels, whole] = [pixelsShown(next), pixelsLying(picture)]
  return {
    ...next,
    x: picture.x + (crop.left - before.left) * whole.width * perPixel.x,
    y: picture.y + (crop.top - before.top) * whole.height * perPixel.y,
    width: pixels.width * perPixel.x,
    height: pixels.height * perPixel.y,
  }
}
