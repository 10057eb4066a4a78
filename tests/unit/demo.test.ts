import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../core/board/edition'
import { countsOf } from '../../core/findings/counts'
import { markSlate } from '../../core/keys/mark'
import { HOLDER } from '../../core/slate/actor'
import { apply } from '../../core/slate/move'
import { startOf } from '../../core/slate/state'
import { examples } from '../../demo/examples'
import { movesTo, slateOf, type Fate } from '../../demo/fourSlates'

const COUNTED = new Set(['vote', 'spectrum'])

describe('the demo shows each kind of key', () => {
  it.each(examples().filter(({ example }) => !COUNTED.has(example.board.keys[0]!.kind)))(
    'on $file with slates that are right, wrong, in doubt and empty',
    ({ example: { board, work } }) => {
      const edition = makeEdition(board)
      const marked = (fate: Fate) => markSlate(slateOf(fate, edition, work), edition)[0]!
      const of = marked('right').of
      expect(marked('right')).toMatchObject({ points: of, undecided: 0 })
      expect(marked('wrong').points).toBeLessThan(of)
      // Whether an arrow is there is never in doubt.
      if (board.keys[0]!.kind !== 'arrows') expect(marked('unsure').undecided).toBeGreaterThan(0)
      expect(marked('empty').items.filter(i => i.verdict === 'right')).toEqual([])
    },
  )

  it.each(examples().filter(({ example }) => COUNTED.has(example.board.keys[0]!.kind)))(
    'on $file with something to count',
    ({ example: { board, work } }) => {
      const edition = makeEdition(board)
      const states = (['right', 'wrong', 'unsure'] as const).map(fate => slateOf(fate, edition, work))
      expect(states.every(state => Object.keys(state.pieces).length > 0)).toBe(true)
      expect(JSON.stringify(countsOf(states, edition))).toMatch(/"count":[1-9]/)
    },
  )

  it.each(examples())('on $file by moves that a student could have made', ({ example: { board, work } }) => {
    const edition = makeEdition(board)
    for (const fate of ['right', 'wrong', 'unsure'] as const) {
      const target = slateOf(fate, edition, work)
      const state = movesTo(target, edition).reduce((now, { move }) => {
        const result = apply(now, move, { edition, actor: HOLDER })
        if (!result.ok) throw new Error(result.reason.code)
        return result.value
      }, startOf(edition))
      expect(markSlate(state, edition)).toEqual(markSlate(target, edition))
    }
  })
})
