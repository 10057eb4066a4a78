import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { nextToUndo } from '../../../core/slate/history'
import { apply, invert, MoveSchema, type Move } from '../../../core/slate/move'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { pieceId, shoreEdition } from '../../boards'

const edition = shoreEdition()
const page = edition.board.pages[0]!
const anyPiece = fc.constantFrom(...page.pieces.map(p => p.id))
const anyX = fc.double({ min: 0, max: page.width, noNaN: true })
const anyY = fc.double({ min: 0, max: page.height, noNaN: true })
const anyZ = fc.integer({ min: 0, max: 1000 })
const anyPosition = fc.record({ x: anyX, y: anyY, z: anyZ })
export const anyMove: fc.Arbitrary<Move> = fc.oneof(
  fc.record({ kind: fc.constant('put' as const), piece: anyPiece, x: anyX, y: anyY }),
  fc.record({ kind: fc.constant('shelve' as const), piece: anyPiece }),
  fc.record({ kind: fc.constant('arrange' as const), pieces: fc.dictionary(anyPiece, fc.option(anyPosition)) }) as fc.Arbitrary<Move>,
  fc.constant<Move>({ kind: 'start-again' }),
)

function after(state: SlateState, move: Move): SlateState {
  const result = apply(state, move, edition)
  if (!result.ok) throw new Error(result.reason.code)
  return result.value
}

describe('moves', () => {
  it('are taken back exactly by their inverse, and brought back by the inverse of that', () => {
    fc.assert(fc.property(fc.array(anyMove), anyMove, (before, move) => {
      const state = before.reduce(after, emptySlate)
      const changed = after(state, move)
      const inverse = invert(state, move)
      expect(after(changed, inverse)).toEqual(state)
      expect(after(after(changed, inverse), invert(changed, inverse))).toEqual(changed)
    }))
  })

  it('survive JSON and the schema unchanged', () => {
    fc.assert(fc.property(fc.array(anyMove), anyMove, (before, move) => {
      const inverse = invert(before.reduce(after, emptySlate), move)
      for (const m of [move, inverse]) expect(v.parse(MoveSchema, JSON.parse(JSON.stringify(m)))).toEqual(JSON.parse(JSON.stringify(m)))
    }))
  })

  it('never change the state they are given', () => {
    fc.assert(fc.property(fc.array(anyMove), anyMove, (before, move) => {
      const state = before.reduce(after, emptySlate)
      const copy = structuredClone(state)
      after(state, move)
      expect(state).toEqual(copy)
    }))
  })

  it('put a piece on top of all others', () => {
    const one = after(emptySlate, { kind: 'put', piece: pieceId('c0'), x: 10, y: 10 })
    const two = after(one, { kind: 'put', piece: pieceId('c1'), x: 10, y: 10 })
    expect(two.pieces[pieceId('c1')]!.z).toBeGreaterThan(two.pieces[pieceId('c0')]!.z)
  })

  it('are refused with a reason for a piece that is not there, and off the page', () => {
    expect(apply(emptySlate, { kind: 'put', piece: pieceId('nobody'), x: 1, y: 1 }, edition)).toEqual({ ok: false, reason: { code: 'unknown-piece', piece: 'nobody' } })
    expect(apply(emptySlate, { kind: 'shelve', piece: pieceId('nobody') }, edition)).toMatchObject({ ok: false })
    expect(apply(emptySlate, { kind: 'put', piece: pieceId('c0'), x: page.width + 0.01, y: 1 }, edition)).toMatchObject({ reason: { code: 'off-page' } })
    expect(apply(emptySlate, { kind: 'arrange', pieces: { [pieceId('c0')]: { x: 1, y: 1, z: 1 }, [pieceId('c1')]: { x: -1, y: 1, z: 1 } } }, edition)).toMatchObject({ ok: false })
  })

  it.each([
    { kind: 'put', piece: 'c0', x: NaN, y: 1 },
    { kind: 'put', piece: 'c0', x: Infinity, y: 1 },
    { kind: 'put', piece: 'c0', x: '1', y: 1 },
    { kind: 'put', piece: 'c0', x: 1e9, y: 1 },
    { kind: 'put', piece: '../c0', x: 1, y: 1 },
    { kind: 'move-zone', place: 'z0', x: 1, y: 1 },
    { kind: 'arrange', pieces: null },
    null, 7, 'put', [],
  ])('have no word for %j', (move) => {
    expect(v.safeParse(MoveSchema, move).success).toBe(false)
  })
})

describe('undo', () => {
  const inverse: Move = { kind: 'start-again' }
  it('takes the latest step that still stands, and never a taking back', () => {
    expect(nextToUndo([])).toBeUndefined()
    expect(nextToUndo([{ id: 'a', inverse }, { id: 'b', inverse }])?.id).toBe('b')
    expect(nextToUndo([{ id: 'a', inverse }, { id: 'b', inverse }, { id: 'c', inverse, undoes: 'b' }])?.id).toBe('a')
    expect(nextToUndo([{ id: 'a', inverse }, { id: 'c', inverse, undoes: 'a' }])).toBeUndefined()
  })
})
