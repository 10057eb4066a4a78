import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Verdict } from '../../../core/keys/outcome'
import { seeded } from '../../../core/layout/random'
import { byNeed, needsOf, type Need, type Watched } from '../../../core/lesson/needs'
import { emptyTrail, LONGEST_TRAIL, ON_LEDGE, onTrail, OUTSIDE, type MadeMove } from '../../../core/lesson/trail'
import type { Move } from '../../../core/slate/move'
import { middleOf, pieceId, sortBoard } from '../../boards'

const WORDS = ['limpet', 'barnacle', 'mussel', 'crab', 'whelk', 'star', 'prawn', 'goby', 'blenny', 'urchin']
const board = sortBoard(['Clings', 'Crawls', 'Swims'], WORDS)
const edition = makeEdition(board)
const PIECES = board.pages[0]!.pieces.map(piece => piece.id)
const ZONES = board.pages[0]!.places.map(place => place.id)
const NOW = Date.parse('2026-03-16T10:00:00Z')
const MINUTE = 60_000

/** Moves one after the other, ten seconds apart, the last of them so long ago. */
const timed = (moves: readonly Move[], ago = 5000): MadeMove[] =>
  moves.map((move, i) => ({ move, at: new Date(NOW - ago - (moves.length - 1 - i) * 10_000).toISOString() }))
const into = (piece: number, zone: number): Move => ({
  kind: 'put',
  piece: PIECES[piece]!,
  ...middleOf(board, ZONES[zone]!),
})
const beside = (piece: number): Move => ({ kind: 'put', piece: PIECES[piece]!, x: 1, y: 1 })

function slate(id: string, moves: readonly MadeMove[], more: Partial<Watched> = {}): Watched {
  const last = moves.at(-1)
  const trail = onTrail(emptyTrail, moves, edition)
  const housed = new Set(trail.steps.filter(s => s.where !== ON_LEDGE && s.where !== OUTSIDE).map(s => s.piece))
  return {
    id,
    status: 'under-way',
    movedAt: last ? Date.parse(last.at) : null,
    placed: housed.size,
    of: PIECES.length,
    handAt: null,
    seenAt: null,
    trail,
    verdicts: new Map(),
    hints: 0,
    ...more,
  }
}
/** Pieces one after the other, now and then one of them moved once more. */
function steady(id: string, seed: number): Watched {
  const random = seeded(seed)
  const moves: Move[] = []
  for (let i = 0; i < 4 + Math.floor(random() * 5); i++) {
    moves.push(into(i, Math.floor(random() * 3)))
    if (random() < 0.15) moves.push(into(i, Math.floor(random() * 3)))
  }
  return slate(id, timed(moves, 2000 + random() * 20_000))
}
const CLASS = Array.from({ length: 22 }, (_, i) => steady(`s${i}`, i + 1))
const about = (odd: Watched, others = CLASS) => needsOf([...others, odd], NOW)
const wrong = (...pieces: number[]) => new Map(pieces.map(i => [PIECES[i] as string, 'wrong' as Verdict]))

describe('a trail', () => {
  it('says where each piece came to lie: in a place, in two, beside all, on the ledge', () => {
    const { steps } = onTrail(
      emptyTrail,
      timed([into(0, 1), beside(0), { kind: 'shelve', piece: PIECES[0]! }]),
      edition,
    )
    expect(steps.map(s => s.where)).toEqual([ZONES[1], OUTSIDE, ON_LEDGE])
    const several: Move = {
      kind: 'arrange',
      pieces: { [PIECES[1]!]: null, [PIECES[2]!]: { ...middleOf(board, ZONES[0]!), z: 1 } },
    }
    expect(onTrail(emptyTrail, timed([several]), edition).steps.map(s => [s.piece, s.where])).toEqual([
      [PIECES[1], ON_LEDGE],
      [PIECES[2], ZONES[0]],
    ])
  })
  it('is the same in one go or bit by bit, and keeps what came last', () => {
    const random = seeded(9)
    const moves = timed(Array.from({ length: 90 }, () => into(Math.floor(random() * 10), Math.floor(random() * 3))))
    const whole = onTrail(emptyTrail, moves, edition)
    const bits = moves.reduce((trail, move) => onTrail(trail, [move], edition), emptyTrail)
    expect(bits).toEqual(whole)
    expect(whole.steps).toHaveLength(LONGEST_TRAIL)
    expect(whole.steps.at(-1)!.at).toBe(Date.parse(moves.at(-1)!.at))
  })
  it('knows hints, and passes over what leaves no trail and pieces that are gone', () => {
    const moves = timed([
      { kind: 'write', in: 'x', text: 'a' } as unknown as Move,
      { kind: 'put', piece: pieceId('gone'), x: 10, y: 10 },
      { kind: 'hint', of: board.pages[0]!.id, number: 1 },
    ])
    expect(onTrail(emptyTrail, moves, edition)).toEqual({ steps: [], hintAt: Date.parse(moves[2]!.at) })
    expect(onTrail(emptyTrail, [], edition)).toBe(emptyTrail)
  })
})

describe('who needs the teacher', () => {
  it('is nobody in a class that simply works', () => {
    expect([...needsOf(CLASS, NOW)]).toEqual([])
    expect([...needsOf([], NOW)]).toEqual([])
  })

  it('is who moves one piece back and forth, with how often and how it is with the others', () => {
    const circler = slate(
      'odd',
      timed([into(0, 0), into(1, 1), into(0, 1), into(0, 0), into(0, 1), into(0, 0), into(0, 1)]),
    )
    expect(about(circler).get('odd')).toEqual([{ kind: 'circles', piece: PIECES[0], times: 4, usual: 0 }])
    // Straightening it in the same place is no coming back, nor is trying one place after the other.
    const tidy = slate('odd', timed([into(0, 0), into(0, 0), into(0, 0), into(0, 0), into(0, 1), into(0, 2)]))
    expect(about(tidy).get('odd')).toBeUndefined()
  })

  it('is who leaves much that is wrong and moves on, not who is just at it', () => {
    const moves = timed(Array.from({ length: 8 }, (_, i) => into(i, 0)))
    const careless = slate('odd', moves, { verdicts: wrong(0, 1, 2, 3) })
    expect(about(careless).get('odd')).toEqual([{ kind: 'wrong', wrong: 4, usual: 0 }])
    const atIt = slate('odd', moves, { verdicts: wrong(4, 5, 6, 7) })
    expect(about(atIt).get('odd')).toBeUndefined()
  })

  it('is who moves and gets no further', () => {
    const shuffles = Array.from({ length: 9 }, (_, i) => beside(i))
    const stuck = slate('odd', timed([into(0, 0), ...shuffles]))
    expect(about(stuck).get('odd')).toEqual([{ kind: 'stuck', moves: 9, usual: 0 }])
    expect(about({ ...stuck, placed: stuck.of }).get('odd')).toBeUndefined()
  })

  it('is who looked at hints where others need none', () => {
    const helped = slate('odd', timed([into(0, 0), { kind: 'hint', of: board.pages[0]!.id, number: 1 }]), { hints: 1 })
    expect(about(helped).get('odd')).toEqual([{ kind: 'hint', hints: 1, usual: 0 }])
    expect(
      about(
        helped,
        CLASS.map(one => ({ ...one, hints: 1 })),
      ).get('odd'),
    ).toBeUndefined()
  })

  it('is nobody for what all of them do: the fence is the class’s own', () => {
    const circling = (i: number) =>
      slate(
        `c${i}`,
        timed(
          Array.from({ length: 8 + (i % 3) }, (_, n) => into(0, n % 2)),
          3000 + 100 * i,
        ),
      )
    const everybody = Array.from({ length: 20 }, (_, i) => circling(i))
    expect([...needsOf(everybody, NOW).values()].flat().filter(need => need.kind === 'circles')).toEqual([])
  })

  it('is quiet once it is seen, until something new calls', () => {
    const again = [into(0, 0), into(0, 1), into(0, 0), into(0, 1), into(0, 0), into(0, 1)]
    const seen = slate('odd', timed(again), { seenAt: NOW, verdicts: wrong(5, 6, 7, 8), hints: 2 })
    const withoutTrail = { ...seen, trail: { ...seen.trail, hintAt: NOW - 1 } }
    expect(about(withoutTrail).get('odd')).toBeUndefined()
    const before = { ...seen, seenAt: NOW - 10 * MINUTE }
    expect(
      about(before)
        .get('odd')
        ?.map(need => need.kind),
    ).toEqual(['circles', 'hint'])
    // Quiet stays seen until the next move.
    const still = slate('odd', timed([into(0, 0)], 8 * MINUTE))
    expect(about(still).get('odd')).toEqual([{ kind: 'quiet', minutes: 8, usual: 0 }])
    expect(about({ ...still, seenAt: NOW - MINUTE }).get('odd')).toBeUndefined()
    expect(about({ ...still, seenAt: NOW - 9 * MINUTE }).get('odd')?.[0]?.kind).toBe('quiet')
  })

  it('is who asks, before all others, and not once it is handed in', () => {
    const asking = slate('odd', timed([into(0, 0)]), { handAt: NOW - 3 * MINUTE })
    expect(about(asking).get('odd')).toEqual([{ kind: 'asks', minutes: 3 }])
    expect(about({ ...asking, status: 'not-opened', movedAt: null }).get('odd')).toEqual([{ kind: 'asks', minutes: 3 }])
    expect(about({ ...asking, status: 'handed-in' }).get('odd')).toBeUndefined()
  })

  it('comes in an order: asking, quiet, circles, wrong, stuck, hints; the worse first, and no reason last', () => {
    const list: (readonly Need[] | undefined)[] = [
      [{ kind: 'asks', minutes: 4 }],
      [{ kind: 'asks', minutes: 1 }],
      [{ kind: 'quiet', minutes: 9, usual: 1 }],
      [{ kind: 'circles', piece: PIECES[0]!, times: 5, usual: 0 }],
      [
        { kind: 'wrong', wrong: 6, usual: 1 },
        { kind: 'hint', hints: 1, usual: 0 },
      ],
      [{ kind: 'wrong', wrong: 6, usual: 1 }],
      [{ kind: 'wrong', wrong: 4, usual: 1 }],
      [{ kind: 'stuck', moves: 12, usual: 2 }],
      [{ kind: 'hint', hints: 2, usual: 0 }],
      undefined,
    ]
    const shuffled = list.toSorted((a, b) => JSON.stringify(a ?? '').localeCompare(JSON.stringify(b ?? '')))
    expect(shuffled.toSorted(byNeed)).toEqual(list)
  })

  it('never is most of a class for any one reason, whatever its moves are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.tuple(fc.nat(9), fc.nat(3)), { maxLength: 30 }), { minLength: 8, maxLength: 30 }),
        histories => {
          const slates = histories.map((moves, i) =>
            slate(`s${i}`, timed(moves.map(([p, z]) => (z === 3 ? beside(p) : into(p, z)))), {
              verdicts: wrong(...moves.filter(([p]) => p % 2 === 0).map(([p]) => p)),
              hints: moves.length % 3,
            }),
          )
          const counts = new Map<string, number>()
          for (const need of [...needsOf(slates, NOW).values()].flat())
            counts.set(need.kind, (counts.get(need.kind) ?? 0) + 1)
          for (const [kind, count] of counts)
            expect(count, kind).toBeLessThanOrEqual(Math.ceil((slates.length + 1) / 4))
        },
      ),
      { numRuns: 60 },
    )
  })
})
