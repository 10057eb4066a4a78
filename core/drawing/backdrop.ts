import type { BackdropPicture, Figure, Line } from '../board/backdrop'
import { arrowHead } from '../geometry/arrow'
import { bounds, outline } from '../geometry/outline'
import { breakLines } from '../text/lines'
import { LINE_HEIGHT } from '../text/measure'
import { firstOf, lettering } from './lettering'
import { chosen } from './palette'
import { polygon, polyline, shapePath, type Primitive } from './primitive'

const PADDING = 6
const NARROWEST_WORDS = 40

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
