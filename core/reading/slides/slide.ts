import { MOST_PAGES } from '../../board/sizes'
import type { Box, Point, Shape } from '../../geometry/shape'
import type { Lost } from '../lost'

/** What a file of slides, or a drawing, says: pages with parts that a board may print or make into pieces. */
export interface Slides {
  readonly title: string
  readonly pages: readonly Slide[]
  readonly lost: readonly Lost[]
}

export interface Slide {
  readonly name: string
  /** Points. */
  readonly width: number
  readonly height: number
  readonly colour: string
  /** Was left out when the file was shown. */
  readonly hidden: boolean
  /** From the lowest to the uppermost. */
  readonly parts: readonly Part[]
}

interface Lying {
  /** Stands on every page alike, from the file's own pattern: it is printed, whatever is chosen. */
  readonly below: boolean
}

/** A shape with its words; either may be all there is of it. */
export interface BoxPart extends Lying {
  readonly kind: 'box'
  /** As it lies, turned. */
  readonly shape: Shape
  /** Before it is turned. */
  readonly box: Box
  /** Degrees clockwise about the middle of its box, from 0 to less than 360. */
  readonly turn: number
  readonly line: string | null
  readonly fill: string | null
  readonly text: string
  readonly textSize: number
  readonly bold: boolean
  readonly fromLeft: boolean
  /** The page's heading. */
  readonly heading: boolean
}

export interface PicturePart extends Lying {
  readonly kind: 'picture'
  readonly box: Box
  readonly turn: number
  /** Where its bytes are in the file. */
  readonly source: string
  readonly alt: string
  readonly crop: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number } | null
}

export interface LinePart extends Lying {
  readonly kind: 'line'
  readonly from: Point
  readonly to: Point
  readonly colour: string
  readonly thickness: number
  readonly points: 'none' | 'one' | 'both'
  readonly dashed: boolean
}

export type Part = BoxPart | PicturePart | LinePart

/** More pages than a board can have are not read. */
export const MOST_SLIDES = MOST_PAGES
export const SMALLEST_TEXT = 6
export const LARGEST_TEXT = 96
export const LONGEST_TEXT = 1000
