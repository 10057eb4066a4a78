import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { PieceId } from '../../../core/board/ids'
import type { Lane } from '../../../core/board/place'
import { laneOrder } from '../../../core/placement/contents'
import { landingAtPoint } from '../../../core/placement/landing'
import { placePieces } from '../../../core/placement/placement'
import type { Landing, Table } from '../../../core/placement/table'
import { landingIn, nextTarget, targetAt, targetsOf, type Target } from '../../../core/placement/targets'
import { layMove } from '../../../core/slate/acts'
import { HOLDER } from '../../../core/slate/actor'
import { apply, invert } from '../../../core/slate/move'
import { emptySlate, withPieces, type SlateState } from '../../../core/slate/state'
import { pieceId, placeId } from '../../boards'
import { boardOf, box, card } from '../../keyBoards'

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']
const lane = (direction: Lane['direction'], shape: Lane['shape'], fromRight = false): Lane => ({
  kind: 'lane',
  id: placeId('lane'),
  heading: 'Order',
  shape,
  direction,
  ...(fromRight && { fromRight }),
})
const boards = [
  lane('row', box(40, 60, 700, 80)),
  lane('row', box(40, 60, 380, 180)),
  lane('row', box(40, 60, 700, 70), true),
  lane('column', box(40, 20, 120, 480)),
  lane('column', box(40, 20, 260, 260)),
  // Full before all of them lie in it.
  lane('row', box(40, 60, 220, 70)),
].map(place => {
  const board = boardOf(
    [place],
    NAMES.map(name => card(name)),
    null,
  )
  return { place, page: board.pages[0]!, edition: makeEdition(board) }
})
type Laid = (typeof boards)[number]
const tableOf = ({ page, edition }: Laid, state: SlateState): Table => ({ state, page, edition })
const order = ({ place, page, edition }: Laid, state: SlateState) =>
  laneOrder(place, placePieces(state, page, edition), id => edition.pieces.get(id)!.master)
function laid({ edition }: Laid, state: SlateState, piece: PieceId, landing: Landing): SlateState {
  const move = layMove(state, piece, landing)
  const result = apply(state, move, { edition, actor: HOLDER })
  if (!result.ok) throw new Error(JSON.stringify(result.reason))
  const back = apply(result.value, invert(state, move, edition)!, { edition, actor: HOLDER })
  expect(back.ok && back.value.pieces).toEqual(state.pieces)
  return result.value
}
const nth = (n: number): Target => ({ places: [placeId('lane')], nth: n })

describe('in a lane a card is given before, between and after the others', () => {
  it('and stands just there, however many there are, in rows and columns, from either side, and in a full lane', () => {
    const gifts = fc.array(fc.record({ name: fc.constantFrom(...NAMES), share: fc.double({ min: 0, max: 1 }) }), {
      minLength: 1,
      maxLength: 14,
    })
    fc.assert(
      fc.property(fc.constantFrom(...boards), gifts, (board, all) => {
        let state: SlateState = emptySlate
        let expected: string[] = []
        for (const { name, share } of all.filter(one => !Number.isNaN(one.share))) {
          const others = expected.filter(one => one !== name)
          const at = Math.min(others.length, Math.floor(share * (others.length + 1)))
          const piece = pieceId(name)
          const targets = targetsOf(tableOf(board, state), piece).filter(target => target.nth !== undefined)
          expect(targets.map(target => target.nth)).toEqual([...others, name].map((_, i) => i))
          state = laid(board, state, piece, landingIn(tableOf(board, state), piece, nth(at))!)
          expected = others.toSpliced(at, 0, name)
          expect(order(board, state)).toEqual(expected)
          expect(targetAt(tableOf(board, state), piece)).toEqual(nth(at))
        }
      }),
      { numRuns: 400 },
    )
  })

  const row = boards[0]!
  const three = withPieces(
    emptySlate,
    ['a', 'b', 'c'].map((name, i) => [pieceId(name), { x: 100 + i * 90, y: 100, z: i }]),
  )

  it('by keys from where it is, one place further with each arrow; from the right where the lane begins there', () => {
    const [right, left, down] = [
      { x: 1, y: 0 },
      { x: -1, y: 0 },
      { x: 0, y: 1 },
    ]
    const from = targetAt(tableOf(row, three), pieceId('b'))
    expect(nextTarget(tableOf(row, three), pieceId('b'), from, right)).toEqual(nth(2))
    expect(nextTarget(tableOf(row, three), pieceId('b'), from, left)).toEqual(nth(0))
    expect(nextTarget(tableOf(row, three), pieceId('b'), from, down)).toEqual({ places: [], outside: true })
    expect(nextTarget(tableOf(boards[2]!, three), pieceId('d'), nth(1), left)).toEqual(nth(2))
  })

  it('by a tap on the first or second half of another; where there is room it lies where it was tapped', () => {
    const tapped = (x: number) =>
      order(row, laid(row, three, pieceId('d'), landingAtPoint(tableOf(row, three), pieceId('d'), { x, y: 100 }))).join(
        '',
      )
    expect([85, 175, 205, 300].map(tapped)).toEqual(['dabc', 'adbc', 'abdc', 'abcd'])
    const free = landingAtPoint(tableOf(row, three), pieceId('d'), { x: 600, y: 95 })
    expect(free.at.x).toBe(600)
    expect(free.others).toBeUndefined()
  })
})
