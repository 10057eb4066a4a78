import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { OnSlateIdSchema, PieceIdSchema, type PieceId } from '../../../core/board/ids'
import { makeEdition } from '../../../core/board/edition'
import { HOLDER, type Actor, type Author } from '../../../core/slate/actor'
import { carry } from '../../../core/slate/carry'
import { touchedSince, withHands } from '../../../core/slate/hands'
import { apply, type Move } from '../../../core/slate/move'
import { MoveSchema } from '../../../core/slate/moveSchema'
import {
  emptySlate,
  MOST_ARROWS,
  MOST_INK_POINTS,
  MOST_LETTERS,
  MOST_STROKES,
  startOf,
  type SlateState,
} from '../../../core/slate/state'
import { StrokeIdSchema } from '../../../core/slate/stateSchema'
import { ClientMessageSchema, LARGEST_MESSAGE } from '../../../core/sync/messages'
import { isStorable, storable, utf8Length } from '../../../core/text/stored'
import { anyMove, edition } from '../../anyMove'
import { pieceId, placeId, shore } from '../../boards'

const start = startOf(edition)
const refusal = (move: Move, state: SlateState = start, actor: Actor = HOLDER, on = edition) => {
  const result = apply(state, move, { edition: on, actor })
  return result.ok ? null : result.reason.code
}
const at = (x: number, more: object = {}) => ({ x, y: 5, z: 1, ...more })
const copies = (n: number, more: object = {}) =>
  Object.fromEntries(Array.from({ length: n }, (_, i) => [`bin~${String(i).padStart(5, '0')}`, at(1, more)])) as Record<
    PieceId,
    ReturnType<typeof at>
  >

describe('the state that results', () => {
  it.each<[string, (pieces: Record<string, object>) => Move]>([
    [
      'put',
      pieces => ({ kind: 'put', piece: Object.keys(pieces)[0]!, ...Object.values(pieces)[0]! }) as unknown as Move,
    ],
    ['arrange', pieces => ({ kind: 'arrange', pieces }) as unknown as Move],
    ['restore', pieces => ({ kind: 'restore', pieces, texts: {}, arrows: {}, strokes: [] }) as unknown as Move],
    ['revert', pieces => ({ kind: 'revert', pieces, texts: {}, arrows: {}, strokes: {} }) as unknown as Move],
  ])('is checked once for all moves: %s goes round nothing', (_, move) => {
    expect(refusal(move({ c5: at(60, { turn: 90 }) }))).toBe('not-allowed')
    expect(refusal(move({ c1: at(60, { flipped: true }) }))).toBe('not-allowed')
    expect(refusal(move({ c0: at(60, { turn: 90 }) }))).toBeNull()
    expect(refusal(move({ 'bin~aaaa': at(60, { flipped: true, turn: 15 }) }))).toBeNull()
  })

  it('holds no more copies, letters, ink and arrows than a slate does, and may always become smaller', () => {
    const full: SlateState = { ...start, pieces: { ...start.pieces, ...copies(999) } }
    expect(refusal({ kind: 'put', piece: 'bin~zzzzz' as PieceId, x: 1, y: 1 }, full)).toBe('full')
    const over: SlateState = { ...start, pieces: { ...start.pieces, ...copies(30_000) } }
    expect(refusal({ kind: 'shelve', piece: 'bin~00001' as PieceId }, over)).toBeNull()
    const inky: SlateState = {
      ...start,
      strokes: {
        'stroke-1': {
          place: placeId('d'),
          points: Array.from({ length: MOST_INK_POINTS }, () => [1, 1] as [number, number]),
        },
      },
    }
    expect(refusal({ kind: 'draw', stroke: 'stroke-2', place: placeId('d'), points: [[1, 1]] }, inky)).toBe('full')
    const joined: SlateState = {
      ...start,
      arrows: Object.fromEntries(Array.from({ length: MOST_ARROWS }, (_, i) => [`a${i}>b`, true as const])),
    }
    expect(refusal({ kind: 'connect', from: pieceId('c0'), to: pieceId('c1') }, joined)).toBe('full')
    expect(refusal({ kind: 'disconnect', from: 'a1' as PieceId, to: 'b' as PieceId }, joined)).toBeNull()
    expect(MOST_STROKES * 3).toBeLessThan(MOST_LETTERS)
  })

  it('forgets what was taken away before anything is refused, no more of it than it must, and the same on every device', () => {
    const line = (i: number, gone: boolean) =>
      [
        `stroke-${1000 + i}`,
        {
          place: placeId('d'),
          points: [
            [1, 1],
            [2, 2],
          ] as [number, number][],
          ...(gone && { gone: true as const }),
        },
      ] as const
    const drawing = (gone: (i: number) => boolean, order = 1): SlateState => ({
      ...start,
      strokes: Object.fromEntries(
        Array.from({ length: MOST_STROKES }, (_, i) => line(i, gone(i))).toSorted(() => order),
      ),
    })
    const draw: Move = { kind: 'draw', stroke: 'stroke-new', place: placeId('d'), points: [[1, 1]] }
    const made = (state: SlateState) => {
      const result = apply(state, draw, { edition, actor: HOLDER })
      if (!result.ok) throw new Error(result.reason.code)
      return Object.keys(result.value.strokes)
    }
    expect(
      refusal(
        draw,
        drawing(() => false),
      ),
    ).toBe('full')
    const [some, turned] = [drawing(i => i % 100 === 7), drawing(i => i % 100 === 7, -1)].map(made)
    expect(some).toHaveLength(MOST_STROKES)
    expect(some).not.toContain('stroke-1007')
    expect(some).toEqual(expect.arrayContaining(['stroke-new', 'stroke-1107']))
    expect(new Set(turned)).toEqual(new Set(some))
    // What is taken away by this very move isn't forgotten with it.
    const away = apply(
      drawing(() => false),
      { kind: 'rub', strokes: ['stroke-1003'] as never, gone: true },
      { edition, actor: HOLDER },
    )
    expect(away.ok && away.value.strokes['stroke-1003']?.gone).toBe(true)
    // Ink that can't be made room for leaves all as it was: nothing is forgotten for a move that is refused.
    const inky: SlateState = {
      ...start,
      strokes: {
        ...Object.fromEntries([line(1, true)]),
        'stroke-big': {
          place: placeId('d'),
          points: Array.from({ length: MOST_INK_POINTS }, () => [1, 1] as [number, number]),
        },
      },
    }
    expect(refusal(draw, inky)).toBe('full')
  })

  it('never holds too much, whatever is sent', () => {
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 30 }), moves => {
        const end = moves.reduce((state, move) => {
          const result = apply(state, move, { edition, actor: HOLDER })
          return result.ok ? result.value : state
        }, start)
        for (const [id, { turn, flipped }] of Object.entries(end.pieces)) {
          const { piece } = edition.pieces.get(id as PieceId)!
          expect(!turn || piece.turns).toBeTruthy()
          expect(!flipped || piece.kind === 'tile').toBeTruthy()
        }
      }),
    )
  })

  it('fits into one message, the largest that a student can arrange', () => {
    const longest = { x: -12345.678901234567, y: -12345.678901234567, z: 1_000_000_000, turn: 359, flipped: true }
    const pieces = Object.fromEntries(
      Array.from({ length: 1000 }, (_, i) => [`${'b'.repeat(40)}~${String(i).padStart(24, 'c')}`, longest]),
    )
    const move = { kind: 'arrange', pieces }
    expect(v.safeParse(MoveSchema, move).success).toBe(true)
    expect(utf8Length(JSON.stringify({ id: 'x'.repeat(40), move }))).toBeLessThan(LARGEST_MESSAGE)
  })
})

describe('names and texts', () => {
  it.each(['constructor', 'toString', 'valueOf', 'hasOwnProperty', '__proto__'])(
    'that every object has (%s) are no ids',
    name => {
      for (const schema of [PieceIdSchema, OnSlateIdSchema, StrokeIdSchema])
        expect(v.safeParse(schema, name).success).toBe(false)
      expect(v.safeParse(MoveSchema, { kind: 'write', in: name, text: 'x' }).success).toBe(false)
    },
  )

  it('of slates are one, in whichever case they come', () => {
    const message = { say: 'close', slate: 'ABCDEF00-0000-4000-8000-00000000000A' }
    expect(v.parse(ClientMessageSchema, message)).toMatchObject({ slate: 'abcdef00-0000-4000-8000-00000000000a' })
  })

  it("that can't be stored are refused, and can be made storable", () => {
    for (const bad of ['\u0000', 'a\uD800', '\uDC00b', '\uD800\uD800', '\u0008', 'x\u001F']) {
      expect(v.safeParse(MoveSchema, { kind: 'write', in: 'w', text: bad }).success).toBe(false)
    }
    for (const good of ['', 'Tide\n\ttable', 'ñ 漢 \u{1F41A}', 'e\u0301', '\u007F']) expect(isStorable(good)).toBe(true)
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary' }),
        fc.array(fc.constantFrom('\u0000', '\uD800', '\uDC00', '\u0001')),
        (text, bad) => {
          const made = storable(text + bad.join('') + text)
          expect(isStorable(made)).toBe(true)
          expect(isStorable(text) ? made.startsWith(text) : true).toBe(true)
        },
      ),
    )
  })

  it('take as many bytes as UTF-8 says', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), text => {
        expect(utf8Length(text)).toBe(Buffer.byteLength(text, 'utf8'))
      }),
    )
    for (const half of ['\uD800', 'a\uDC00', '\uDC00\uD800'])
      expect(utf8Length(half)).toBe(Buffer.byteLength(half, 'utf8'))
  })
})

describe('hands', () => {
  it('say nothing while one student works alone, and tell since when somebody else has touched a thing', () => {
    const thing = 'piece:c0'
    const touched = (state: SlateState, author: Author, number: number) =>
      withHands({ was: state, state, things: [thing], author, number, edition })
    expect(touched(emptySlate, 'student:1', 1)).toBe(emptySlate)
    let state = touched(emptySlate, 'student:2', 2)
    expect([touchedSince(state, thing, 'student:1', 1), touchedSince(state, thing, 'student:2', 2)]).toEqual([
      true,
      false,
    ])
    state = touched(state, 'student:1', 3)
    expect([
      touchedSince(state, thing, 'student:1', 1),
      touchedSince(state, thing, 'student:1', 3),
      touchedSince(state, thing, 'student:2', 2),
    ]).toEqual([true, false, true])
    state = touched(touched(state, 'student:1', 4), 'teacher:0', 5)
    expect(touchedSince(state, thing, 'student:1', 4)).toBe(true)
    expect(touchedSince(state, 'piece:c1', 'student:1', 0)).toBe(false)
  })
})

describe('parts', () => {
  const board = shore()
  board.pages[0]!.places[0]!.part = 1
  const parted = makeEdition(board)
  const [one, second, nobody] = [1, 2, 'none'].map((part): Actor => ({
    author: 'student:2',
    part: part as Actor['part'],
  })) as [Actor, Actor, Actor]
  const inside: SlateState = { ...emptySlate, pieces: { [pieceId('c0')]: { x: 160, y: 240, z: 1 } } }

  it('let in whose they are, and nobody else: neither into it nor out of it', () => {
    const into: Move = { kind: 'put', piece: pieceId('c0'), x: 160, y: 240 }
    const out: Move = { kind: 'shelve', piece: pieceId('c0') }
    expect([one, second, nobody, HOLDER].map(actor => refusal(into, emptySlate, actor, parted))).toEqual([
      null,
      'not-your-part',
      'not-your-part',
      null,
    ])
    expect([one, second].map(actor => refusal(out, inside, actor, parted))).toEqual([null, 'not-your-part'])
    expect(
      refusal({ kind: 'arrange', pieces: { [pieceId('c1')]: { x: 480, y: 240, z: 2 } } }, inside, second, parted),
    ).toBeNull()
  })

  it('are spared when somebody else starts again', () => {
    const worked: SlateState = { ...inside, pieces: { ...inside.pieces, [pieceId('c1')]: { x: 480, y: 240, z: 2 } } }
    const after = (part: number | undefined, actor: Actor) => {
      const result = apply(worked, { kind: 'start-again', ...(part && { part }) }, { edition: parted, actor })
      return result.ok ? Object.keys(result.value.pieces) : result.reason.code
    }
    expect([after(2, second), after(1, one), after(undefined, second), after(undefined, HOLDER)]).toEqual([
      ['c0'],
      [],
      'not-your-part',
      [],
    ])
  })
})

describe('carrying work to another edition', () => {
  it('changes nothing for the same one, whatever was done', () => {
    fc.assert(
      fc.property(fc.array(anyMove), moves => {
        const state = moves.reduce((now, move) => {
          const result = apply(now, move, { edition, actor: HOLDER })
          return result.ok ? result.value : now
        }, start)
        expect(carry(state, edition, edition)).toEqual({ state, changes: [] })
      }),
    )
  })

  it('says of each thing what becomes of it', () => {
    const page = edition.board.pages[0]!
    const [pieces, places] = [
      page.pieces.filter(p => p.id !== 'c1' && p.id !== 'bin').map(p => ({ ...p, turns: undefined })),
      page.places.filter(p => p.id !== 'd' && p.id !== 'w'),
    ]
    const moved = pieces.filter(p => p.id === 'c2')
    const to = makeEdition({
      ...edition.board,
      pages: [
        {
          ...page,
          width: 500,
          arrows: undefined,
          pieces: pieces.filter(p => p.id !== 'c2'),
          places,
          ledge: [],
          staged: { c5: { x: 9, y: 9 }, c3: { x: 20, y: 20 } },
        },
        { ...page, id: 'second' as typeof page.id, pieces: moved, places: [], ledge: [], staged: {} },
      ],
    } as typeof edition.board)
    const state: SlateState = {
      pieces: { c0: at(900, { turn: 90 }), c1: at(5), c2: at(6), c4: at(7), 'bin~aaaa': at(8) } as SlateState['pieces'],
      texts: { w: 'gone', 'g:0': 'stays' },
      arrows: { 'c0>c4': true },
      strokes: { 'stroke-a': { place: placeId('d'), points: [[1, 1]] } },
      hints: {},
      own: {
        'text-thing-a': {
          kind: 'text',
          page: page.id,
          x: 900,
          y: 20,
          width: 200,
          height: 30,
          ink: 'sea',
          size: 'small',
          text: 'stays',
          by: 'student:1',
        },
        'colour-z0': { kind: 'colour', page: page.id, place: placeId('gone'), fill: 'mint', by: 'student:1' },
      },
    }
    const { state: after, changes } = carry(state, edition, to)
    expect(changes.map(c => `${c.what} ${c.item}`).toSorted()).toEqual([
      'arrow-gone c0>c4',
      'ink-gone stroke-a',
      'own-gone colour-z0',
      'piece-gone bin~aaaa',
      'piece-gone c1',
      'piece-moved c0',
      'piece-shelved c2',
      'piece-straightened c0',
      'text-gone w',
    ])
    expect(after).toEqual({
      pieces: { c0: at(500), c4: at(7) },
      texts: { 'g:0': 'stays' },
      arrows: {},
      strokes: {},
      hints: {},
      own: { 'text-thing-a': { ...state.own['text-thing-a'], x: 500 } },
    })
  })
})
