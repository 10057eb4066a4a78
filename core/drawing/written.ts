import type { Spot } from '../layout/written'
import { breakLines } from '../text/lines'
import { lettering } from './lettering'
import type { Primitive } from './primitive'

const PADDING = 10

/** What a student has written in a spot, as it is read where nobody writes. */
export function drawWritten({ kind, box, textSize: size, lines }: Spot, text: string): Primitive[] {
  const { x, y, width, height } = box
  if (kind !== 'space')
    return lettering({
      lines: [text],
      x: x + width / 2,
      y: y + height / 2,
      size,
      fill: 'written',
      bold: kind === 'heading',
      anchor: 'middle',
    })
  return lettering({
    lines: text.split('\n').flatMap(line => breakLines(line, width - 2 * PADDING, size)),
    x: x + PADDING,
    y: lines === 'many' ? y + PADDING + size * 0.75 : y + height / 2,
    size,
    fill: 'written',
  })
}
