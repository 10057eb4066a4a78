import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { layOf, pinnedItems, secondThoughts, stillAsks } from '../../../core/margin/pinned'
import { spotOf } from '../../../core/margin/spot'
import type { MarginItem, PinnedItem } from '../../../core/margin/item'
import { HOLDER } from '../../../core/slate/actor'
import { apply, type Move } from '../../../core/slate/move'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { pageId, pieceId, placeId, shore } from '../../boards'

const EDITION = makeEdition(shore())
const about = { page: pageId('page'), piece: pieceId('c0') }
const made = (moves: readonly Move[], from: SlateState = emptySlate) =>
  moves.reduce((state, move) => {
    const done = apply(state, move, { edition: EDITION, actor: HOLDER })
    if (!done.ok) throw new Error(done.reason.code)
    return done.value
  }, from)
const put = (x: number, y = 100, piece = 'c0'): Move => ({ kind: 'put', piece: pieceId(piece), x, y })
const LYING = made([put(200)])
const flag: PinnedItem = { kind: 'flag', ...about, lay: layOf(LYING.pieces[about.piece]!) }
const aside: PinnedItem = { kind: 'second-thought', ...about, lay: layOf(LYING.pieces[about.piece]!), why: 'Hm' }
const note: PinnedItem = { kind: 'note', page: about.page, at: { to: 'piece', piece: about.piece }, text: 'Hm' }

describe('what a teacher leaves at a piece', () => {
  it('is numbered in its order, without what is drawn', () => {
    const ink: MarginItem = { kind: 'ink', page: about.page, points: [[1, 1, 0.5]] }
    const margin = [note, ink, flag, aside].map((item, i) => ({ id: `m${i}`, item }))
    expect(pinnedItems(margin).map(({ id, number }) => `${id} ${number}`)).toEqual(['m0 1', 'm2 2', 'm3 3'])
    expect(pinnedItems([])).toEqual([])
  })

  it('a note asks for as long as it is there', () => {
    for (const state of [emptySlate, LYING]) expect(stillAsks(note, state)).toBe(true)
  })

  it('"look again" asks until its piece is moved, turned, or taken away, and not when others are', () => {
    expect(stillAsks(flag, LYING)).toBe(true)
    expect(stillAsks(flag, made([put(500, 100, 'c1')], LYING))).toBe(true)
    // Lifted to the top and put down on its own spot it wasn't moved.
    expect(stillAsks(flag, made([put(200)], LYING))).toBe(true)
    expect(stillAsks(flag, made([put(203)], LYING))).toBe(false)
    expect(stillAsks(flag, made([{ kind: 'shelve', piece: about.piece }], LYING))).toBe(false)
    const turned = { ...LYING, pieces: { [about.piece]: { ...LYING.pieces[about.piece]!, turn: 90 } } }
    expect(stillAsks(flag, turned)).toBe(false)
    // Brought back to where it lay it asks again.
    expect(stillAsks(flag, made([put(203), put(200)], LYING))).toBe(true)
  })

  it('a second thought asks until its piece lies on the page again, wherever', () => {
    const off = made([{ kind: 'shelve', piece: about.piece }], LYING)
    expect(stillAsks(aside, off)).toBe(true)
    expect(stillAsks(aside, made([put(640)], off))).toBe(false)
  })

  it('pieces that wait are known, with the last word said of each', () => {
    const margin = ['first', 'last'].map(why => ({ id: why, item: { ...aside, why } as MarginItem }))
    expect([...secondThoughts(margin, emptySlate)].map(([piece, item]) => [piece, item.why])).toEqual([['c0', 'last']])
    expect(secondThoughts(margin, LYING).size).toBe(0)
    expect(secondThoughts([{ id: 'n', item: note }], emptySlate).size).toBe(0)
  })
})

describe('the spot of a sign', () => {
  const page = EDITION.board.pages[0]!
  const on = (state: SlateState) => ({ page, edition: EDITION, state })
  it('goes with its piece, stays at its place, and is nowhere for what is not there', () => {
    const { width, height } = EDITION.pieces.get(about.piece)!.master
    const { x, y } = LYING.pieces[about.piece]!
    const at = spotOf({ to: 'piece', piece: about.piece }, on(LYING))!
    expect([at.x - x, at.y - y]).toEqual([width / 2 - 4, -height / 2 + 2])
    const moved = spotOf({ to: 'piece', piece: about.piece }, on(made([put(260)])))!
    expect([moved.x - at.x, moved.y - at.y]).toEqual([60, 0])
    expect(spotOf({ to: 'piece', piece: about.piece }, on(emptySlate))).toBeNull()
    const [place] = page.places
    const corner = spotOf({ to: 'place', place: place!.id }, on(emptySlate))
    expect(corner).toEqual(spotOf({ to: 'place', place: place!.id }, on(LYING)))
    expect(spotOf({ to: 'place', place: placeId('gone') }, on(LYING))).toBeNull()
    expect(spotOf({ to: 'spot', x: 7, y: 9 }, on(emptySlate))).toEqual({ x: 7, y: 9 })
  })
})
