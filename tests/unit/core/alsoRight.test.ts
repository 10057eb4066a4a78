import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { BoardSchema, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { acceptedToo } from '../../../core/keys/accept'
import { canBeRight } from '../../../core/keys/also'
import { answerSlate } from '../../../core/keys/answerSlate'
import { feedbackOn } from '../../../core/keys/feedback'
import { renamedKey, withoutPiece, type KeyKind } from '../../../core/keys/key'
import { markSlate } from '../../../core/keys/mark'
import type { ItemMark } from '../../../core/keys/outcome'
import type { KeyId, PieceId } from '../../../core/board/ids'
import { boxOf } from '../../../core/geometry/outline'
import { laidAt } from '../../../core/keys/lay'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { exampleBoards, exchanged, moved } from '../../examples'

const itemsOf = (board: Board, state: SlateState) =>
  markSlate(state, makeEdition(board)).flatMap(({ key, kind, items }) => items.map(item => ({ key, kind, item })))

interface Wrong {
  readonly board: Board
  readonly state: SlateState
  readonly key: KeyId
  readonly kind: KeyKind
  readonly item: ItemMark
}
/** Whatever is wrong on the examples when what is right there is pushed about. */
const wrong: Wrong[] = exampleBoards.flatMap(board =>
  board.pages.flatMap(page => {
    const right = answerSlate(page, makeEdition(board))
    return [1, 2, 3]
      .map(by => exchanged(right, by))
      .concat(moved(right, 150, 0), moved(right, 0, 120))
      .flatMap(state =>
        itemsOf(board, state)
          .filter(({ item }) => canBeRight(item))
          .map(one => ({ board, state, ...one })),
      )
  }),
)
const accepted = ({ board, state, key, item }: Wrong) =>
  acceptedToo(state, makeEdition(board), { key, item: item.item })
const markIn = (board: Board, { state, key, item }: Wrong) =>
  itemsOf(board, state).find(one => one.key === key && one.item.item === item.item)!.item

describe('what is wrong on an example is right as well once the teacher says so', () => {
  it('whatever kind of key it is, with all its points, and the board is sound', () => {
    expect(wrong.length).toBeGreaterThan(40)
    const kinds = new Set(wrong.map(one => one.kind))
    for (const kind of ['sort', 'order', 'match', 'slots', 'scale', 'balance', 'cover'] as const)
      expect(kinds).toContain(kind)
    for (const one of wrong) {
      const board = accepted(one)
      expect(board, `${one.kind} ${one.item.reason.code}`).not.toBeNull()
      expect(v.is(BoardSchema, board)).toBe(true)
      const mark = markIn(board!, one)
      expect([mark.verdict, mark.points]).toEqual(['right', one.item.of])
    }
  })

  it('a total that was made, however it is made, and no other', () => {
    const board = exampleBoards.find(
      one => one.keys.some(key => key.kind === 'total') && one.pages[0]!.pieces.some(piece => !piece.bin),
    )!
    const place = board.pages[0]!.places.find(one =>
      board.keys.some(key => key.kind === 'total' && key.place === one.id),
    )!
    const tiles = board.pages[0]!.pieces.filter(piece => piece.kind === 'tile' && !piece.bin).map(piece => piece.id)
    const { x, y, width, height } = boxOf(place as Parameters<typeof boxOf>[0])
    const middle = { x: x + width / 2, y: y + height / 2 }
    const holding = (...pieces: PieceId[]) =>
      pieces.reduce((state, piece) => laidAt(state, piece, middle), emptySlate as SlateState)
    const verdictOn = (over: Board, state: SlateState) =>
      itemsOf(over, state).find(({ item }) => item.item === place.id)!.item.verdict
    const [one, other] = tiles
    const state = holding(one!)
    expect(verdictOn(board, state)).toBe('wrong')
    const key = board.keys.find(each => each.kind === 'total')!
    const next = acceptedToo(state, makeEdition(board), { key: key.id, item: place.id })!
    expect(verdictOn(next, state)).toBe('right')
    expect(verdictOn(next, holding(one!, other!))).toBe('wrong')
    expect(verdictOn(next, emptySlate)).toBe('not-placed')
  })

  it('what was right before still is, and nothing else that is wrong becomes right', () => {
    for (const one of wrong.filter((_, i) => i % 7 === 0)) {
      const board = accepted(one)!
      const [before, after] = [one.board, board].map(of => itemsOf(of, one.state))
      const others = (items: typeof before) =>
        items!.filter(other => other.key !== one.key).map(({ key, item }) => [key, item.item, item.verdict])
      expect(others(after)).toEqual(others(before))
      const page = one.board.pages.find(each => one.board.keys.some(key => key.id === one.key && key.page === each.id))!
      const right = answerSlate(page, makeEdition(one.board))
      const verdicts = (of: Board) => itemsOf(of, right).map(({ item }) => item.verdict)
      expect(verdicts(board)).toEqual(verdicts(one.board))
    }
  })

  it('goes along when ids are others, and goes with what it named', () => {
    const one = wrong.find(each => each.kind === 'match' || each.kind === 'order')!
    const key = accepted(one)!.keys.find(each => each.id === one.key)!
    const [also] = key.also!
    const renamed = renamedKey(key, id => `${id}X` as typeof id)
    expect(JSON.stringify(renamed.also)).toBe(
      JSON.stringify(also && [also]).replaceAll(/"([A-Za-z0-9_-]+)"(?=[,\]}])/g, (whole, id: string) =>
        [also!.code, also!.is].includes(id) ? whole : `"${id}X"`,
      ),
    )
    const named = one.board.pages.flatMap(page => page.pieces).find(piece => JSON.stringify(also).includes(piece.id))!
    expect(withoutPiece(key, named.id)?.also).toBeUndefined()
  })

  it('a student hears of it as of anything that is right', () => {
    const one = wrong.find(each => each.kind === 'order')!
    const told = feedbackOn(markSlate(one.state, makeEdition(accepted(one)!)))
    expect(told.find(each => each.item === one.item.item)).toMatchObject({
      verdict: 'right',
      reason: { code: 'right', words: {} },
    })
  })
})
