import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { handsOf, momentsOf } from '../../../core/review/moments'
import type { Author } from '../../../core/slate/actor'
import type { Move } from '../../../core/slate/move'
import { replayOf, type MadeMove } from '../../../core/slate/replay'
import { middleOf, pieceId, shore } from '../../boards'

const board = shore()
const edition = makeEdition(board)
const put = (piece: string, place: string): Move => ({ kind: 'put', piece: pieceId(piece), ...middleOf(board, place) })
const away = (piece: string): Move => ({ kind: 'put', piece: pieceId(piece), x: 2, y: 2 })
const made = (moves: readonly (readonly [Move, number])[], by: Author = 'student:1'): MadeMove[] =>
  moves.map(([move, seconds], i) => ({ number: i + 1, move, by, at: seconds * 1000 }))
const moments = (moves: readonly MadeMove[]) => momentsOf(replayOf([{ edition, moves }]))

describe('moments of a slate', () => {
  it('are where a piece first lay where it lies in the end, and only that', () => {
    const found = moments(
      made([
        [put('c0', 'z1'), 1],
        [put('c1', 'z0'), 2],
        [put('c0', 'z0'), 3],
        [put('c0', 'z2'), 4],
        [put('c0', 'z0'), 5],
        [away('c2'), 6],
      ]),
    )
    expect(found).toEqual([
      { kind: 'home', piece: 'c1', count: 2 },
      { kind: 'home', piece: 'c0', count: 3 },
    ])
  })

  it('are pauses that are long beside the others, and hints', () => {
    const moves = made([
      [put('c0', 'z0'), 0],
      [put('c1', 'z0'), 3],
      [{ kind: 'hint', of: board.pages[0]!.id, number: 1 } as Move, 6],
      [put('c2', 'z0'), 66],
      [put('c3', 'z0'), 70],
    ])
    const found = moments(moves).filter(moment => moment.kind !== 'home')
    expect(found).toEqual([
      { kind: 'hint', count: 3 },
      { kind: 'pause', count: 3, milliseconds: 60_000 },
    ])
    // Of somebody who always takes a minute no pause is long.
    const slow = moves.map((move, i) => ({ ...move, at: i * 60_000 }))
    expect(moments(slow).some(moment => moment.kind === 'pause')).toBe(false)
  })

  it('of nothing are none', () => {
    expect(moments([])).toEqual([])
    expect(moments(made([[put('c0', 'z0'), 1]]))).toEqual([{ kind: 'home', piece: 'c0', count: 1 }])
  })

  it('hands are counted, the busiest first', () => {
    const moves = [
      ...made([[put('c0', 'z0'), 1]], 'student:2'),
      ...made(
        [
          [put('c1', 'z0'), 2],
          [put('c2', 'z0'), 3],
        ],
        'student:1',
      ),
    ]
    expect(handsOf(moves)).toEqual([
      { by: 'student:1', moves: 2 },
      { by: 'student:2', moves: 1 },
    ])
    expect(handsOf([])).toEqual([])
  })
})
