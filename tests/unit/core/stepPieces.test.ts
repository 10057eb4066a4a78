import { describe, expect, it } from 'vitest'
import { readBoard } from '../../../core/board/board'
import { neededElsewhere } from '../../../core/board/pagePieces'
import { clipOf, pasteClip } from '../../../core/design/clip'
import { versionOf } from '../../../core/handout/version'
import { makeEdition } from '../../../core/board/edition'
import type { PieceId, StepId } from '../../../core/board/ids'
import { duplicatePage } from '../../../core/design/pages'
import { removePieces } from '../../../core/design/pieces'
import { answeredIn, setStepPieces } from '../../../core/design/stepPieces'
import { counting, placeId } from '../../boards'
import { boardOf, box, card } from '../../keyBoards'

const sorted = boardOf(
  ['left', 'right'].map((id, i) => ({
    kind: 'zone' as const,
    id: placeId(id),
    heading: id,
    shape: box(20 + 480 * i, 40, 420, 300),
  })),
  ['a', 'b', 'c'].map(id => card(id)),
  { kind: 'sort', homes: { a: ['left'], b: ['right'] } } as never,
)
const steps = ['first', 'second'].map((id, i) => ({
  id: id as StepId,
  x: 480 * i,
  y: 0,
  width: 470,
  height: 400,
  instructions: id,
}))
const board = { ...sorted, pages: [{ ...sorted.pages[0]!, steps }] }
const page = board.pages[0]!
const id = (name: string) => name as PieceId

describe('what an activity needs of the ledge', () => {
  it('is what the answers have in its part of the page', () => {
    const edition = makeEdition(board)
    expect(steps.map(step => answeredIn(page, step.id, edition))).toEqual([['a'], ['b']])
  })

  it('is set and taken back, goes with copies of the page, and without pieces that are gone', () => {
    const set = setStepPieces(board, page.id, steps[0]!.id, [id('a'), id('c')])
    expect(set.pages[0]!.steps!.map(step => step.pieces)).toEqual([['a', 'c'], undefined])
    expect(readBoard(set).ok).toBe(true)
    expect(setStepPieces(set, page.id, steps[0]!.id, null)).toEqual(board)
    const copied = duplicatePage(set, page.id, counting('copy'))
    const [first] = copied.pages[1]!.steps!
    expect(first!.pieces).toHaveLength(2)
    expect(first!.pieces!.every(piece => copied.pages[1]!.pieces.some(one => one.id === piece))).toBe(true)
    expect(removePieces(set, page.id, new Set([id('a')])).pages[0]!.steps![0]!.pieces).toEqual(['c'])
    const stray = setStepPieces(board, page.id, steps[0]!.id, [id('nobody')])
    expect(readBoard(stray)).toMatchObject({ ok: false, reason: { code: 'missing-piece', id: 'nobody' } })
  })

  it('goes with a version that has less of the board, and with a part of the page that is laid elsewhere, answers and all', () => {
    const set = setStepPieces(board, page.id, steps[0]!.id, [id('a'), id('c')])
    const version = versionOf(set, { pages: [], pieces: [id('c')] })
    if (!version.ok) throw new Error(version.reason)
    expect(version.value.keys).toHaveLength(1)
    expect(readBoard(version.value).ok).toBe(true)
    const clip = clipOf(set, page.id, new Set(['first', 'a']))
    expect(clip.page.steps!.map(step => step.pieces)).toEqual([['a']])
    const { board: pasted } = pasteClip({
      board: set,
      pageId: page.id,
      clip,
      by: { dx: 9, dy: 9 },
      fresh: counting('new'),
    })
    expect(readBoard(pasted).ok).toBe(true)
  })

  it('is shown while it is done, without what only others need', () => {
    const set = setStepPieces(board, page.id, steps[0]!.id, [id('a'), id('c')])
    const both = setStepPieces(set, page.id, steps[1]!.id, [id('c')]).pages[0]!
    expect(['first', 'second', null].map(step => [...neededElsewhere(both, step)])).toEqual([[], ['a'], []])
  })
})
