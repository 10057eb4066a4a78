import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { feedbackOn, type Feedback } from '../../../core/keys/feedback'
import { KEY_KINDS, referencesOf, type Key, type KeyKind, type KeyOf } from '../../../core/keys/key'
import { markSlate } from '../../../core/keys/mark'
import type { SlateState } from '../../../core/slate/state'
import { examples } from '../../../demo/examples'
import { anyWork } from '../../anyWork'

/** Other answers to the same questions: what is asked about stays, what counts as right is any. */
type Others = { readonly [Kind in KeyKind]: (key: KeyOf<Kind>, board: Board) => fc.Arbitrary<KeyOf<Kind>> }
const others: Others = {
  sort: (key, board) => eachIn(key.homes, placesOf(board, 'zone')).map(homes => ({ ...key, homes })),
  label: (key, board) => eachIn(key.pins, placesOf(board, 'pin')).map(pins => ({ ...key, pins })),
  slots: key => eachIn(key.fits, referencesOf(key).pieces).map(fits => ({ ...key, fits })),
  order: key =>
    fc
      .shuffledSubarray([...new Set(key.before.flat())], { minLength: new Set(key.before.flat()).size })
      .map(row => ({ ...key, before: row.slice(1).map((id, i): [typeof id, typeof id] => [row[i]!, id]) })),
  match: key => {
    const rest = key.sets.flatMap(set => set.slice(1))
    return fc.shuffledSubarray(rest, { minLength: rest.length }).map(row => {
      let from = 0
      return { ...key, sets: key.sets.map(set => [set[0]!, ...row.slice(from, (from += set.length - 1))]) }
    })
  },
  total: key => fc.constantFrom('0', '1', '342', '25 cm', '1 kg', '3.5').map(target => ({ ...key, target })),
  balance: key =>
    fc.record({ unknown: fc.constantFrom('0', '3', '7/2'), solve: fc.boolean() }).map(more => ({ ...key, ...more })),
  expression: key =>
    fc
      .record({
        target: fc.constantFrom('x', 'x^2 + 6x + 9', '2x + 1', '4'),
        as: fc.constantFrom(undefined, 'rectangle' as const, 'square' as const),
      })
      .map(({ target, as }) => ({ ...key, target, ...(as ? { as } : {}) })),
  scale: key =>
    fc
      .record({ value: fc.constantFrom('0', '1/2', '3', '10'), tolerance: fc.constantFrom('0', '1/4', '2') })
      .map(({ value, tolerance }) => ({
        ...key,
        tolerance,
        values: Object.fromEntries(Object.keys(key.values).map(id => [id, value])) as typeof key.values,
      })),
  cover: key =>
    fc
      .uniqueArray(
        fc.tuple(fc.nat(9), fc.nat(9)).map(cell => cell.join()),
        { minLength: 1, maxLength: 9 },
      )
      .map(cells => ({ ...key, cells })),
  arrows: key => {
    const piece = fc.constantFrom(...referencesOf(key).pieces)
    return fc.array(fc.tuple(piece, piece), { minLength: 1, maxLength: 5 }).map(arrows => ({ ...key, arrows }))
  },
  write: key =>
    fc
      .constantFrom('limpet', '25 cm', '1/2', 'sea star')
      .map(accepted => ({
        ...key,
        answers: Object.fromEntries(Object.keys(key.answers).map(space => [space, { accepts: [accepted] }])),
      })),
  ink(key) {
    const { task } = key
    switch (task.what) {
      case 'symmetry':
        return fc.constantFrom('one' as const, 'all' as const).map(find => ({ ...key, task: { ...task, find } }))
      case 'circle':
        return fc.subarray(task.figures, { minLength: 1 }).map(answers => ({ ...key, task: { ...task, answers } }))
      case 'join': {
        const figure = fc.constantFrom(...task.pairs.flat())
        return fc
          .array(fc.tuple(figure, figure), { minLength: 1, maxLength: 4 })
          .map(pairs => ({ ...key, task: { ...task, pairs } }))
      }
    }
  },
  // Nothing is asked for that could be right or wrong.
  vote: fc.constant,
  spectrum: fc.constant,
}

const placesOf = (board: Board, kind: string) => board.pages[0]!.places.filter(p => p.kind === kind).map(p => p.id)
function eachIn<Name extends string, T>(
  lists: Readonly<Record<Name, T[]>>,
  from: readonly T[],
): fc.Arbitrary<Record<Name, T[]>> {
  const some = fc.subarray([...new Set(from)])
  return fc.record(Object.fromEntries(Object.keys(lists).map(name => [name, some]))) as unknown as fc.Arbitrary<
    Record<Name, T[]>
  >
}
const otherThan = (key: Key, board: Board) =>
  (others[key.kind] as (key: Key, board: Board) => fc.Arbitrary<Key>)(key, board)

const heard = (state: SlateState, board: Board) => feedbackOn(markSlate(state, makeEdition(board)))
const question = ({ is, item, verdict }: Feedback) => `${is} ${item} ${verdict}`

describe('what a student is told', () => {
  const boards = examples().filter(({ example: { board } }) => board.keys.length > 0)

  it('has an example of every kind of key', () => {
    expect(new Set(boards.flatMap(({ example }) => example.board.keys.map(key => key.kind)))).toEqual(
      new Set(KEY_KINDS),
    )
  })

  it.each(boards)(
    'on $file is the same, byte for byte, whatever is right, as long as the verdict is',
    ({ example: { board } }) => {
      const keys = fc.tuple(...board.keys.map(key => otherThan(key, board)))
      fc.assert(
        fc.property(anyWork(board), keys, (state, other) => {
          const told = new Map(heard(state, board).map(item => [question(item), JSON.stringify(item)]))
          for (const item of heard(state, { ...board, keys: other })) {
            expect([JSON.stringify(item), undefined]).toContain(told.get(question(item)))
          }
        }),
        { numRuns: 200 },
      )
    },
  )
})
