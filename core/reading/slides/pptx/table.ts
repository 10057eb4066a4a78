import type { Box } from '../../../geometry/shape'
import { childOf, childrenOf, numberOf, type XmlElement } from '../../xml'
import { boxPart } from '../parts'
import type { BoxPart } from '../slide'
import { colourIn } from './colours'
import { EMU, fillOf, type Reading } from './shapes'
import { wordsOf } from './text'

const EDGE = '#526061'
const MOST_CELLS = 100

/** The cells of a table as boxes; merged ones as one. A table with more cells than a page has figures is left out. */
export function tableParts(table: XmlElement, { x, y }: Box, reading: Reading): BoxPart[] {
  const widths = childrenOf(childOf(table, 'tblGrid'), 'gridCol').map(column => (numberOf(column, 'w') ?? 0) / EMU)
  const rows = childrenOf(table, 'tr')
  const heights = rows.map(row => (numberOf(row, 'h') ?? 0) / EMU)
  if (rows.length * widths.length > MOST_CELLS) {
    reading.losses.note('embedded')
    return []
  }
  const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0)
  return rows.flatMap((row, r) =>
    childrenOf(row, 'tc').flatMap((cell, c) => {
      if (cell.attributes.hMerge || cell.attributes.vMerge || !reading.losses.room()) return []
      const [across, down] = [numberOf(cell, 'gridSpan') ?? 1, numberOf(cell, 'rowSpan') ?? 1]
      const box = {
        x: x + sum(widths.slice(0, c)),
        y: y + sum(heights.slice(0, r)),
        width: sum(widths.slice(c, c + across)),
        height: sum(heights.slice(r, r + down)),
      }
      if (box.width <= 0 || box.height <= 0) return []
      const properties = childOf(cell, 'tcPr')
      const edges = ['lnL', 'lnR', 'lnT', 'lnB'].map(name => childOf(properties, name))
      const edge = edges.map(line => colourIn(childOf(line, 'solidFill'), reading.scheme)).find(Boolean)
      return [
        boxPart(
          {
            box,
            turn: 0,
            form: 'rectangle',
            words: wordsOf(childOf(cell, 'txBody'), reading.styles(null)),
            line: edge ?? (edges.some(line => childOf(line, 'noFill')) ? null : EDGE),
            fill: fillOf([properties], null, reading).fill,
            heading: false,
            below: reading.below,
          },
          reading.losses,
        ),
      ]
    }),
  )
}
