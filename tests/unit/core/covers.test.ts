import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { PieceId } from '../../../core/board/ids'
import type { Place } from '../../../core/board/place'
import { coverCells } from '../../../core/design/covers'
import { landing, landingAtPoint } from '../../../core/placement/landing'
import { landingIn } from '../../../core/placement/targets'
import { placePieces } from '../../../core/placement/placement'
import { startOf } from '../../../core/slate/state'
import { placeId } from '../../boards'
import { boardOf, box, slateOf } from '../../keyBoards'

const chart: Place = {
  kind: 'grid',
  id: placeId('g'),
  heading: '',
  rows: 10,
  columns: 10,
  shape: box(30, 40, 400, 300),
}
let made = 0
const ids = { piece: () => `cover-${++made}`, master: () => `m-${++made}` } as never
const board = coverCells(boardOf([chart], [], null), boardOf([chart], [], null).pages[0]!.id, {
  grid: chart.id,
  name: 'cover',
  ids,
})
const page = board.pages[0]!
const edition = makeEdition(board)

describe('covers', () => {
  it('are as many and as large as the cells that they hide, and lie over them from the start', () => {
    expect(page.pieces).toHaveLength(100)
    expect(edition.pieces.get(page.pieces[0]!.id)!.master).toMatchObject({ kind: 'cover', width: 40, height: 30 })
    const cells = placePieces(startOf(edition), page, edition).map(({ shares }) => shares[0]!)
    expect(cells.every(share => share.certainty === 'in')).toBe(true)
    expect(new Set(cells.map(({ cell }) => `${cell!.row} ${cell!.column}`)).size).toBe(100)
  })

  it('let go over a grid lie on whole cells, and elsewhere where they are let go', () => {
    const table = { page, edition, state: slateOf(board, {}) }
    const piece = page.pieces[0]!.id
    // Cells begin at (30, 40) and are 40 by 30: the third of the second row.
    expect(landing(table, piece, { x: 138, y: 93 })!.at).toMatchObject({ x: 130, y: 85 })
    expect(landingAtPoint(table, piece, { x: 111, y: 99 }).at).toMatchObject({ x: 130, y: 85 })
    expect(landing(table, piece, { x: 428, y: 338 })!.at).toMatchObject({ x: 410, y: 325 })
    expect(landing(table, piece, { x: 600, y: 200 })!.at).toMatchObject({ x: 600, y: 200 })
  })

  it('larger than a cell lie on as many cells as they are large', () => {
    const large = {
      ...board,
      masters: board.masters.map(m => (m.kind === 'cover' ? { ...m, width: 122, height: 58 } : m)),
    }
    const there = { page, edition: makeEdition(large), state: slateOf(large, {}) }
    // Three cells by two; by keys, too.
    expect(
      landingIn(there, page.pieces[0]!.id as PieceId, { places: [chart.id], cell: { row: 1, column: 2 } })!.at,
    ).toMatchObject({ x: 130, y: 100 })
    expect(landing(there, page.pieces[0]!.id as PieceId, { x: 152, y: 97 })!.at).toMatchObject({ x: 170, y: 100 })
  })
})
