import type { Box, Size } from '../geometry/shape'

/** Boxes by the names of what stands in them. Nothing here changes the boxes given. */
export type Boxes = ReadonlyMap<string, Box>

export const ALIGNMENTS = ['left', 'centre', 'right', 'top', 'middle', 'foot'] as const
export type Alignment = (typeof ALIGNMENTS)[number]
export type Axis = 'across' | 'down'

/** The smallest box around all of them. None: an empty box at the corner of the page. */
export function around(boxes: Iterable<Box>): Box {
  const all = [...boxes]
  if (all.length === 0) return { x: 0, y: 0, width: 0, height: 0 }
  const x = Math.min(...all.map(b => b.x))
  const y = Math.min(...all.map(b => b.y))
  return {
    x,
    y,
    width: Math.max(...all.map(b => b.x + b.width)) - x,
    height: Math.max(...all.map(b => b.y + b.height)) - y,
  }
}

/** All on one line: the edge or the middle of the box around them. */
export function align(boxes: Boxes, to: Alignment): Map<string, Box> {
  const whole = around(boxes.values())
  const placed = (box: Box): Box => {
    switch (to) {
      case 'left':
        return { ...box, x: whole.x }
      case 'centre':
        return { ...box, x: whole.x + (whole.width - box.width) / 2 }
      case 'right':
        return { ...box, x: whole.x + whole.width - box.width }
      case 'top':
        return { ...box, y: whole.y }
      case 'middle':
        return { ...box, y: whole.y + (whole.height - box.height) / 2 }
      case 'foot':
        return { ...box, y: whole.y + whole.height - box.height }
    }
  }
  return new Map([...boxes].map(([id, box]) => [id, placed(box)]))
}

/**
 * Equal gaps between neighbours, the outermost edges staying where they are; neighbours by their middles, ties in the
 * order given. Boxes that are together longer than their room overlap by equal amounts, and a long one between may then
 * reach further than the outer ones. Fewer than three stay.
 */
export function spaceEvenly(boxes: Boxes, axis: Axis): Map<string, Box> {
  if (boxes.size < 3) return new Map(boxes)
  const [at, size] = axis === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const)
  const order = [...boxes].toSorted(([, a], [, b]) => a[at] + a[size] / 2 - b[at] - b[size] / 2)
  const whole = around(boxes.values())
  const gap = (whole[size] - order.reduce((sum, [, box]) => sum + box[size], 0)) / (order.length - 1)
  let next = whole[at]
  const spaced = new Map<string, Box>()
  for (const [id, box] of order) {
    spaced.set(id, { ...box, [at]: next })
    next += box[size] + gap
  }
  return spaced
}

/** All as large as one of them, about their own middles, held on the page. */
export function sameSize(boxes: Boxes, like: Size, page: Size): Map<string, Box> {
  const [width, height] = [Math.min(like.width, page.width), Math.min(like.height, page.height)]
  return new Map(
    [...boxes].map(([id, box]) => [
      id,
      heldOn(page, { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height }),
    ]),
  )
}

/**
 * Tidied into rows in reading order: each in the middle of a cell as large as the largest of them, equal gaps between
 * the cells. As many columns as stand there now, more where the rows would leave the page; the block keeps its top left
 * corner as far as the page allows. What can't fit on the page keeps its size, and the gaps go to nothing.
 */
export function tidy(boxes: Boxes, page: Size, gap: number): Map<string, Box> {
  const order = readingOrder(boxes)
  if (order.length < 2) return new Map(boxes)
  const all = order.map(([, box]) => box)
  const cell = { width: Math.max(...all.map(b => b.width)), height: Math.max(...all.map(b => b.height)) }
  const most = (length: number, size: number) => Math.max(1, Math.floor((length + gap) / (size + gap)))
  const rowsThatFit = most(page.height, cell.height)
  const columns = Math.min(
    Math.max(rowLength(all), Math.ceil(order.length / rowsThatFit)),
    Math.max(most(page.width, cell.width), Math.ceil(order.length / rowsThatFit)),
    order.length,
  )
  const rows = Math.ceil(order.length / columns)
  const gapFor = (length: number, size: number, count: number) =>
    count < 2 ? 0 : Math.max(0, Math.min(gap, (length - count * size) / (count - 1)))
  const [across, down] = [gapFor(page.width, cell.width, columns), gapFor(page.height, cell.height, rows)]
  const start = heldOn(page, {
    ...around(all),
    width: columns * (cell.width + across) - across,
    height: rows * (cell.height + down) - down,
  })
  return new Map(
    order.map(([id, box], i) => [
      id,
      {
        ...box,
        x: start.x + (i % columns) * (cell.width + across) + (cell.width - box.width) / 2,
        y: start.y + Math.floor(i / columns) * (cell.height + down) + (cell.height - box.height) / 2,
      },
    ]),
  )
}

/** From the top, then from the left; what overlaps by half its height stands in one row. */
export function readingOrder(boxes: Boxes): [string, Box][] {
  const rows: [string, Box][][] = []
  for (const entry of [...boxes].toSorted(([, a], [, b]) => a.y + a.height / 2 - b.y - b.height / 2)) {
    const row = rows.at(-1)
    if (row && sameRow(row[0]![1], entry[1])) row.push(entry)
    else rows.push([entry])
  }
  return rows.flatMap(row => row.toSorted(([, a], [, b]) => a.x - b.x))
}

const sameRow = (a: Box, b: Box) => Math.abs(a.y + a.height / 2 - b.y - b.height / 2) < Math.min(a.height, b.height) / 2

/** How many stand in the longest row. */
function rowLength(boxes: readonly Box[]): number {
  return Math.max(...boxes.map(a => boxes.filter(b => sameRow(a, b)).length))
}

/** The box moved so far that it is on the page; at the corner where it is larger than the page. */
export function heldOn(page: Size, box: Box): Box {
  const hold = (at: number, size: number, room: number) => Math.max(0, Math.min(at, room - size))
  return { ...box, x: hold(box.x, box.width, page.width), y: hold(box.y, box.height, page.height) }
}

/** All moved by the same way, as far as the page allows. */
export function moveAll(boxes: Boxes, dx: number, dy: number, page: Size): Map<string, Box> {
  const whole = around(boxes.values())
  const held = heldOn(page, { ...whole, x: whole.x + dx, y: whole.y + dy })
  return new Map(
    [...boxes].map(([id, box]) => [id, { ...box, x: box.x + held.x - whole.x, y: box.y + held.y - whole.y }]),
  )
}
