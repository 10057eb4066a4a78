import type { Fill } from '../board/inks'
import type { Box, Point, Shape } from '../geometry/shape'
import type { Colour } from './palette'

/** A colour, or a light colour with the pattern that tells it from the others. */
export type Paint = Colour | { readonly pattern: Fill }

export interface Stroke {
  readonly colour: Colour
  readonly width: number
  /** Lengths of dash and gap. */
  readonly dash?: readonly [number, number]
  readonly ends?: 'round'
  readonly corners?: 'round'
}

/** An outline in the words of SVG paths (SVG 2, 9.3), of which only M, L, H, V, A, Q, Z and m, l, h, v, a are used. */
export interface PathPrimitive {
  readonly kind: 'path'
  readonly d: string
  readonly fill?: Paint
  /** Of the fill; 1 where nothing is said. */
  readonly opacity?: number
  readonly stroke?: Stroke
  /** Lies over what is below like the ink of a highlighter. */
  readonly multiply?: true
}

/** One line of text on its base line. */
export interface TextPrimitive {
  readonly kind: 'text'
  readonly text: string
  readonly x: number
  readonly y: number
  readonly size: number
  readonly bold?: true
  /** Where in the line `x` is; its beginning where nothing is said. */
  readonly anchor?: 'middle' | 'end'
  /** Read from the right: its beginning is at its right end. */
  readonly fromRight?: true
  readonly fill: Colour
}

/** Where the bytes of a picture are: a file of a board, a picture of the library, or what a student put on a slate. */
export type PictureSource =
  | { readonly from: 'file'; readonly file: string }
  | { readonly from: 'library'; readonly name: string }
  | { readonly from: 'slate'; readonly id: string }

export interface PicturePrimitive {
  readonly kind: 'picture'
  readonly source: PictureSource
  readonly box: Box
  /** *within*: as large as the box lets it be, with its own sides, in the middle. *stretch*: just the box. */
  readonly fit: 'within' | 'stretch'
  /** Quarter turns to the right before it is put into its box. */
  readonly quarters?: 1 | 2 | 3
  /** The shares of its sides, as it lies, that are cut off. */
  readonly crop?: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number }
  /** The pixels of the whole picture, as it is stored, where they are known. */
  readonly pixels?: { readonly width: number; readonly height: number }
}

/** How a picture that is turned or cropped is drawn with a frame that shows a part of it. */
export interface TurnedPicture {
  /** What the frame shows of the picture as it lies, in pixels: stretched into its box. */
  readonly part: Box
  /** The whole picture as it is stored, in pixels, and how it comes to lie (SVG, 8.5). */
  readonly whole: { readonly width: number; readonly height: number }
  readonly transform: string | undefined
}

/** Null for one that is neither turned nor cropped. */
export function turnedPicture({ box, pixels, quarters, crop }: PicturePrimitive): TurnedPicture | null {
  if (!quarters && !crop) return null
  const { width, height } = pixels ?? box
  const [across, down] = quarters === 1 || quarters === 3 ? [height, width] : [width, height]
  const { left, top, right, bottom } = crop ?? { left: 0, top: 0, right: 0, bottom: 0 }
  return {
    part: { x: left * across, y: top * down, width: (1 - left - right) * across, height: (1 - top - bottom) * down },
    whole: { width, height },
    transform:
      quarters
      && {
        1: `translate(${across} 0) rotate(90)`,
        2: `translate(${across} ${down}) rotate(180)`,
        3: `translate(0 ${down}) rotate(270)`,
      }[quarters],
  }
}

export type Primitive = PathPrimitive | TextPrimitive | PicturePrimitive

/** Points, to a thousandth. */
export const to3 = (n: number) => Math.round(n * 1000) / 1000
const at = ({ x, y }: Point) => `${to3(x)} ${to3(y)}`

export const polyline = (points: readonly Point[]) => points.map((p, i) => `${i ? 'L' : 'M'}${at(p)}`).join('')
export const polygon = (points: readonly Point[]) => (points.length ? `${polyline(points)}Z` : '')

/** A box, its corners rounded by `radius` at most as far as its sides let them. */
export function boxPath({ x, y, width, height }: Box, radius = 0): string {
  const r = to3(Math.min(radius, width / 2, height / 2))
  const [w, h] = [to3(width - 2 * r), to3(height - 2 * r)]
  if (r <= 0) return `M${at({ x, y })}h${to3(width)}v${to3(height)}h${to3(-width)}Z`
  const arc = (dx: number, dy: number) => `a${r} ${r} 0 0 1 ${dx} ${dy}`
  return `M${at({ x: x + r, y })}h${w}${arc(r, r)}v${h}${arc(-r, r)}h${-w}${arc(-r, -r)}v${-h}${arc(r, -r)}Z`
}

export function ellipsePath({ x, y, width, height }: Box): string {
  const [rx, ry] = [to3(width / 2), to3(height / 2)]
  const arc = (dx: number) => `a${rx} ${ry} 0 1 1 ${dx} 0`
  return `M${at({ x, y: y + height / 2 })}${arc(to3(width))}${arc(to3(-width))}Z`
}

export const circlePath = ({ x, y }: Point, r: number) =>
  ellipsePath({ x: x - r, y: y - r, width: 2 * r, height: 2 * r })

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
