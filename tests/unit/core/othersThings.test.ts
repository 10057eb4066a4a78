import { describe, expect, it } from 'vitest'
import { NO_RULES, sparesOthers } from '../../../core/handout/noRules'
import type { PieceId } from '../../../core/board/ids'
import { makeEdition } from '../../../core/board/edition'
import type { Actor, Author } from '../../../core/slate/actor'
import { changedThings } from '../../../core/slate/hands'
import { undoOf } from '../../../core/slate/history'
import { apply, invert, type Move } from '../../../core/slate/move'
import { editMove } from '../../../core/slate/texts'
import { startedAgain } from '../../../core/slate/moves/startAgain'
import { startOf, type SlateState } from '../../../core/slate/state'
import { placeId } from '../../boards'
import { boardOf, box, card } from '../../keyBoards'
import type { Piece } from '../../../core/board/piece'

const notes = boardOf(
  [{ kind: 'zone', id: placeId('z'), heading: 'Here', shape: box(0, 0, 900, 440) }],
  [card('limpet'), card('goby'), { ...card('pile', { text: 'Why?' }), kind: 'note', bin: true } as Piece],
  null,
)
const edition = makeEdition(notes)
const child = (n: number, more: Partial<Actor> = {}): Actor => ({
  author: `student:${n}`,
  part: 'all',
  several: true,
  ...more,
})
let number = 0
function made(state: SlateState, actor: Actor, ...moves: Move[]): SlateState {
  return moves.reduce((before, move) => {
    const result = apply(before, move, { edition, actor, number: ++number })
    if (!result.ok) throw new Error(`${result.reason.code} ${result.reason.item}`)
    return result.value
  }, state)
}
const refusal = (state: SlateState, actor: Actor, move: Move) => {
  const result = apply(state, move, { edition, actor, number: 99 })
  return result.ok ? null : result.reason.code
}
const put = (piece: string, x = 100): Move => ({ kind: 'put', piece: piece as PieceId, x, y: 100 })
const noteBy = (n: number, words: string): Move[] => [
  put(`pile~note${n}`, 100 * n),
  editMove({ of: 'text', name: `pile~note${n}` }, { put: { run: `run-${n}`, from: 0, after: null, text: words } }),
]
const startAgain = (author: Author): Move => ({ kind: 'start-again', by: author, mine: true })

describe('on a slate of several', () => {
  const board = [1, 2, 3].reduce(
    (state, n) => made(state, child(n), ...noteBy(n, `from ${n}`)),
    made(startOf(edition), child(1), put('limpet'), put('goby', 300)),
  )

  it('starting again takes back what nobody else has touched, in one move that undo takes back', () => {
    const moved = made(board, child(2), put('limpet', 500))
    const again = made(moved, child(2), startAgain('student:2'))
    expect(Object.keys(again.pieces).toSorted()).toEqual(['goby', 'limpet', 'pile~note1', 'pile~note3'])
    expect(again.texts).toEqual({ 'pile~note1': 'from 1', 'pile~note3': 'from 3' })
    // It is said before what it takes back: the note and the words on it.
    expect(changedThings(moved, startedAgain(moved, { by: 'student:2', mine: true }, edition)).toSorted()).toEqual([
      'piece:pile~note2',
      'text:pile~note2',
    ])
    const inverse = invert(moved, startAgain('student:2'), edition)!
    const back = undoOf({ id: 'x', inverse, number }, 'student:2', again)!
    expect(made(again, child(2), back).texts['pile~note2']).toBe('from 2')
  })

  it('the first to come has what nobody else has touched as well, and no more', () => {
    const again = made(board, child(1), startAgain('student:1'))
    expect(Object.keys(again.pieces).toSorted()).toEqual(['pile~note2', 'pile~note3'])
  })

  it('a note on which somebody else has written stays, words and all', () => {
    const both = made(
      board,
      child(1),
      editMove({ of: 'text', name: 'pile~note2' }, { put: { run: 'run-9', from: 0, after: null, text: 'and 1, ' } }),
    )
    const again = made(both, child(2), startAgain('student:2'))
    expect(again.texts['pile~note2']).toBe('and 1, from 2')
    expect(again.pieces['pile~note2' as PieceId]).toBeDefined()
  })

  it('nobody starts all of it again, whatever their device says; a teacher does', () => {
    expect(refusal(board, child(2), { kind: 'start-again' })).toBe('not-your-part')
    expect(refusal(board, child(2), { kind: 'start-again', by: 'student:2' })).toBe('not-your-part')
    expect(refusal(board, child(2), startAgain('student:1'))).toBe('not-your-part')
    const teacher: Actor = { author: 'teacher:0', part: 'all' }
    expect(made(board, teacher, { kind: 'start-again' }).pieces).toEqual({})
  })

  it('a teacher clears all of it, own things of everybody included, and takes that back; a student never', () => {
    const teacher: Actor = { author: 'teacher:0', part: 'all' }
    const drawn = {
      ...board,
      own: Object.fromEntries(
        [1, 2].map(n => [
          `own-thing-${n}`,
          { kind: 'sign', page: notes.pages[0]!.id, x: 9 * n, y: 9, sign: 'star', ink: 'graphite', by: `student:${n}` },
        ]),
      ),
    } as unknown as SlateState
    const clear: Move = { kind: 'start-again', everybody: true }
    const cleared = made(drawn, teacher, clear)
    expect([cleared.pieces, cleared.texts]).toEqual([{}, {}])
    expect(Object.values(cleared.own).map(own => own.gone)).toEqual([true, true])
    const inverse = invert(drawn, clear, edition)!
    const back = made(cleared, teacher, undoOf({ id: 'x', inverse, number }, 'teacher:0', cleared)!)
    expect(Object.values(back.own).map(own => own.gone)).toEqual([undefined, undefined])
    expect(back.texts).toEqual(drawn.texts)
    for (const move of [clear, { ...clear, by: 'student:2', mine: true } as Move])
      expect([refusal(drawn, child(2), move), refusal(board, child(2), move)]).not.toContain(null)
  })
})

describe('what others wrote', () => {
  const [one, two] = [child(1, { sparing: true }), child(2, { sparing: true })]
  const board = made(startOf(edition), one, ...noteBy(1, 'mine'), put('limpet'))

  it('is theirs to change, to move and to take away, where it is spared', () => {
    const edit = editMove({ of: 'text', name: 'pile~note1' }, { cut: [['run-1', 0, 4]] })
    for (const move of [edit, put('pile~note1', 400), { kind: 'shelve', piece: 'pile~note1' as PieceId } as Move])
      expect([refusal(board, two, move), refusal(board, one, move), refusal(board, child(2), move)]).toEqual([
        'not-allowed',
        null,
        null,
      ])
    // Cards of the board are everybody's, and a note on which nothing stands.
    expect(refusal(board, two, put('limpet', 400))).toBeNull()
    expect(refusal(made(board, one, put('pile~bare', 50)), two, put('pile~bare', 70))).toBeNull()
  })

  it('is spared on a class board and not in a frame, unless the teacher says otherwise', () => {
    expect(sparesOthers(NO_RULES.changeOthers, 'class')).toBe(true)
    expect(sparesOthers(NO_RULES.changeOthers, 'frame')).toBe(false)
    expect(sparesOthers('nobody', 'frame')).toBe(true)
    expect(sparesOthers('everybody', 'class')).toBe(false)
    expect(sparesOthers('nobody', 'copy')).toBe(false)
  })
})

describe('parts', () => {
  const parted = makeEdition({
    ...notes,
    pages: notes.pages.map(page => ({
      ...page,
      places: [1, 2].map(part => ({
        kind: 'zone' as const,
        id: placeId(`p${part}`),
        heading: `Part ${part}`,
        shape: box(450 * (part - 1), 0, 440, 440),
        part,
      })),
    })),
  })
  const refused = (actor: Actor, x: number) => {
    const result = apply(startOf(parted), put('limpet', x), { edition: parted, actor })
    return result.ok ? null : result.reason.code
  }
  it('that are nobody’s are free to all on the slate; somebody’s are theirs, and not of those who have none', () => {
    expect(refused(child(1, { part: 1, held: [1] }), 600)).toBeNull()
    expect(refused(child(1, { part: 1, held: [1, 2] }), 600)).toBe('not-your-part')
    expect(refused(child(3, { part: 'none', held: [1, 2] }), 100)).toBe('not-your-part')
    expect(refused(child(3, { part: 'none', held: [1] }), 600)).toBeNull()
  })
})
