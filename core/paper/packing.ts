import type { Size } from '../geometry/shape'
import { inside, type SheetName, SHEETS } from './sheets'

/** Something to be cut out, with where it lies: its upper left corner from the corner of its sheet. */
export interface Laid<Thing> {
  readonly thing: Thing
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

export interface Packing<Thing> {
  readonly sheet: Size
  readonly sheets: readonly (readonly Laid<Thing>[])[]
  /** What no sheet has room for. */
  readonly tooLarge: readonly Thing[]
  /** The share of the sheets used, from 0 to 1, on which nothing lies; what printers leave white is not counted. */
  readonly waste: number
}

/** Between two things, so that scissors find a way. */
export const CUT_GAP = 6

interface Shelf<Thing> {
  readonly y: number
  readonly height: number
  /** How far it is filled, from the left. */
  filled: number
  readonly laid: Laid<Thing>[]
}

/**
 * Things packed onto sheets by shelves, the tallest first, each on the first shelf that has room (first fit,
 * decreasing height; E. G. Coffman, M. R. Garey, D. S. Johnson and R. E. Tarjan, Performance Bounds for Level-Oriented
 * Two-Dimensional Packing Algorithms, 1980). Of things as tall as each other the order is kept. Nothing is turned:
 * words are read upright. Points.
 */
export function packed<Thing extends Size>(things: readonly Thing[], name: SheetName): Packing<Thing> {
  const sheet = SHEETS[name]
  const room = inside(sheet)
  const fits = ({ width, height }: Size) => width <= room.width && height <= room.height
  const sheets: Shelf<Thing>[][] = []
  const put = (thing: Thing): void => {
    const { width, height } = thing
    for (const shelves of sheets) {
      const shelf = shelves.find(one => one.filled + width <= room.width && height <= one.height)
      if (shelf) {
        shelf.laid.push({ thing, x: room.x + shelf.filled, y: shelf.y, width, height })
        shelf.filled += width + CUT_GAP
        return
      }
      const last = shelves.at(-1)!
      const y = last.y + last.height + CUT_GAP
      if (y + height <= room.y + room.height) return begin(shelves, y, thing)
    }
    const shelves: Shelf<Thing>[] = []
    sheets.push(shelves)
    begin(shelves, room.y, thing)
  }
  const begin = (shelves: Shelf<Thing>[], y: number, thing: Thing) => {
    const { width, height } = thing
    shelves.push({ y, height, filled: width + CUT_GAP, laid: [{ thing, x: room.x, y, width, height }] })
  }
  things
    .filter(fits)
    .toSorted((a, b) => b.height - a.height)
    .forEach(put)
  const used = things.filter(fits).reduce((sum, { width, height }) => sum + width * height, 0)
  const area = sheets.length * room.width * room.height
  return {
    sheet,
    sheets: sheets.map(shelves => shelves.flatMap(shelf => shelf.laid)),
    tooLarge: things.filter(thing => !fits(thing)),
    waste: area === 0 ? 0 : 1 - used / area,
  }
}
