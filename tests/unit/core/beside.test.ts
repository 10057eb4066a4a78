import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition, type Edition } from '../../../core/board/edition'
import { setExplain, setHints, setNotes } from '../../../core/design/around'
import { whatMoved } from '../../../core/placement/whatMoved'
import { HOLDER, type Actor } from '../../../core/slate/actor'
import { besideName, besideOf, reasonsOf } from '../../../core/slate/beside'
import { carry } from '../../../core/slate/carry'
import { apply, invert, type Move } from '../../../core/slate/move'
import { hintsOf } from '../../../core/slate/moves/hint'
import { emptySlate, isUntouched, type SlateState } from '../../../core/slate/state'
import { anyMove, edition as rich } from '../../anyMove'
import { middleOf, pageId, pieceId, placeId, shore } from '../../boards'

const page = pageId('page')
const asked = makeEdition(
  setHints(
    setNotes(setExplain(shore(), page, 'places'), page, true),
    page,
    null,
    'Look at the feet.\n\n  Which ones hold on? \nThe barnacle never leaves.',
  ),
)
const write = (name: string, text: string): Move => ({ kind: 'write', in: name, text })
const hint = (number: number, of = page): Move => ({ kind: 'hint', of, number })
const codeOf = (edition: Edition, state: SlateState, move: Move, actor: Actor = HOLDER) => {
  const made = apply(state, move, { edition, actor })
  return made.ok ? 'ok' : made.reason.code
}
const after = (edition: Edition, ...moves: Move[]) =>
  moves.reduce((state, move) => {
    const made = apply(state, move, { edition, actor: HOLDER })
    if (!made.ok) throw new Error(made.reason.code)
    return made.value
  }, emptySlate as SlateState)

describe('what is written beside a page', () => {
  it('is kept under a name of its own, and known by it', () => {
    expect(besideOf(besideName('z0', 'reason'))).toEqual({ on: 'z0', what: 'reason' })
    expect(['z0', 'g:1', 'bin~a1b2c3', '~reason', 'z0~reason~notes', 'z0~'].map(besideOf)).toEqual([
      null,
      null,
      null,
      null,
      null,
      null,
    ])
  })

  it('is taken only where the board has room for it', () => {
    const bare = makeEdition(shore())
    const onPage = makeEdition(setExplain(shore(), page, 'page'))
    const names = ['z0~reason', 'page~reason', 'page~notes', 'page~differently', 'c0~reason', 'gone~notes']
    const says = (edition: Edition) => names.map(name => codeOf(edition, emptySlate, write(name, 'since')))
    expect(says(asked)).toEqual(['ok', 'not-allowed', 'ok', 'ok', 'not-allowed', 'not-allowed'])
    expect(says(onPage)).toEqual(['not-allowed', 'ok', 'not-allowed', 'ok', 'not-allowed', 'not-allowed'])
    expect(says(bare)).toEqual(['not-allowed', 'not-allowed', 'not-allowed', 'ok', 'not-allowed', 'not-allowed'])
  })

  it('is asked for each place that takes pieces, in their order, and never on a page to read', () => {
    expect(reasonsOf(asked.board.pages[0]!).map(r => [r.name, r.place?.heading])).toEqual([
      ['z0~reason', 'Clings'],
      ['z1~reason', 'Crawls'],
      ['z2~reason', 'Swims'],
    ])
    expect(reasonsOf({ ...asked.board.pages[0]!, reading: true })).toEqual([])
    expect(
      codeOf(
        makeEdition({ ...asked.board, pages: [{ ...asked.board.pages[0]!, reading: true }] }),
        emptySlate,
        write('page~notes', 'x'),
      ),
    ).toBe('not-allowed')
  })

  it('belongs to the part that its place is', () => {
    const [first, ...others] = asked.board.pages[0]!.places
    const parted = makeEdition({
      ...asked.board,
      pages: [{ ...asked.board.pages[0]!, places: [{ ...first!, part: 1 }, ...others] }],
    })
    const as = (part: number): Actor => ({ author: `student:${part}`, part })
    expect([1, 2].map(part => codeOf(parted, emptySlate, write('z0~reason', 'since'), as(part)))).toEqual([
      'ok',
      'not-your-part',
    ])
    expect(codeOf(parted, emptySlate, write('page~notes', 'x'), as(2))).toBe('ok')
  })

  it('and hints that were seen outlive starting again; only that pieces lie, or words stand on the page, makes it worth starting again', () => {
    const thought = after(asked, write('z0~reason', 'they hold on'), hint(1))
    expect(isUntouched(thought, asked)).toBe(true)
    const worked = after(asked, write('z0~reason', 'they hold on'), hint(1), {
      kind: 'put',
      piece: pieceId('c0'),
      x: 20,
      y: 20,
    })
    expect(isUntouched(worked, asked)).toBe(false)
    const again = apply(worked, { kind: 'start-again' }, { edition: asked, actor: HOLDER })
    expect(again).toMatchObject({
      ok: true,
      value: { pieces: {}, texts: { 'z0~reason': 'they hold on' }, hints: { page: 1 } },
    })
  })

  it('goes on to another edition as far as that has room for it', () => {
    const state = after(asked, write('z0~reason', 'a'), write('page~notes', 'b'), hint(1), hint(2))
    const fewer = makeEdition(setHints(setNotes(asked.board, page, false), page, null, 'One hint only'))
    expect(carry(state, asked, fewer)).toMatchObject({
      state: { texts: { 'z0~reason': 'a' }, hints: { page: 1 } },
      changes: [{ what: 'text-gone', item: 'page~notes' }],
    })
    expect(carry(state, asked, makeEdition(setHints(asked.board, page, null, ''))).state.hints).toEqual({})
  })
})

describe('hints', () => {
  it('are one a line, trimmed, as many as there may be', () => {
    expect(hintsOf(asked, page)).toEqual(['Look at the feet.', 'Which ones hold on?', 'The barnacle never leaves.'])
    expect(hintsOf(makeEdition(setHints(shore(), page, null, 'a\nb\nc\nd\ne\nf\ng')), page)).toHaveLength(5)
  })

  it('come one after the other, none is passed over, and none beyond the last', () => {
    expect(codeOf(asked, emptySlate, hint(2))).toBe('not-allowed')
    const two = after(asked, hint(1), hint(2))
    expect(two.hints).toEqual({ page: 2 })
    expect(codeOf(asked, after(asked, hint(1), hint(2), hint(3)), hint(4))).toBe('not-allowed')
    expect(codeOf(asked, emptySlate, hint(1, pageId('elsewhere')))).toBe('not-allowed')
  })

  it("can't be unseen: nothing takes them back, and whatever else is done they stay", () => {
    expect(invert(emptySlate, hint(1), asked)).toBeNull()
    const hinted = makeEdition(setHints(rich.board, page, null, 'a\nb'))
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 12 }), moves => {
        let state: SlateState = after(hinted, hint(1))
        for (const move of moves) {
          const made = apply(state, move, { edition: hinted, actor: HOLDER })
          if (!made.ok) continue
          const back = invert(state, move, hinted)
          state = made.value
          expect(state.hints).toEqual({ page: 1 })
          const undone = back && apply(state, back, { edition: hinted, actor: HOLDER })
          if (undone?.ok) expect(undone.value.hints).toEqual({ page: 1 })
        }
      }),
    )
  })

  it('are the same for two who ask at once: replicas meet, however their moves come', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([1, 1, 2, 2, 3], { minLength: 5, maxLength: 5 }), numbers => {
        const seen = numbers.reduce<SlateState>((state, number) => {
          const made = apply(state, hint(number), { edition: asked, actor: HOLDER })
          return made.ok ? made.value : state
        }, emptySlate)
        // However they come, as many are seen as came in a row.
        let most = 0
        for (const number of numbers) if (number === most + 1) most = number
        expect(seen.hints[page] ?? 0).toBe(most)
      }),
    )
  })
})

describe('what has moved', () => {
  const at = (zone: string) => middleOf(asked.board, zone)
  const put = (piece: string, zone: string): Move => ({ kind: 'put', piece: pieceId(piece), ...at(zone) })

  it('are pieces that lie in other places, from where to where; one that was pushed about in its place has not', () => {
    const before = after(asked, put('c0', 'z0'), put('c1', 'z0'), put('c2', 'z1'))
    const now = after(asked, put('c0', 'z2'), { ...put('c1', 'z0'), x: at('z0').x + 20 } as Move, put('c3', 'z1'), {
      kind: 'put',
      piece: pieceId('c4'),
      x: 2,
      y: 2,
    })
    expect(whatMoved(before, now, asked)).toEqual([
      { page, piece: 'c0', from: [placeId('z0')], to: [placeId('z2')] },
      { page, piece: 'c2', from: [placeId('z1')], to: 'ledge' },
      { page, piece: 'c3', from: 'ledge', to: [placeId('z1')] },
      { page, piece: 'c4', from: 'ledge', to: 'outside' },
    ])
  })

  it('is nothing between a state and itself, and the same back to front', () => {
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 8 }), fc.array(anyMove, { maxLength: 8 }), (first, second) => {
        const play = (moves: readonly Move[]) =>
          moves.reduce<SlateState>((state, move) => {
            const made = apply(state, move, { edition: rich, actor: HOLDER })
            return made.ok ? made.value : state
          }, emptySlate)
        const [a, b] = [play(first), play(second)]
        expect(whatMoved(a, a, rich)).toEqual([])
        const byPiece = (all: readonly { piece: string; from: unknown; to: unknown }[]) =>
          all.map(({ piece, from, to }) => `${piece} ${String(from)} ${String(to)}`).toSorted()
        expect(
          byPiece(whatMoved(b, a, rich).map(({ from, to, ...rest }) => ({ ...rest, from: to, to: from }))),
        ).toEqual(byPiece(whatMoved(a, b, rich)))
      }),
      { numRuns: 60 },
    )
  })
})
