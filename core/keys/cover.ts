import type { Keeper } from './keep'
import type { CoverKey } from '../board/key'
import type { Grid } from '../board/place'
import { common, unionArea } from '../geometry/union'
import type { Box } from '../geometry/shape'
import { isSeen } from '../slate/own'
import type { SlateState } from '../slate/state'
import { SURELY_IN, SURELY_OUT } from '../placement/placement'
import { straightBox } from '../placement/straight'
import { itemMark, setMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/**
 * Marks which cells of a grid are covered, by whatever pieces and however many to a cell, or coloured in. A cell is covered
 * with 75 % of its area under pieces, free with 25 % or less; one that is coloured is covered whatever lies on it. One point for each cell asked for, one less for each too many. An array
 * may stand anywhere on the grid: then the whole is worth one point.
 */
export function markCover(key: CoverKey, context: MarkContext): ItemMark[] {
  const grid = context.placeOf(key.grid)
  if (grid?.kind !== 'grid') return []
  const { covered, unsure } = coveredCells(grid, context)
  const say = (cell: string) => nameOfCell(cell, grid)
  if (unsure.size) return [itemMark('place', grid.id, 'on-the-line', 'cover-unsure', { names: [...unsure].map(say).join(', ') }, key.array ? 1 : key.cells.length, 0)]
  if (key.array) return [markArray(key.array, covered, grid)]
  return [setMark('place', grid.id, 'cover', new Set(key.cells), covered, say)]
}

/** Cells of a hundred chart are known by their number, counted row by row from 1. */
function nameOfCell(cell: string, { columns }: Grid): string {
  const [row, column] = cell.split(',').map(Number) as [number, number]
  return String(row * columns + column + 1)
}

export function coveredCells(grid: Grid, { state, edition, placements }: Pick<MarkContext, 'state' | 'edition' | 'placements'>): { covered: Set<string>, unsure: Set<string> } {
  const { shape, rows, columns } = grid
  const cell = { width: shape.width / columns, height: shape.height / rows }
  const over = new Map<string, Box[]>()
  for (const { piece, at } of placements) {
    const box = at === 'page' ? straightBox(state.pieces[piece]!, edition.pieces.get(piece)!.master) : null
    if (!box) continue
    const [top, foot] = [Math.floor((box.y - shape.y) / cell.height), Math.ceil((box.y + box.height - shape.y) / cell.height)]
    const [left, right] = [Math.floor((box.x - shape.x) / cell.width), Math.ceil((box.x + box.width - shape.x) / cell.width)]
    for (let row = Math.max(0, top); row < Math.min(rows, foot); row++) {
      for (let column = Math.max(0, left); column < Math.min(columns, right); column++) {
        const part = common(box, { x: shape.x + column * cell.width, y: shape.y + row * cell.height, ...cell })
        if (part) over.set(`${row},${column}`, [...over.get(`${row},${column}`) ?? [], part])
      }
    }
  }
  const share = (parts: readonly Box[]) => unionArea(parts) / (cell.width * cell.height)
  const coloured = colouredCells(grid, state)
  return {
    covered: new Set([...coloured, ...[...over].filter(([, parts]) => share(parts) >= SURELY_IN).map(([name]) => name)]),
    unsure: new Set([...over].filter(([name, parts]) => !coloured.has(name) && share(parts) > SURELY_OUT && share(parts) < SURELY_IN).map(([name]) => name)),
  }
}

const colouredCells = (grid: Grid, { own }: Pick<SlateState, 'own'>) => new Set(Object.values(own).flatMap(thing =>
  thing.kind === 'colour' && thing.place === grid.id && thing.cell && isSeen(thing) ? [thing.cell.join()] : []))

/** Three rows of four are a 3 × 4 array, and four rows of three are not (common practice, no source). */
function markArray(wanted: { rows: number, columns: number }, covered: ReadonlySet<string>, grid: Grid): ItemMark {
  if (covered.size === 0) return itemMark('place', grid.id, 'not-placed', 'empty')
  const block = blockOf([...covered])
  const words = { wanted: `${wanted.rows} × ${wanted.columns}`, made: block ? `${block.rows} × ${block.columns}` : '–', count: covered.size }
  if (!block) return itemMark('place', grid.id, 'wrong', 'no-array', words)
  const { rows, columns } = block
  const right = rows === wanted.rows && columns === wanted.columns
  return itemMark('place', grid.id, right ? 'right' : 'wrong', right ? 'array-right' : 'array-wrong', words)
}

/** The cells that are covered; a key for a block wherever on the grid stays one, with the block that lies there now. */
export const keepCover: Keeper<'cover'> = (context, former) => context.page.places.flatMap((grid) => {
  if (grid.kind !== 'grid') return []
  const cells = [...coveredCells(grid, context).covered].toSorted((a, b) => index(a, grid) - index(b, grid))
  if (cells.length === 0) return []
  const block = former.find(key => key.grid === grid.id)?.array ? blockOf(cells) : null
  return [block ? { grid: grid.id, cells: [], array: block } : { grid: grid.id, cells }]
})

const index = (cell: string, { columns }: Grid) => {
  const [row, column] = cell.split(',').map(Number) as [number, number]
  return row * columns + column
}

/** The rows and columns of a full block; null for cells that are none. */
export function blockOf(cells: readonly string[]): { rows: number, columns: number } | null {
  const all = cells.map(cell => cell.split(',').map(Number) as [number, number])
  const span = (numbers: readonly number[]) => Math.max(...numbers) - Math.min(...numbers) + 1
  const [rows, columns] = [span(all.map(([row]) => row)), span(all.map(([, column]) => column))]
  return cells.length === rows * columns && cells.length > 0 ? { rows, columns } : null
}
