import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOLDER } from '../../../core/slate/actor'
import { apply, invert, type Move } from '../../../core/slate/move'
import { PieceRing, ringOf } from '../../../core/slate/pieceRing'
import { startOf, top, withPieces, type SlateState } from '../../../core/slate/state'
import { emptyReplica, takeUp } from '../../../core/sync/replica'
import { anyMove, edition } from '../../anyMove'
import { pieceId } from '../../boards'

const at = (x: number, z: number) => ({ x, y: 0, z })
const [a, b] = [pieceId('a'), pieceId('b')]

/** The moves made one by one, each on a copy of its own. */
function oneByOne(moves: readonly Move[]): { state: SlateState; inverses: (Move | null)[] } {
  let state = startOf(edition)
  const inverses: (Move | null)[] = []
  for (const move of moves) {
    const result = apply(state, move, { edition, actor: HOLDER })
    if (!result.ok) continue
    inverses.push(invert(state, move, edition))
    state = result.value
  }
  return { state, inverses }
}

describe('pieces while many moves are made in a row', () => {
  it('lie as after each move by itself, and in the same order, whatever the moves', () => {
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 60 }), moves => {
        const start = startOf(edition)
        const before = JSON.stringify(start)
        const { replica, steps } = takeUp(
          { ...emptyReplica, confirmed: start, shown: start },
          moves.map((move, i) => ({ id: `move-${i}`, move })),
          { edition, actor: HOLDER },
        )
        const expected = oneByOne(moves)
        expect(JSON.stringify(replica.shown)).toBe(JSON.stringify(expected.state))
        expect(steps.map(step => step.inverse)).toEqual(expected.inverses)
        expect(JSON.stringify(start)).toBe(before)
      }),
      { numRuns: 400 },
    )
  })

  it('leave the state before a move as it was until the next is begun', () => {
    const ring = new PieceRing({ [a]: at(1, 1) })
    const state = { ...startOf(edition), pieces: ring.pieces }
    ring.begin()
    const once = withPieces(state, [[a, at(2, 1)]])
    const twice = withPieces(once, [[b, at(3, 2)]])
    expect([state.pieces, once.pieces, twice.pieces]).toEqual([
      { a: at(1, 1) },
      { a: at(2, 1) },
      { a: at(2, 1), b: at(3, 2) },
    ])
    expect(ringOf(twice.pieces)).toBe(ring)
  })

  it('are copied again each by itself after a step that was not made on the newest, and after too many steps', () => {
    const ring = new PieceRing({ [a]: at(1, 1) })
    const state = { ...startOf(edition), pieces: ring.pieces }
    const refused = withPieces(state, [[a, at(2, 1)]])
    const other = withPieces(state, [[b, at(3, 2)]])
    expect([state.pieces, refused.pieces, other.pieces]).toEqual([
      { a: at(1, 1) },
      { a: at(2, 1) },
      { a: at(1, 1), b: at(3, 2) },
    ])
    expect([state, refused, other].map(one => ringOf(one.pieces))).toEqual([undefined, undefined, undefined])

    let many = { ...startOf(edition), pieces: new PieceRing({}).pieces }
    const seen: SlateState[] = [many]
    for (let i = 1; i <= 6; i++) {
      many = withPieces(many, [[a, at(i, 1)]])
      seen.push(many)
    }
    expect(seen.map(one => one.pieces[a]?.x)).toEqual([undefined, 1, 2, 3, 4, 5, 6])
  })

  it('know the highest, also after it was taken away or laid lower', () => {
    const ring = new PieceRing({})
    let state: SlateState = { ...startOf(edition), pieces: ring.pieces }
    const heights: number[] = []
    for (const changes of [
      [[a, at(0, 4)]],
      [[b, at(0, 7)]],
      [[b, at(0, 5)]],
      [[b, null]],
      [
        [a, null],
        [b, at(0, 2)],
      ],
    ] as const) {
      ring.begin()
      state = withPieces(state, changes)
      heights.push(top(state))
    }
    expect(heights).toEqual([4, 7, 5, 4, 2])
  })
})
