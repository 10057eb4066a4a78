import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { HOLDER } from '../../../core/slate/actor'
import { carry } from '../../../core/slate/carry'
import { apply, type Move } from '../../../core/slate/move'
import { replayOf, type MadeMove } from '../../../core/slate/replay'
import { startOf, type SlateState } from '../../../core/slate/state'
import { addCards } from '../../../core/design/pieces'
import { counting, masterId, pageId, pieceId, shore } from '../../boards'

const EDITION = makeEdition(shore())
const BY = HOLDER.author
const made = (moves: readonly Move[], from = 0): MadeMove[] =>
  moves.map((move, i) => ({ number: from + i + 1, move, by: BY, at: 1000 * (from + i) }))
const put = (piece: number, x: number): Move => ({ kind: 'put', piece: pieceId(`c${piece}`), x, y: 100 })
const after = (moves: readonly MadeMove[], start: SlateState, edition = EDITION) =>
  moves.reduce((state, { move, number }) => {
    const done = apply(state, move, { edition, actor: HOLDER, number })
    return done.ok ? done.value : state
  }, start)

describe('how a slate came about', () => {
  it('from any of its moves it is as making them one after the other makes it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 1, max: 700 })), { maxLength: 180 }),
        fc.array(fc.integer({ min: -3, max: 200 }), { minLength: 1, maxLength: 12 }),
        (puts, looks) => {
          const moves = made(puts.map(([piece, x]) => put(piece, x)))
          const replay = replayOf([{ edition: EDITION, moves }])
          // Looked at in any order, back and forth.
          for (const count of looks)
            expect(replay.after(count).state).toEqual(after(moves.slice(0, Math.max(0, count)), startOf(EDITION)))
        },
      ),
      { numRuns: 60 },
    )
  })

  it('where another edition was laid under it, what was made before is carried, and looked at over its own', () => {
    const next = counting('new')
    const corrected = makeEdition(
      addCards(shore(), pageId('page'), ['whelk'], { piece: () => pieceId(next()), master: () => masterId('m') }),
    )
    const [first, second] = [made([put(0, 100), put(1, 200)]), made([put(2, 300)], 2)]
    const replay = replayOf([
      { edition: EDITION, moves: first },
      { edition: corrected, moves: second },
    ])
    expect(replay.after(2)).toEqual({ edition: EDITION, state: after(first, startOf(EDITION)) })
    const carried = carry(after(first, startOf(EDITION)), EDITION, corrected).state
    expect(replay.after(3)).toEqual({ edition: corrected, state: after(second, carried, corrected) })
  })

  it('a new edition without a move on it is what it is now', () => {
    const corrected = makeEdition({ ...shore(), instructions: 'Again.' })
    const replay = replayOf([
      { edition: EDITION, moves: made([put(0, 100)]) },
      { edition: corrected, moves: [] },
    ])
    expect(replay.after(1).edition).toBe(corrected)
    expect(replay.after(0).edition).toBe(EDITION)
  })

  it('of a slate without moves there is only how it was given out; what the board doesn’t have is passed over', () => {
    expect(replayOf([{ edition: EDITION, moves: [] }]).after(0).state).toEqual(startOf(EDITION))
    const broken = made([put(0, 100), { kind: 'put', piece: pieceId('gone'), x: 1, y: 1 }, put(1, 50)])
    const replay = replayOf([{ edition: EDITION, moves: broken }])
    expect(Object.keys(replay.after(3).state.pieces)).toEqual(['c0', 'c1'])
    expect(() => replayOf([])).toThrow()
  })
})
