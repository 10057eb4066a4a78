import type { Board } from '../board/board'
import type { MasterId, PageId, PlaceId } from '../board/ids'
import type { Master, Piece } from '../board/piece'
import type { Grid } from '../board/place'
import { MOST_PIECES } from '../board/sizes'
import { middlesOf } from '../placement/freeSpot'
import { requirePage, withPage } from './lookup'
import { addPieces, type Ids } from './pieces'

/** Points: as large as one cell of the grid. */
export const cellSize = ({ shape, rows, columns }: Grid) => ({
  width: shape.width / columns,
  height: shape.height / rows,
})

/**
 * A cover for each cell of a grid, of the size of the cells and over them from the start; each is called by a number
 * behind `name`. As many as the page has room for, cell by cell as they are read; none where the grid isn't there.
 */
export function coverCells(
  board: Board,
  pageId: PageId,
  { grid, name, ids }: { readonly grid: PlaceId; readonly name: string; readonly ids: Ids },
): Board {
  const page = requirePage(board, pageId)
  const place = page.places.find(one => one.id === grid)
  if (place?.kind !== 'grid') return board
  const size = cellSize(place)
  const known = board.masters.find(
    m => m.kind === 'cover' && !m.role && m.width === size.width && m.height === size.height,
  )
  const master: Master = known ?? { id: ids.master() as MasterId, kind: 'cover', textSize: 14, ...size }
  const covers = middlesOf(place)
    .slice(0, MOST_PIECES - page.pieces.length)
    .map((at, i) => ({
      at,
      piece: { kind: 'cover', id: ids.piece(), master: master.id, text: '', alt: `${name} ${i + 1}` } satisfies Piece,
    }))
  const withMaster = known ? board : { ...board, masters: [...board.masters, master] }
  const added = addPieces(
    withMaster,
    pageId,
    covers.map(one => one.piece),
    'as-given',
  )
  return withPage(added, pageId, now => ({
    ...now,
    staged: { ...now.staged, ...Object.fromEntries(covers.map(({ piece, at }) => [piece.id, at])) },
  }))
}
