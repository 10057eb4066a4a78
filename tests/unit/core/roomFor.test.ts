import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { boxAround, overlaps } from '../../../core/geometry/outline'
import { roomFor } from '../../../core/placement/roomFor'
import { emptySlate, withPieces } from '../../../core/slate/state'
import { pieceId, placeId } from '../../boards'
import { boardOf, box, card, SIZES } from '../../keyBoards'

const writing = {
  kind: 'writing' as const,
  id: placeId('w'),
  heading: 'Why',
  lines: 'many' as const,
  textSize: 16,
  shape: box(300, 150, 360, 220),
}
const board = boardOf([writing], [card('a'), card('b'), card('c')], null)
const [edition, page] = [makeEdition(board), board.pages[0]!]
const onPage = fc.record({ x: fc.nat(page.width), y: fc.nat(page.height) })
const size = { width: 120, height: 90 }

describe('room for what is laid on a page', () => {
  it('is on no piece and no writing space, and within the page, wherever one works', () => {
    fc.assert(
      fc.property(fc.array(onPage, { minLength: 3, maxLength: 3 }), onPage, (lying, near) => {
        const state = withPieces(
          emptySlate,
          lying.map((at, i) => [pieceId('abc'[i]!), { ...at, z: i }]),
        )
        const at = roomFor({ state, page, edition }, size, near)
        const there = boxAround(at, size)
        for (const other of [writing.shape, ...lying.map(lies => boxAround(lies, SIZES.card))])
          expect(overlaps(other, there)).toBe(false)
        expect(there.x).toBeGreaterThanOrEqual(0)
        expect(there.y).toBeGreaterThanOrEqual(0)
        expect(there.x + there.width).toBeLessThanOrEqual(page.width)
        expect(there.y + there.height).toBeLessThanOrEqual(page.height)
      }),
      { numRuns: 200 },
    )
  })

  it('is just there where nothing is in the way, and on a full page the spot that covers least', () => {
    const table = { state: emptySlate, page, edition }
    expect(roomFor(table, size, { x: 100, y: 400 })).toEqual({ x: 100, y: 400 })
    const full = boardOf([{ ...writing, shape: box(0, 0, page.width, page.height - 60) }], [card('a')], null)
    const at = roomFor({ state: emptySlate, page: full.pages[0]!, edition: makeEdition(full) }, size, { x: 400, y: 90 })
    expect(at.y).toBeGreaterThan(page.height - 60)
  })
})
