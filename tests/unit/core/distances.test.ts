import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Place } from '../../../core/board/place'
import { makeEdition } from '../../../core/board/edition'
import { area } from '../../../core/geometry/area'
import { distanceBetween } from '../../../core/geometry/distance'
import type { Point } from '../../../core/geometry/shape'
import { HOLDER } from '../../../core/slate/actor'
import { apply, invert, type Move } from '../../../core/slate/move'
import { startOf, type OnPage } from '../../../core/slate/state'
import { pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, tile } from '../../keyBoards'

describe('distances between shapes', () => {
  it('a partner at the end of a long card that lies aslant is found', () => {
    const board = boardOf([], [card('a'), card('b')], { kind: 'match', sets: [['a', 'b']], where: [] })
    const long = {
      ...board,
      masters: board.masters.map(master => ({ ...master, width: 240, height: 40 })),
      pages: board.pages.map(page => ({ ...page, pieces: page.pieces.map(p => ({ ...p, turns: true })) })),
    }
    // At 45 degrees the long card ends 85 points to the right of its middle and below it.
    const partner = { x: 300 + 85 + 85 + 8, y: 200 + 85 + 85 + 8 }
    expect(mark(long, { a: [300, 200, 45], b: [partner.x, partner.y, 45] })[0]).toMatchObject({ verdict: 'right' })
    // Beside it, where only the box around it reaches, nothing touches.
    expect(mark(long, { a: [300, 200, 45], b: [410, 130, 45] })[0]).toMatchObject({ verdict: 'wrong' })
  })

  it('are those of the nearest points, tried one by one along both rims', () => {
    const triangle = fc.array(fc.record({ x: fc.integer({ min: 0, max: 90 }), y: fc.integer({ min: 0, max: 90 }) }), {
      minLength: 3,
      maxLength: 3,
    })
    const along = (polygon: readonly Point[]) =>
      polygon.flatMap((a, i) => {
        const b = polygon[(i + 1) % polygon.length]!
        return Array.from({ length: 90 }, (_, k) => ({
          x: a.x + ((b.x - a.x) * k) / 90,
          y: a.y + ((b.y - a.y) * k) / 90,
        }))
      })
    fc.assert(
      fc.property(triangle, triangle, (a, other) => {
        fc.pre(area(a) > 50 && area(other) > 50)
        const b = other.map(p => ({ x: p.x + 100, y: p.y }))
        const tried = Math.min(...along(a).flatMap(p => along(b).map(q => Math.hypot(p.x - q.x, p.y - q.y))))
        expect(distanceBetween(a, b)).toBeLessThanOrEqual(tried + 1e-9)
        expect(distanceBetween(a, b)).toBeGreaterThan(tried - 2)
      }),
      { numRuns: 60 },
    )
  })
})

it('a piece that may not be turned or flipped lies as it was given out after any moves and any undo', () => {
  const zone: Place = { kind: 'zone', id: placeId('z'), heading: 'z', shape: box(100, 100, 300, 200) }
  const fixed = boardOf([zone], [card('a'), tile('t', '1')], null, {
    staged: { a: { x: 200, y: 200, turn: 90 } as { x: number; y: number } },
  })
  const edition = makeEdition(fixed)
  const piece = fc.constantFrom(pieceId('a'), pieceId('t'))
  const turn = fc.constantFrom(0, 45, 90, 180)
  const lies: fc.Arbitrary<OnPage> = fc.record(
    {
      x: fc.integer({ min: 0, max: 400 }),
      y: fc.integer({ min: 0, max: 300 }),
      z: fc.nat(9),
      turn: fc.constantFrom(undefined, 45, 90),
      flipped: fc.constantFrom(undefined, true as const),
    },
    { requiredKeys: ['x', 'y', 'z'] },
  )
  const move: fc.Arbitrary<Move> = fc.oneof(
    fc.record(
      { kind: fc.constant('put' as const), piece, x: fc.nat(400), y: fc.nat(300), turn, flipped: fc.boolean() },
      { requiredKeys: ['kind', 'piece', 'x', 'y'] },
    ),
    fc.record({ kind: fc.constant('shelve' as const), piece }),
    fc.record({ kind: fc.constant('turn' as const), piece, turn, flipped: fc.boolean() }),
    fc.tuple(piece, lies).map(([id, at]): Move => ({ kind: 'arrange', pieces: { [id]: at } })),
    fc
      .tuple(piece, lies)
      .map(([id, at]): Move => ({ kind: 'revert', pieces: { [id]: at }, texts: {}, arrows: {}, strokes: {}, own: {} })),
  )
  fc.assert(
    fc.property(fc.array(fc.tuple(move, fc.boolean()), { maxLength: 12 }), steps => {
      let state = startOf(edition)
      for (const [made, undone] of steps) {
        const before = state
        const result = apply(state, made, { edition, actor: HOLDER })
        if (!result.ok) continue
        const back = undone ? invert(before, made, edition) : null
        const after = back ? apply(result.value, back, { edition, actor: HOLDER }) : result
        if (after.ok) state = after.value
        expect(state.pieces[pieceId('a')]?.turn ?? 90).toBe(90)
        expect([
          state.pieces[pieceId('t')]?.turn,
          state.pieces[pieceId('t')]?.flipped,
          state.pieces[pieceId('a')]?.flipped,
        ]).toEqual([undefined, undefined, undefined])
      }
    }),
    { numRuns: 300 },
  )
})
