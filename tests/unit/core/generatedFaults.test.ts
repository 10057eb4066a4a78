import { describe, expect, it } from 'vitest'
import { readBoard, type Board } from '../../../core/board/board'
import { seeded } from '../../../core/layout/random'
import { foundOn } from '../../../core/preflight/preflight'
import { FAULTS_OF_ANY, KINDS } from '../../generatedBoards'
import { accused } from '../../planting'

const EACH = 8
/** Boards of every kind, by a fixed seed. */
const boards = Object.entries(KINDS).flatMap(([kind, make], k) =>
  Array.from({ length: EACH }, (_, i) => ({ name: `${kind} ${i}`, board: make(seeded(100 * k + i)) })),
)
function read(board: Board): Board {
  const result = readBoard(JSON.parse(JSON.stringify(board)))
  if (!result.ok) throw new Error(JSON.stringify(result.reason))
  return result.value
}

/** Whether something is said of a board, advice included, that isn't said of it without the fault. */
function newly(sound: Board, faulty: Board): boolean {
  const before = new Set(foundOn(sound).map(found => found.rule))
  return foundOn(faulty).some(found => !before.has(found.rule))
}

describe('boards made by chance', () => {
  it('that are sound are accused at most once in forty', () => {
    const wrongly = boards.filter(({ board }) => accused(read(board)).length > 0)
    expect(boards.length).toBeGreaterThanOrEqual(40)
    const names = wrongly.map(({ name, board }) => `${name}: ${accused(board).join(' ')}`)
    expect(names.length, names.join('\n')).toBeLessThanOrEqual(boards.length / 40)
  })

  it('with one planted fault are found 95 times in a hundred, and no kind of fault is never found', () => {
    const planted = boards.flatMap(({ name, board }, nth) =>
      Object.entries(FAULTS_OF_ANY).flatMap(([fault, plant]) => {
        const with_ = plant(board, nth)
        return with_ ? [{ what: `${fault} in ${name}`, fault, found: newly(read(board), read(with_)) }] : []
      }),
    )
    const missed = planted.filter(({ found }) => !found).map(({ what }) => what)
    expect(planted.length).toBeGreaterThan(200)
    expect(missed.length / planted.length, missed.join('\n')).toBeLessThanOrEqual(0.05)
    for (const fault of Object.keys(FAULTS_OF_ANY))
      expect(
        planted.some(one => one.fault === fault && one.found),
        fault,
      ).toBe(true)
  })
})
