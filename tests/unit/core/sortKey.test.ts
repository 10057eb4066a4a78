import { describe, expect, it } from 'vitest'
import { makeEdition, withoutAnswers } from '../../../core/board/edition'
import type { SortKey } from '../../../core/keys/sort/key'
import { keysByDoing } from '../../../core/keys/keep'
import { markSlate, withDecisions } from '../../../core/keys/mark'
import type { Verdict } from '../../../core/keys/outcome'
import { keepKey } from '../../../core/design/answers'
import { emptySlate, withPieces, type SlateState } from '../../../core/slate/state'
import { keyId, middleOf, pageId, pieceId, placeId, shore } from '../../boards'

const board = keepKey(shore(), {
  kind: 'sort',
  id: keyId('k'),
  page: pageId('page'),
  homes: {
    [pieceId('c0')]: [placeId('z0')],
    [pieceId('c1')]: [placeId('z0'), placeId('z1')],
    [pieceId('c2')]: [placeId('z1')],
    [pieceId('c3')]: [],
  },
})
const edition = makeEdition(board)
const lay = (...where: [string, string | { x: number; y: number }][]): SlateState =>
  withPieces(
    emptySlate,
    where.map(([piece, at], z) => [pieceId(piece), { ...(typeof at === 'string' ? middleOf(board, at) : at), z }]),
  )
const verdicts = (state: SlateState) =>
  Object.fromEntries(markSlate(state, edition)[0]!.items.map(i => [i.item, i.verdict])) as Record<string, Verdict>

const zone0 = board.pages[0]!.places[0]!.shape as { x: number; width: number }
const onLeftEdge = { x: zone0.x, y: 200 }

describe('the sort key', () => {
  it('says right, wrong, on the line and not placed, with the reason', () => {
    const mark = markSlate(lay(['c0', 'z0'], ['c2', 'z2']), edition)[0]!
    expect(mark).toMatchObject({ points: 2, of: 4, undecided: 0 })
    expect(mark.items[0]).toMatchObject({
      verdict: 'right',
      reason: { code: 'at-home', words: { place: { anyPlace: ['z0'] }, percent: 100 } },
    })
    expect(mark.items[1]).toMatchObject({ verdict: 'not-placed', reason: { code: 'on-ledge' } })
    expect(mark.items[2]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'in-wrong-place', words: { place: { anyPlace: ['z2'] }, home: { anyPlace: ['z1'] } } },
    })
    expect(mark.items[3]).toMatchObject({ verdict: 'right', reason: { code: 'belongs-nowhere' } })
  })

  it('leaves a card on the edge of its home to the teacher, and calls it wrong on the edge of another', () => {
    expect(verdicts(lay(['c0', onLeftEdge]))).toMatchObject({ c0: 'on-the-line' })
    expect(verdicts(lay(['c2', onLeftEdge]))).toMatchObject({ c2: 'wrong' })
    expect(verdicts(lay(['c3', onLeftEdge]))).toMatchObject({ c3: 'on-the-line' })
  })

  it('takes any of several right homes', () => {
    expect(verdicts(lay(['c1', 'z0'])).c1).toBe('right')
    expect(verdicts(lay(['c1', 'z1'])).c1).toBe('right')
    expect(verdicts(lay(['c1', 'z2'])).c1).toBe('wrong')
  })

  it('gives nothing for an untouched slate, not even for the piece that belongs nowhere', () => {
    expect(markSlate(emptySlate, edition)[0]).toMatchObject({ points: 0, of: 4 })
  })

  it('does not count pieces of which the key says nothing, nor anything without a key', () => {
    expect(verdicts(lay(['c4', 'z0']))).not.toHaveProperty('c4')
    expect(markSlate(lay(['c0', 'z0']), makeEdition(shore()))).toEqual([])
  })

  it("stands below the teacher's word", () => {
    const marks = markSlate(lay(['c0', onLeftEdge], ['c2', 'z1']), edition)
    const decided = withDecisions(marks, { 'k/c0': 'right', 'k/c2': 'wrong' })[0]!
    expect(marks[0]).toMatchObject({ points: 2, undecided: 1 })
    expect(decided).toMatchObject({ points: 2, undecided: 0 })
    expect(decided.items[2]!.verdict).toBe('wrong')
  })

  it("is kept by doing the task: marked by what was kept, the teacher's own slate is all right", () => {
    const state = lay(['c0', 'z0'], ['c1', 'z1'], ['c2', 'z2'], ['c3', 'z2'])
    const { keys, unsure } = keysByDoing({
      kind: 'sort',
      page: edition.board.pages[0]!,
      state,
      edition,
      newId: () => keyId('new'),
    })
    const key = keys[0] as SortKey
    expect(unsure).toEqual([])
    expect(key.homes).toMatchObject({ c0: ['z0'], c4: [], c5: [] })
    expect(markSlate(state, makeEdition(keepKey(board, key)))[0]).toMatchObject({ points: 6, of: 6 })
  })

  it('is not kept for a card that nobody could be sure of', () => {
    const { keys, unsure } = keysByDoing({
      kind: 'sort',
      page: edition.board.pages[0]!,
      state: lay(['c0', onLeftEdge]),
      edition,
      newId: () => keyId('new'),
    })
    const key = keys[0] as SortKey
    expect(unsure).toEqual(['c0'])
    expect(key.homes).not.toHaveProperty('c0')
  })

  it('never reaches a student, not even by the order of the pieces', () => {
    const given = withoutAnswers(board)
    expect(given.keys).toEqual([])
    expect(given.pages[0]!.pieces.map(p => p.id)).toEqual(board.pages[0]!.ledge)
    expect(given.pages[0]!.pieces.map(p => p.id)).not.toEqual(board.pages[0]!.pieces.map(p => p.id))
  })
})
