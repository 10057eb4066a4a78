import type { Grid } from '../../board/place'
import type { Box } from '../../geometry/shape'
import { common, unionArea } from '../../geometry/union'
import { SURELY_IN, SURELY_OUT } from '../../placement/placement'
import { straightBox } from '../../bodies/straight'
import { isSeen } from '../../slate/own'
import type { SlateState } from '../../slate/state'
import type { MarkContext } from '../context'

type Lying = Pick<MarkContext, 'state' | 'edition' | 'placements'>
/** Cells by their names, "row,column" from 0. */
export interface Covered {
  readonly covered: ReadonlySet<string>
  readonly unsure: ReadonlySet<string>
}

/** Under pieces with 75 % of their area, or coloured in; with 25 % or less they are free, and unsure between. */
export function coveredCells(grid: Grid, { state, edition, placements }: Lying): Covered {
  const { shape, rows, columns } = grid
  const cell = { width: shape.width / columns, height: shape.height / rows }
  const over = new Map<string, Box[]>()
  for (const { piece, at } of placements) {
    const box = at === 'page' ? straightBox(state.pieces[piece]!, edition.pieces.get(piece)!.master) : null
    if (!box) continue
    const [top, foot] = [
      Math.floor((box.y - shape.y) / cell.height),
      Math.ceil((box.y + box.height - shape.y) / cell.height),
    ]
    const [left, right] = [
      Math.floor((box.x - shape.x) / cell.width),
      Math.ceil((box.x + box.width - shape.x) / cell.width),
    ]
    for (let row = Math.max(0, top); row < Math.min(rows, foot); row++) {
      for (let column = Math.max(0, left); column < Math.min(columns, right); column++) {
        const part = common(box, { x: shape.x + column * cell.width, y: shape.y + row * cell.height, ...cell })
        if (part) over.set(`${row},${column}`, [...(over.get(`${row},${column}`) ?? []), part])
      }
    }
  }
  const share = (parts: readonly Box[]) => unionArea(parts) / (cell.width * cell.height)
  const coloured = colouredCells(grid, state)
  return {
    covered: new Set([
      ...coloured,
      ...[...over].filter(([, parts]) => share(parts) >= SURELY_IN).map(([name]) => name),
    ]),
    unsure: new Set(
      [...over].filter(([name, parts]) => !coloured.has(name) && isUnsure(share(parts))).map(([name]) => name),
    ),
  }
}

const isUnsure = (share: number) => share > SURELY_OUT && share < SURELY_IN

const colouredCells = (grid: Grid, { own }: Pick<SlateState, 'own'>) =>
  new Set(
    Object.values(own).flatMap(thing =>
      thing.kind === 'colour' && thing.place === grid.id && thing.cell && isSeen(thing) ? [thing.cell.join()] : [],
    ),
  )

/** Its place in reading order. */
export const cellIndex = (cell: string, { columns }: Grid) => {
  const [row, column] = cell.split(',').map(Number) as [number, number]
  return row * columns + column
}

/** The rows and columns of a full block; null for cells that are none. */
export function blockOf(cells: readonly string[]): { rows: number; columns: number } | null {
  const all = cells.map(cell => cell.split(',').map(Number) as [number, number])
  const span = (numbers: readonly number[]) => Math.max(...numbers) - Math.min(...numbers) + 1
  const [rows, columns] = [span(all.map(([row]) => row)), span(all.map(([, column]) => column))]
  return cells.length === rows * columns && cells.length > 0 ? { rows, columns } : null
}
