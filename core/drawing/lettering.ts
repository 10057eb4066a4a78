import { baselineShift, LINE_HEIGHT, type Face } from '../text/measure'
import type { Colour } from './palette'
import type { TextPrimitive } from './primitive'

interface Block {
  readonly lines: readonly string[]
  readonly x: number
  /** The middle of the first line. */
  readonly y: number
  readonly size: number
  readonly fill: Colour
  readonly bold?: boolean | undefined
  readonly anchor?: TextPrimitive['anchor']
}

/** Lines below each other, their capitals about the middle of each line. Empty lines take their room. */
export function lettering({ lines, x, y, size, fill, bold, anchor }: Block): TextPrimitive[] {
  const face: Face = bold ? 'bold' : 'regular'
  return lines.flatMap((text, i) =>
    text === ''
      ? []
      : [
          {
            kind: 'text' as const,
            text,
            x,
            y: y + i * LINE_HEIGHT * size + baselineShift(size, face),
            size,
            fill,
            ...(bold && { bold: true as const }),
            ...(anchor && { anchor }),
          },
        ],
  )
}

/** The middle of the first of so many lines that stand about `middle`. */
export const firstOf = (lines: readonly string[], middle: number, size: number) =>
  middle - ((lines.length - 1) / 2) * LINE_HEIGHT * size
