import type { Page } from '../../board/board'
import type { PieceId, PlaceId } from '../../board/ids'
import type { Grid } from '../../board/place'
import { HOLDER } from '../../slate/actor'
import { colourId } from '../../slate/own'
import type { SlateState } from '../../slate/state'
import type { MarkContext } from '../context'
import { kindHas, kindOfKey, pieceHas, placeKind, type Laying } from '../kind'
import { laidAt, middleOf } from '../lay'
import { compared, marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import { blockOf, cellIndex, coveredCells } from './cells'
import type { CoverKey } from './key'

const reasons = {
  ...EMPTY,
  right: { doing: {}, codes: { 'cover-right': { hits: 'number' }, 'array-right': { made: 'text' } } },
  'cover-wrong': {
    doing: { count: 'number' },
    codes: {
      'cover-missing': { hits: 'number', of: 'number', missing: 'cells' },
      'cover-over': { hits: 'number', extra: 'cells' },
      'cover-wrong': { hits: 'number', of: 'number', missing: 'cells', extra: 'cells' },
      'array-wrong': { made: 'text', wanted: 'text' },
      'no-array': { wanted: 'text' },
    },
  },
  'cover-unsure': { doing: { names: 'cells' }, codes: { 'cover-unsure': {} } },
} as const
const mark = marksWith(reasons)

/**
 * Marks which cells of a grid are covered, by whatever pieces and however many to a cell, or coloured in. One point for
 * each cell asked for, one less for each too many. A cell that is half covered is an item of its own, so that who
 * decides on it decides on that cell and on nothing else. An array may stand anywhere on the grid: then the whole is
 * worth one point.
 */
export const coverKind = kindOfKey<CoverKey>()({
  reasons,
  counted: false,
  mark: markCover,
  /**
   * The cells that are covered; a key for a block wherever on the grid stays one, with the block that lies there now.
   */
  keep: (context, former) =>
    context.page.places.flatMap(grid => {
      if (grid.kind !== 'grid') return []
      const cells = [...coveredCells(grid, context).covered].toSorted((a, b) => cellIndex(a, grid) - cellIndex(b, grid))
      if (cells.length === 0) return []
      const block = former.find(key => key.grid === grid.id)?.array ? blockOf(cells) : null
      return [block ? { grid: grid.id, cells: [], array: block } : { grid: grid.id, cells }]
    }),
  lay: layCover,
  suits: (page, tools) =>
    kindHas(page, 'grid')
    && (pieceHas(page, 'cover') || pieceHas(page, 'tile') || pieceHas(page, 'token') || tools.includes('colour')),
  canBeDone: (key, page, tools) =>
    placeKind(page, key.grid) === 'grid' && (page.pieces.length > 0 || tools.includes('colour')),
  answers: null,
  interchanged: null,
  alsoRight: null,
})

function markCover(key: CoverKey, context: MarkContext): ItemMark[] {
  const grid = context.placeOf(key.grid)
  if (grid?.kind !== 'grid') return []
  const about = { is: 'place', item: grid.id } as const
  const cells = (names: Iterable<string>) => ({ cells: [...names], grid: grid.id })
  const { covered, unsure } = coveredCells(grid, context)
  if (key.array) {
    if (unsure.size && couldBeRight(key.array, covered, unsure, grid))
      return [mark({ ...about, verdict: 'on-the-line', code: 'cover-unsure', words: { names: cells(unsure) } })]
    return [markArray(key.array, covered, grid)]
  }
  const wanted = new Set(key.cells)
  const open = openCells(wanted, unsure)
  const undecided = open.map(cell =>
    mark({
      is: 'place',
      item: `${grid.id}:${cell}`,
      verdict: 'on-the-line',
      code: 'cover-unsure',
      words: { names: cells([cell]) },
    }),
  )
  const certain = new Set(key.cells.filter(cell => !open.includes(cell)))
  if (open.length && certain.size + covered.size === 0) return undecided
  // A cell too many costs a point: where it isn't certain, that point is the undecided cell's, and not theirs.
  const apart = open.filter(cell => !wanted.has(cell)).length
  const { how, hits: hit, missing, extra, verdict, ...whole } = compared(certain, covered)
  const [of, points] = [whole.of - apart, Math.max(0, whole.points - apart)]
  const hits = hit.length
  const count = covered.size
  const said = { ...about, verdict, of, points }
  switch (how) {
    case 'empty':
      return [mark({ ...said, code: 'empty', words: {} }), ...undecided]
    case 'right':
      return [mark({ ...said, code: 'cover-right', words: { hits } }), ...undecided]
    case 'over':
      return [mark({ ...said, code: 'cover-over', words: { count, hits, extra: cells(extra) } }), ...undecided]
    case 'missing': {
      const words = { count, hits, of: certain.size, missing: cells(missing) }
      return [mark({ ...said, code: 'cover-missing', words }), ...undecided]
    }
    case 'wrong': {
      const words = { count, hits, of: certain.size, missing: cells(missing), extra: cells(extra) }
      return [mark({ ...said, code: 'cover-wrong', words }), ...undecided]
    }
  }
}

/**
 * The half covered cells on which something hangs: those asked for, or, where none of them is, those that would be too
 * many, as far as there are points to lose. A cover that lies between a cell that is asked for and its neighbour is
 * decided on once, by the cell that is.
 */
function openCells(wanted: ReadonlySet<string>, unsure: ReadonlySet<string>): string[] {
  const asked = [...unsure].filter(cell => wanted.has(cell))
  return asked.length ? asked : [...unsure].slice(0, wanted.size)
}

/** Whether some reading of the cells that are half covered is the array. */
function couldBeRight(
  array: NonNullable<CoverKey['array']>,
  covered: ReadonlySet<string>,
  unsure: ReadonlySet<string>,
  grid: Grid,
): boolean {
  const fits = (wanted: readonly string[]) =>
    wanted.every(cell => covered.has(cell) || unsure.has(cell)) && [...covered].every(cell => wanted.includes(cell))
  const range = (most: number) => Array.from({ length: Math.max(0, most + 1) }, (_, i) => i)
  return range(grid.rows - array.rows).some(top =>
    range(grid.columns - array.columns).some(left =>
      fits(
        range(array.rows - 1).flatMap(row => range(array.columns - 1).map(column => `${top + row},${left + column}`)),
      ),
    ),
  )
}

/** Three rows of four are a 3 × 4 array, and four rows of three are not (common practice, no source). */
function markArray(
  asked: { readonly rows: number; readonly columns: number },
  covered: ReadonlySet<string>,
  grid: Grid,
): ItemMark {
  const about = { is: 'place', item: grid.id } as const
  if (covered.size === 0) return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  const block = blockOf([...covered])
  const wanted = `${asked.rows} × ${asked.columns}`
  if (!block) return mark({ ...about, verdict: 'wrong', code: 'no-array', words: { count: covered.size, wanted } })
  const made = `${block.rows} × ${block.columns}`
  return made === wanted
    ? mark({ ...about, verdict: 'right', code: 'array-right', words: { made } })
    : mark({ ...about, verdict: 'wrong', code: 'array-wrong', words: { count: covered.size, made, wanted } })
}

/** With a copy of the page's first bin on each cell; coloured in where there is nothing else to cover it with. */
function layCover(key: CoverKey, { state, page }: Laying): SlateState {
  const bin = page.pieces.find(p => p.bin)
  const { array } = key
  if (!kindHas(page, 'grid')) return state
  const cells = array
    ? Array.from(
        { length: array.rows * array.columns },
        (_, i) => `${Math.floor(i / array.columns)},${i % array.columns}`,
      )
    : key.cells
  return cells.reduce(
    (now, cell) =>
      bin
        ? laidAt(now, `${bin.id}~key-${cell.replace(',', '-')}` as PieceId, middleOf(`${key.grid}:${cell}`, page))
        : coloured(now, page, key.grid, cell),
    state,
  )
}

function coloured(state: SlateState, page: Page, place: PlaceId, name: string): SlateState {
  const cell = name.split(',').map(Number) as [number, number]
  const own = { kind: 'colour', page: page.id, place, cell, fill: 'straw', by: HOLDER.author } as const
  return { ...state, own: { ...state.own, [colourId(place, cell)]: own } }
}
