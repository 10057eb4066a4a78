import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { nextToUndo } from '../../../core/slate/history'
import { HOLDER } from '../../../core/slate/actor'
import { apply, invert, type Move } from '../../../core/slate/move'
import { MoveSchema } from '../../../core/slate/moveSchema'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import type { PieceId } from '../../../core/board/ids'
import { piecesOf } from '../../../core/slate/pieces'
import { isUntouched, startOf } from '../../../core/slate/state'
import { pieceId, placeId } from '../../boards'
import { anyMove, edition } from '../../anyMove'

const page = edition.board.pages[0]!

/** A move that the slate refuses (a stroke drawn twice, a turn of what stands on the ledge) changes nothing. */
function after(state: SlateState, move: Move): SlateState {
  const result = apply(state, move, { edition, actor: HOLDER })
  if (!result.ok && result.reason.code !== 'not-allowed' && result.reason.code !== 'full')
    throw new Error(result.reason.code)
  return result.ok ? result.value : state
}
const applies = (state: SlateState, move: Move) => apply(state, move, { edition, actor: HOLDER }).ok

/** Where the letters of a text come from is remembered, and shows nowhere. */
const seen = ({ weaves: _, ...state }: SlateState) => state

describe('moves', () => {
  it('are taken back exactly by their inverse, and brought back by the inverse of that', () => {
    fc.assert(
      fc.property(fc.array(anyMove), anyMove, (before, move) => {
        const state = before.reduce(after, startOf(edition))
        fc.pre(applies(state, move))
        const changed = after(state, move)
        const inverse = invert(state, move, edition)!
        expect(seen(after(changed, inverse))).toEqual(seen(state))
        expect(seen(after(after(changed, inverse), invert(changed, inverse, edition)!))).toEqual(seen(changed))
      }),
    )
  })

  it('survive JSON and the schema unchanged', () => {
    fc.assert(
      fc.property(fc.array(anyMove), anyMove, (before, move) => {
        const inverse = invert(before.reduce(after, emptySlate), move, edition)!
        for (const m of [move, inverse])
          expect(v.parse(MoveSchema, JSON.parse(JSON.stringify(m)))).toEqual(JSON.parse(JSON.stringify(m)))
      }),
    )
  })

  it('never change the state they are given', () => {
    fc.assert(
      fc.property(fc.array(anyMove), anyMove, (before, move) => {
        const state = before.reduce(after, emptySlate)
        const copy = structuredClone(state)
        after(state, move)
        expect(state).toEqual(copy)
      }),
    )
  })

  it('put a piece on top of all others', () => {
    const one = after(emptySlate, { kind: 'put', piece: pieceId('c0'), x: 10, y: 10 })
    const two = after(one, { kind: 'put', piece: pieceId('c1'), x: 10, y: 10 })
    expect(two.pieces[pieceId('c1')]!.z).toBeGreaterThan(two.pieces[pieceId('c0')]!.z)
  })

  it('are refused with a reason for a piece that is not there, and off the page', () => {
    expect(
      apply(emptySlate, { kind: 'put', piece: pieceId('nobody'), x: 1, y: 1 }, { edition, actor: HOLDER }),
    ).toEqual({ ok: false, reason: { code: 'unknown-piece', item: 'nobody' } })
    expect(apply(emptySlate, { kind: 'shelve', piece: pieceId('nobody') }, { edition, actor: HOLDER })).toMatchObject({
      ok: false,
    })
    expect(
      apply(emptySlate, { kind: 'put', piece: pieceId('c0'), x: page.width + 0.01, y: 1 }, { edition, actor: HOLDER }),
    ).toMatchObject({ reason: { code: 'off-page' } })
    expect(
      apply(
        emptySlate,
        { kind: 'arrange', pieces: { [pieceId('c0')]: { x: 1, y: 1, z: 1 }, [pieceId('c1')]: { x: -1, y: 1, z: 1 } } },
        { edition, actor: HOLDER },
      ),
    ).toMatchObject({ ok: false })
  })

  it.each([
    { kind: 'put', piece: 'c0', x: NaN, y: 1 },
    { kind: 'put', piece: 'c0', x: Infinity, y: 1 },
    { kind: 'put', piece: 'c0', x: '1', y: 1 },
    { kind: 'put', piece: 'c0', x: 1e9, y: 1 },
    { kind: 'put', piece: '../c0', x: 1, y: 1 },
    { kind: 'move-zone', place: 'z0', x: 1, y: 1 },
    { kind: 'arrange', pieces: null },
    null,
    7,
    'put',
    [],
  ])('have no word for %j', move => {
    expect(v.safeParse(MoveSchema, move).success).toBe(false)
  })
})

describe('what students make beside moving pieces', () => {
  const start = startOf(edition)
  const refusal = (move: Move, state = start) => {
    const result = apply(state, move, { edition, actor: HOLDER })
    return result.ok ? null : result.reason.code
  }

  it('starts with what is staged, and start-again comes back to it with everything else gone, in one move that undo takes back', () => {
    expect(start.pieces).toEqual({ c5: { x: 50, y: 60, z: 0 } })
    const moves: Move[] = [
      { kind: 'shelve', piece: pieceId('c5') },
      { kind: 'put', piece: 'bin~aaaa' as PieceId, x: 5, y: 5 },
      { kind: 'write', in: 'w', text: 'They hold on.' },
      {
        kind: 'draw',
        stroke: 'stroke-a',
        place: placeId('d'),
        points: [
          [1, 2],
          [3, 4],
        ],
      },
      { kind: 'connect', from: pieceId('c0'), to: pieceId('c1') },
    ]
    const worked = moves.reduce(after, start)
    const again = after(worked, { kind: 'start-again' })
    expect(again).toMatchObject({
      pieces: start.pieces,
      texts: {},
      arrows: {},
      strokes: { 'stroke-a': { gone: true } },
    })
    const inverse = invert(worked, { kind: 'start-again' }, edition)!
    expect(after(again, inverse)).toEqual(worked)
    expect(JSON.stringify(inverse).length).toBeLessThan(300)
    // Rubbed-out ink is kept, and yet the slate looks as it was given out.
    expect([start, worked, again].map(state => isUntouched(state, edition))).toEqual([true, false, true])
    expect(isUntouched(after(start, { kind: 'put', piece: pieceId('c5'), x: 51, y: 60 }), edition)).toBe(false)
  })

  it('takes copies from a bin, each of its own; the bin itself never leaves the ledge', () => {
    expect(refusal({ kind: 'put', piece: pieceId('bin'), x: 1, y: 1 })).toBe('unknown-piece')
    expect(refusal({ kind: 'put', piece: 'c0~aaaa' as PieceId, x: 1, y: 1 })).toBe('unknown-piece')
    const two = (['bin~aaaa', 'bin~bbbb'] as PieceId[]).reduce(
      (state, piece) => after(state, { kind: 'put', piece, x: 9, y: 9 }),
      start,
    )
    expect(piecesOf(two, page, edition).map(p => p.id)).toEqual([
      'c0',
      'c1',
      'c2',
      'c3',
      'c4',
      'c5',
      'bin~aaaa',
      'bin~bbbb',
      'note',
    ])
    expect(piecesOf(after(two, { kind: 'shelve', piece: 'bin~aaaa' as PieceId }), page, edition)).toHaveLength(8)
    const many = Object.fromEntries(
      Array.from({ length: 999 }, (_, i) => [`bin~${String(i).padStart(4, '0')}`, { x: 1, y: 1, z: i }]),
    )
    const full = after(start, { kind: 'arrange', pieces: many as Record<PieceId, { x: number; y: number; z: number }> })
    expect(refusal({ kind: 'put', piece: 'bin~zzzz' as PieceId, x: 1, y: 1 }, full)).toBe('full')
  })

  it('keeps a turn when a piece is moved, and turns only what the board lets turn', () => {
    const turned = [
      { kind: 'put', piece: pieceId('c0'), x: 5, y: 5 },
      { kind: 'turn', piece: pieceId('c0'), turn: 90, flipped: false },
      { kind: 'put', piece: pieceId('c0'), x: 50, y: 5 },
    ] as Move[]
    expect(turned.reduce(after, start).pieces[pieceId('c0')]).toMatchObject({ x: 50, turn: 90 })
    expect(refusal({ kind: 'turn', piece: pieceId('c5'), turn: 90, flipped: false })).toBe('not-allowed')
    expect(refusal({ kind: 'turn', piece: pieceId('c0'), turn: 90, flipped: false })).toBe('not-allowed')
  })

  it.each<[string, Move, string]>([
    ['writing on the backdrop', { kind: 'write', in: 'z0', text: 'x' }, 'not-allowed'],
    ['writing in a third gap of two', { kind: 'write', in: 'g:2', text: 'x' }, 'not-allowed'],
    ['writing on a card', { kind: 'write', in: 'c0', text: 'x' }, 'not-allowed'],
    ['writing nowhere', { kind: 'write', in: 'nowhere', text: 'x' }, 'unknown-place'],
    ['drawing in a zone', { kind: 'draw', stroke: 'stroke-z', place: placeId('z0'), points: [[1, 1]] }, 'not-allowed'],
    [
      'drawing off the page',
      {
        kind: 'draw',
        stroke: 'stroke-z',
        place: placeId('d'),
        points: [
          [1, 1],
          [-4, 1],
        ],
      },
      'off-page',
    ],
    ['an arrow from a piece to itself', { kind: 'connect', from: pieceId('c0'), to: pieceId('c0') }, 'not-allowed'],
    ['an arrow to nobody', { kind: 'connect', from: pieceId('c0'), to: pieceId('nobody') }, 'unknown-piece'],
    [
      "bringing back what can't be written",
      { kind: 'restore', pieces: {}, texts: { z0: 'x' }, arrows: {}, strokes: [] },
      'not-allowed',
    ],
    [
      'bringing back an arrow to nobody',
      { kind: 'restore', pieces: {}, texts: {}, arrows: { 'c0>nobody': true }, strokes: [] },
      'unknown-piece',
    ],
  ])('refuses %s', (_, move, code) => {
    expect(refusal(move)).toBe(code)
  })

  it('is bounded: so much text and so many strokes on a slate, and no more', () => {
    let state = start
    for (let i = 0; i < 500; i++)
      state = after(state, { kind: 'draw', stroke: `stroke-${1000 + i}`, place: placeId('d'), points: [[1, 1]] })
    expect(refusal({ kind: 'draw', stroke: 'stroke-more', place: placeId('d'), points: [[1, 1]] }, state)).toBe('full')
    const wordy = { ...start, texts: { w: 'a'.repeat(39_999) } }
    expect(refusal({ kind: 'write', in: 'g:0', text: 'ab' }, wordy)).toBe('full')
    expect(refusal({ kind: 'write', in: 'w', text: 'ab' }, wordy)).toBeNull()
  })
})

describe('undo', () => {
  const inverse: Move = { kind: 'start-again' }
  it('takes the latest step that still stands, and never a taking back', () => {
    expect(nextToUndo([])).toBeUndefined()
    expect(
      nextToUndo([
        { id: 'a', inverse },
        { id: 'b', inverse },
      ])?.id,
    ).toBe('b')
    expect(
      nextToUndo([
        { id: 'a', inverse },
        { id: 'b', inverse },
        { id: 'c', inverse, undoes: 'b' },
      ])?.id,
    ).toBe('a')
    expect(
      nextToUndo([
        { id: 'a', inverse },
        { id: 'c', inverse, undoes: 'a' },
      ]),
    ).toBeUndefined()
  })
})
