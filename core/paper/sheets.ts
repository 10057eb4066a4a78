import type { Box, Size } from '../geometry/shape'

/** Points of a millimetre: 72 to an inch of 25.4 mm. */
export const MM = 72 / 25.4

/** Sheets that printers hold, upright. A4 and A3 by ISO 216; letter by ANSI/ASME Y14.1, 8.5 × 11 inches. */
export const SHEETS = {
  a4: { width: 210 * MM, height: 297 * MM },
  a3: { width: 297 * MM, height: 420 * MM },
  letter: { width: 8.5 * 72, height: 11 * 72 },
} as const satisfies Record<string, Size>
export type SheetName = keyof typeof SHEETS
export const SHEET_NAMES = Object.keys(SHEETS) as [SheetName, ...SheetName[]]

/** What printers leave white around a sheet, and a little more. */
export const SHEET_EDGE = 8 * MM

export const inside = ({ width, height }: Size, edge = SHEET_EDGE): Box => ({
  x: edge,
  y: edge,
  width: width - 2 * edge,
  height: height - 2 * edge,
})

/** The sheet lying or upright, whichever has more room for something of this size. */
export function turnedFor(name: SheetName, { width, height }: Size): Size {
  const upright = SHEETS[name]
  return width > height ? { width: upright.height, height: upright.width } : upright
}

export interface Placed {
  readonly x: number
  readonly y: number
  /** 1 is true to size. */
  readonly scale: number
}

/** In the middle of a box: true to size where there is room, else as large as it fits. */
export function fitted({ width, height }: Size, box: Box): Placed {
  const scale = Math.min(1, box.width / width, box.height / height)
  return { x: box.x + (box.width - width * scale) / 2, y: box.y + (box.height - height * scale) / 2, scale }
}

/** How far the sheets of a poster reach over each other, so that they can be glued. */
export const OVERLAP = 10 * MM

/** One sheet of a poster: which part of the page is on it, from 0. */
export interface Tile {
  readonly column: number
  readonly row: number
  /** The part of the page, in its own points. */
  readonly part: Box
}

export interface Poster {
  readonly sheet: Size
  readonly columns: number
  readonly rows: number
  readonly tiles: readonly Tile[]
  /** How large the page becomes; 1 is true to size. */
  readonly scale: number
}

/**
 * A page over several sheets with overlaps, row by row, upright or lying, whichever needs fewer sheets (upright where
 * both need as many). `scale` is how large it becomes.
 */
export function poster(page: Size, name: SheetName, scale: number): Poster {
  const upright = SHEETS[name]
  const ways = [upright, { width: upright.height, height: upright.width }].map(sheet => {
    const room = inside(sheet)
    const count = (length: number, seen: number) =>
      length <= seen ? 1 : Math.ceil((length - OVERLAP) / (seen - OVERLAP) - 1e-9)
    return {
      sheet,
      room,
      columns: count(page.width * scale, room.width),
      rows: count(page.height * scale, room.height),
    }
  })
  const [first, second] = ways as [(typeof ways)[0], (typeof ways)[0]]
  const { sheet, room, columns, rows } = second.columns * second.rows < first.columns * first.rows ? second : first
  const step = { x: (room.width - OVERLAP) / scale, y: (room.height - OVERLAP) / scale }
  const tiles = Array.from({ length: rows * columns }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns]
    const [x, y] = [column * step.x, row * step.y]
    return {
      row,
      column,
      part: {
        x,
        y,
        width: Math.min(room.width / scale, page.width - x),
        height: Math.min(room.height / scale, page.height - y),
      },
    }
  })
  return { sheet, columns, rows, tiles, scale }
}
