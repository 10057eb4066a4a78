import type { BackdropPicture, Figure, Line } from '../board/backdrop'
import type { Page } from '../board/board'
import { arrowHead } from '../geometry/arrow'
import { bounds, outline } from '../geometry/outline'
import type { Shape } from '../geometry/shape'
import { ruled, type RuledLine } from '../layout/ruling'
import { breakLines } from '../text/lines'
import { baselineShift, LINE_HEIGHT } from '../text/measure'
import { firstOf, lettering } from './lettering'
import { chosen } from './palette'
import { boxPath, ellipsePath, polygon, polyline, to3, type Primitive, type Stroke } from './primitive'

const NUMBER_SIZE = 9
const PADDING = 6
const NARROWEST_WORDS = 40

/** The outline of a shape; a rectangle's corners are rounded by `radius`. */
export function shapePath(shape: Shape, radius = 0): string {
  switch (shape.kind) {
    case 'rectangle':
      return boxPath(shape, radius)
    case 'ellipse':
      return ellipsePath(shape)
    case 'polygon':
      return polygon(shape.points)
  }
}

/** The ruling of a page, true to size: what the layout says is printed there. */
export function drawRuling({ backdrop, ...page }: Page): Primitive[] {
  const print = ruled(backdrop.ruling, page)
  const lines = (which: (line: RuledLine) => boolean, stroke: Stroke): Primitive[] => {
    const d = print.lines
      .filter(which)
      .map(({ from, to }) => polyline([from, to]))
      .join('')
    return d ? [{ kind: 'path', d, stroke }] : []
  }
  const dots = print.dots.map(({ x, y }) => `M${to3(x)} ${to3(y)}h0`).join('')
  return [
    ...lines(line => !line.strong && !line.dashed, { colour: 'ruling', width: 1 }),
    ...lines(line => line.dashed === true, { colour: 'ruling', width: 1, dash: [5, 4] }),
    ...lines(line => line.strong === true, { colour: 'faint', width: 1.5 }),
    ...(dots
      ? [{ kind: 'path' as const, d: dots, stroke: { colour: 'dot' as const, width: 2.4, ends: 'round' as const } }]
      : []),
    ...print.numbers.map(({ at, text }) => ({
      kind: 'text' as const,
      text,
      x: at.x,
      y: at.y + baselineShift(NUMBER_SIZE),
      size: NUMBER_SIZE,
      anchor: 'middle' as const,
      fill: 'join' as const,
    })),
  ]
}

/** A printed picture, turned as it is; of one that is cropped only the part that is left, in the same box. */
export function drawPrintedPicture(picture: BackdropPicture): Primitive[] {
  const { file, x, y, width, height, quarters, crop, pixelWidth, pixelHeight } = picture
  return [
    {
      kind: 'picture',
      source: { from: 'file', file },
      box: { x, y, width, height },
      fit: 'stretch',
      pixels: { width: pixelWidth, height: pixelHeight },
      ...(quarters && { quarters }),
      ...(crop && { crop }),
    },
  ]
}

/** A fixed shape with its fixed words: from the top where they start at the left, else about the middle. */
export function drawFigure(figure: Figure): Primitive[] {
  const box = bounds(outline(figure.shape))
  const { textSize: size, bold = false, fromLeft = false } = figure
  const words = figure.text
    ? breakLines(figure.text, Math.max(NARROWEST_WORDS, box.width - 2 * PADDING), size, {
        face: bold ? 'bold' : 'regular',
      })
    : []
  return [
    {
      kind: 'path',
      d: shapePath(figure.shape, 4),
      ...(figure.fill && { fill: chosen(figure.fill) }),
      ...(figure.line && { stroke: { colour: chosen(figure.line), width: 2, corners: 'round' as const } }),
    },
    ...lettering({
      lines: words,
      x: fromLeft ? box.x + PADDING : box.x + box.width / 2,
      y: fromLeft ? box.y + PADDING + (LINE_HEIGHT * size) / 2 : firstOf(words, box.y + box.height / 2, size),
      size,
      fill: 'ink',
      bold,
      ...(!fromLeft && { anchor: 'middle' as const }),
    }),
  ]
}

/** A printed line, with a point at one end, at both or at none. */
export function drawLine({ from, to, thickness, points, colour, dashed }: Line): Primitive[] {
  const [length, width] = [8 + 2.5 * thickness, 6 + 2.5 * thickness]
  const end = points === 'none' ? null : arrowHead(from, to, length, width)
  const start = points === 'both' ? arrowHead(to, from, length, width) : null
  const ink = chosen(colour)
  return [
    {
      kind: 'path',
      d: polyline([start?.foot ?? from, end?.foot ?? to]),
      stroke: { colour: ink, width: thickness, ...(dashed && { dash: [thickness * 3, thickness * 2.5] as const }) },
    },
    ...[start, end].flatMap(head => (head ? [{ kind: 'path' as const, d: polygon(head.corners), fill: ink }] : [])),
  ]
}
