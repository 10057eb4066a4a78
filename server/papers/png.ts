import sharp from 'sharp'
import type { PageDrawing } from '../../core/drawing/page'
import type { Theme } from '../../core/drawing/palette'
import { svgOf } from '../../core/drawing/svg'
import { outlined } from './outlines'
import { dataOf, type PictureBytes } from './pictureBytes'

/** Pixels of a picture at most: a page of A3 at 300 to the inch has 17 million. */
export const MOST_PIXELS = 40_000_000

interface Sharpness {
  readonly title: string
  /** Pixels of a point; of 72 to the inch. Less where the picture would be too large. */
  readonly scale: number
  readonly theme?: Theme
}

/** A page as a PNG, drawn from the same SVG that is given out, its letters as outlines. */
export function pngOf(
  drawing: PageDrawing,
  pictures: PictureBytes,
  { title, scale, theme }: Sharpness,
): Promise<Buffer> {
  const most = Math.sqrt(MOST_PIXELS / (drawing.width * drawing.height))
  const svg = svgOf(drawing, {
    title,
    scale: Math.min(scale, most),
    hrefOf: source => dataOf(pictures, source),
    lettered: text => outlined(text, theme),
    ...(theme && { theme }),
  })
  return sharp(Buffer.from(svg), { limitInputPixels: MOST_PIXELS * 1.01, unlimited: true })
    .png()
    .toBuffer()
}
