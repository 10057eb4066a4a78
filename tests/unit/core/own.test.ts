import fc from 'fast-check'
import * as v from 'valibot'
import { hex } from 'wcag-contrast'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { FILLS, INKS, PAGE_COLOURS } from '../../../core/board/inks'
import { TOOLS } from '../../../core/board/tools'
import { HOLDER, type Actor, type Author } from '../../../core/slate/actor'
import { undoOf } from '../../../core/slate/history'
import { apply, invert, type Move } from '../../../core/slate/move'
import { MoveSchema } from '../../../core/slate/moveSchema'
import { pictureFrom, resized } from '../../../core/tools/making'
import {
  boxOfOwn,
  colourId,
  mayUse,
  MOST_OWN,
  MOST_OWN_PICTURES,
  ownMoved,
  ownOn,
  pointsOfOwn,
  toolOf,
  toolsOn,
  type Own,
} from '../../../core/slate/own'
import { isUntouched, startOf, type SlateState } from '../../../core/slate/state'
import { anyOwn, edition, ownMoveBy } from '../../anyMove'
import { pieceId, placeId } from '../../boards'

const page = edition.board.pages[0]!
const start = startOf(edition)
const anyKind = fc.oneof(...(Object.values(anyOwn) as fc.Arbitrary<Own>[]))
const nameOf = (own: Own) => (own.kind === 'colour' ? colourId(own.place, own.cell) : `${own.kind}-thing-x`)
const make = (as: Own, by: Author = 'student:1'): Move => ({ kind: 'own', thing: nameOf(as), as, by })
const hand = (author: Author): Actor => ({ author, part: 'all' })
const text: Own = {
  kind: 'text',
  page: page.id,
  x: 100,
  y: 100,
  width: 120,
  height: 30,
  ink: 'sea',
  size: 'medium',
  text: 'limpets stay',
}
function refusal(state: SlateState, move: Move, actor: Actor = HOLDER, under = edition) {
  const result = apply(state, move, { edition: under, actor })
  return result.ok ? null : result.reason.code
}
function done(state: SlateState, move: Move, actor: Actor = HOLDER, number?: number): SlateState {
  const result = apply(state, move, { edition, actor, ...(number !== undefined && { number }) })
  if (!result.ok) throw new Error(JSON.stringify(result.reason))
  return result.value
}

describe('what students make', () => {
  it('needs the tool that the teacher gave, whatever it is', () => {
    const { tools: _, ...bare } = edition.board
    const none = makeEdition(bare)
    fc.assert(
      fc.property(anyKind, own => {
        expect(refusal(start, make(own))).toBeNull()
        expect(refusal(start, make(own), HOLDER, none)).toBe('not-allowed')
        const only = makeEdition({ ...bare, pages: bare.pages.map(p => ({ ...p, tools: [toolOf(own)] })) })
        expect(refusal(start, make(own), HOLDER, only)).toBeNull()
        const others = makeEdition({
          ...bare,
          pages: bare.pages.map(p => ({ ...p, tools: TOOLS.filter(tool => tool !== toolOf(own)) })),
        })
        expect(refusal(start, make(own), HOLDER, others)).toBe('not-allowed')
      }),
    )
  })

  it('of a page is what is given for the step, else for the page, else for the board', () => {
    const step = { id: 'step-1', x: 0, y: 0, width: 100, height: 100, instructions: '', tools: ['pen'] as const }
    const board = {
      ...edition.board,
      tools: ['note' as const],
      pages: [
        { ...page, tools: ['write' as const], steps: [step, { ...step, id: 'step-2', tools: undefined }] },
        { ...page, id: 'second' as typeof page.id, steps: undefined },
      ],
    } as unknown as typeof edition.board
    const at = (i: number, step?: string) => toolsOn(board, board.pages[i]!, step)
    expect([at(0), at(0, 'step-1'), at(0, 'step-2'), at(1)]).toEqual([['write'], ['pen'], ['write'], ['note']])
    const under = makeEdition({ ...board, pages: [board.pages[0]!] })
    expect(['write', 'pen', 'note', 'sign'].map(tool => mayUse(under, page.id, tool as 'pen'))).toEqual([
      true,
      true,
      false,
      false,
    ])
  })

  it('lies on its page, wherever it is moved', () => {
    fc.assert(
      fc.property(
        anyKind,
        fc.integer({ min: -3000, max: 3000 }),
        fc.integer({ min: -3000, max: 3000 }),
        (own, dx, dy) => {
          const moved = ownMoved(own, dx, dy, page)
          for (const { x, y } of pointsOfOwn(moved))
            expect(x >= -1e-9 && y >= -1e-9 && x <= page.width + 1e-9 && y <= page.height + 1e-9).toBe(true)
          expect({ ...boxOfOwn(moved), x: 0, y: 0 }).toEqual({
            ...boxOfOwn(own),
            x: 0,
            y: 0,
            ...(boxOfOwn(own) && {
              width: expect.closeTo(boxOfOwn(own)!.width, 6),
              height: expect.closeTo(boxOfOwn(own)!.height, 6),
            }),
          })
        },
      ),
    )
    expect(refusal(start, make({ ...text, x: page.width + 1 }))).toBe('off-page')
  })

  it('is bounded: words, points, and how much of it', () => {
    const parses = (as: unknown) =>
      v.safeParse(MoveSchema, { kind: 'own', thing: 'thing-123', as, by: 'student:1' }).success
    expect([
      parses(text),
      parses({ ...text, text: 'x'.repeat(501) }),
      parses({ ...text, text: '\u0000' }),
      parses({ ...text, width: 0 }),
      parses({ ...text, ink: '#ff0000' }),
    ]).toEqual([true, false, false, false, false])
    const ink = { kind: 'ink', page: page.id, wide: 'thin', pen: { tip: 'pen', ink: 'sea' } }
    const points = (n: number) => Array.from({ length: n }, () => [1, 1])
    expect(
      [
        points(400),
        points(401),
        [],
        [
          [1, 1, 0.5],
          [2, 2, 1],
        ],
        [
          [1, 1, 0.5],
          [2, 2],
        ],
        [[1, 1, 2]],
        [[NaN, 1]],
      ].map(p => parses({ ...ink, points: p })),
    ).toEqual([true, false, false, true, false, false, false])
    let full = start
    for (let i = 0; i < MOST_OWN; i++)
      full = { ...full, own: { ...full.own, [`thing-${1000 + i}`]: { ...text, text: '', by: 'student:1' } } }
    expect(refusal(full, make(text))).toBe('full')
    expect(
      refusal(full, { kind: 'own', thing: 'thing-1000', as: { ...text, text: '' }, by: 'student:1', gone: true }),
    ).toBeNull()
    const wordy = {
      ...start,
      own: Object.fromEntries(
        Array.from({ length: 80 }, (_, i) => [
          `thing-${1000 + i}`,
          { ...text, text: 'x'.repeat(500), by: 'student:1' as const },
        ]),
      ),
    }
    expect(refusal(wordy, make(text))).toBe('full')
  })

  it('names pieces and places that are there', () => {
    const line: Own = {
      kind: 'line',
      page: page.id,
      ink: 'sea',
      wide: 'thin',
      head: true,
      from: { x: 1, y: 1, on: pieceId('c0') },
      to: { x: 9, y: 9 },
    }
    expect(refusal(start, make(line))).toBeNull()
    expect(refusal(start, make({ ...line, to: { x: 9, y: 9, on: pieceId('nobody') } }))).toBe('unknown-piece')
    expect(refusal(start, make({ ...line, to: { x: 9, y: 9, on: pieceId('bin') } }))).toBe('unknown-piece')
    const colour: Own = { kind: 'colour', page: page.id, place: placeId('z0'), fill: 'mint' }
    expect(refusal(start, make({ ...colour, place: placeId('nowhere') }))).toBe('unknown-place')
    expect(refusal(start, make({ ...colour, cell: [0, 0] }))).toBe('not-allowed')
    expect(refusal(start, { ...make(colour), thing: 'another-name' } as Move)).toBe('not-allowed')
  })
})

describe('whose it is', () => {
  const adas = done(start, make(text, 'student:1'), hand('student:1'))
  it("a student changes and takes away what is their own; nobody makes a thing in somebody else's name", () => {
    const changed: Move = { ...make({ ...text, text: 'mine now' }, 'student:1') } as Move
    expect(refusal(adas, changed, hand('student:2'))).toBe('not-allowed')
    expect(refusal(adas, { ...changed, by: 'student:2' } as Move, hand('student:2'))).toBe('not-allowed')
    expect(refusal(adas, { ...changed, gone: true } as Move, hand('student:2'))).toBe('not-allowed')
    expect(refusal(adas, { ...changed, as: null } as Move, hand('student:2'))).toBe('not-allowed')
    expect(
      refusal(
        adas,
        { kind: 'revert', pieces: {}, texts: {}, arrows: {}, strokes: {}, own: { [nameOf(text)]: 'gone' } },
        hand('student:2'),
      ),
    ).toBe('not-allowed')
    expect(refusal(start, make(text, 'student:1'), hand('student:2'))).toBe('not-allowed')
    expect(refusal(adas, changed, hand('student:1'))).toBeNull()
    expect(refusal(adas, changed, hand('teacher:0'))).toBeNull()
  })

  it('colour belongs to its place: whoever may colour there colours it anew, and it stays whose it was', () => {
    const colour: Own = { kind: 'colour', page: page.id, place: placeId('z0'), fill: 'mint' }
    const mint = done(start, make(colour, 'student:1'), hand('student:1'))
    const rose = done(mint, make({ ...colour, fill: 'rose' }, 'student:1'), hand('student:2'))
    expect(rose.own[nameOf(colour)]).toMatchObject({ fill: 'rose', by: 'student:1' })
  })

  it('nothing comes into a slate unseen, to be shown by another move', () => {
    const hidden: Move = { kind: 'own', thing: 'hidden-thing', as: { ...text, x: 1e4 }, by: 'student:1', gone: true }
    expect(refusal(start, hidden)).toBe('not-allowed')
    expect(refusal(adas, { ...make({ ...text, x: 1e4 }), gone: true } as Move)).toBe('off-page')
  })

  it("starting again takes away one's own in a frame and spares what others have made; it comes back by one small move", () => {
    const both = done(adas, { kind: 'own', thing: 'bos-thing-1', as: text, by: 'student:2' }, hand('student:2'))
    const again: Move = { kind: 'start-again', part: 'none', by: 'student:1' }
    expect(refusal(both, { ...again, by: 'student:2' }, { author: 'student:1', part: 'none' })).toBe('not-allowed')
    const cleared = done(both, again, { author: 'student:1', part: 'none' })
    expect(ownOn(cleared.own, page.id).map(([id]) => id)).toEqual(['bos-thing-1'])
    const back = invert(both, again, edition)!
    expect(JSON.stringify(back).length).toBeLessThan(400)
    expect(done(cleared, back, { author: 'student:1', part: 'none' }).own).toEqual(both.own)
    expect(isUntouched(done(adas, { kind: 'start-again' }), edition)).toBe(true)
    expect(isUntouched(adas, edition)).toBe(false)
  })

  it("no interleaving lets anybody's undo change another's later work", () => {
    const authors = ['student:1', 'student:2', 'student:3'] as const
    const script = fc.array(
      fc
        .integer({ min: 0, max: 2 })
        .chain(who =>
          fc.record({ who: fc.constant(authors[who]!), move: ownMoveBy(authors[who]!), undo: fc.boolean() }),
        ),
      { maxLength: 30 },
    )
    fc.assert(
      fc.property(script, acts => {
        let state = start
        let number = 0
        const steps: { author: Author; id: string; inverse: Move; number: number }[] = []
        const lastBy = new Map<string, { author: Author; value: string }>()
        for (const { who, move, undo } of acts) {
          const step = undo ? steps.findLast(one => one.author === who) : undefined
          const made = step ? undoOf(step, who, state) : move
          if (step) steps.splice(steps.indexOf(step), 1)
          const result = made && apply(state, made, { edition, actor: hand(who), number: number + 1 })
          if (!result?.ok || result.value === state) continue
          number++
          for (const [id, thing] of Object.entries({ ...state.own, ...result.value.own })) {
            if (JSON.stringify(state.own[id]) === JSON.stringify(result.value.own[id])) continue
            const last = lastBy.get(id)
            // An undo touches only what its author touched last.
            if (step && last) expect(last.author).toBe(who)
            lastBy.set(id, { author: who, value: JSON.stringify(thing) })
          }
          if (!step) steps.push({ author: who, id: String(number), inverse: invert(state, made!, edition)!, number })
          state = result.value
        }
      }),
      { numRuns: 400 },
    )
  })
})

describe('what a teacher hides', () => {
  const teacher = hand('teacher:0')
  const by = (move: Move, more: object): Move => ({ ...move, ...more }) as Move
  const adas = done(start, make(text), hand('student:1'))
  const hidden = done(adas, by(make(text), { hidden: true }), teacher)

  it('nobody else sees, and it is known still who made it', () => {
    expect(ownOn(hidden.own, page.id)).toEqual([])
    expect(ownOn(hidden.own, page.id, true)).toMatchObject([[nameOf(text), { by: 'student:1', hidden: true }]])
    expect(done(hidden, make(text), teacher).own).toEqual(adas.own)
  })

  it('no student hides, shows, changes or takes away, whoever made it and whatever move is tried', () => {
    expect(refusal(adas, by(make(text), { hidden: true }))).toBe('not-allowed')
    expect(refusal(start, by(make(text), { hidden: true }), teacher)).toBe('not-allowed')
    fc.assert(
      fc.property(ownMoveBy('student:1'), fc.boolean(), (move, again) => {
        for (const tried of [
          move,
          make(text),
          by(make(text), { hidden: true, gone: true }),
          by(make(text), { as: null }),
          { kind: 'start-again' } as Move,
        ]) {
          const result = apply(hidden, again ? { ...tried } : tried, { edition, actor: hand('student:1') })
          if (result.ok) expect(result.value.own[nameOf(text)]).toEqual(hidden.own[nameOf(text)])
        }
      }),
    )
  })

  it("can be taken back by the teacher, and not by the student's own undo", () => {
    const hide = by(make(text), { hidden: true })
    const [first, second] = [done(start, make(text), hand('student:1'), 1), done(adas, hide, teacher, 2)]
    const back = invert(adas, hide, edition)!
    expect(done(second, back, teacher).own).toEqual(adas.own)
    const undo = undoOf({ id: 'a', inverse: invert(start, make(text), edition), number: 1 }, 'student:1', second)
    expect(undo).toBeNull()
    expect(first.own).toEqual(adas.own)
  })
})

describe('pictures', () => {
  const picture = (id: string): Own => ({
    kind: 'picture',
    page: page.id,
    x: 100,
    y: 100,
    width: 80,
    height: 60,
    picture: id,
    from: 'device',
    alt: '',
  })
  it('are so many at most on a slate, those that were taken away included', () => {
    let state = start
    for (let i = 0; i < MOST_OWN_PICTURES; i++)
      state = done(state, { kind: 'own', thing: `a-picture-${i}`, as: picture(`p${i}`), by: 'student:1' })
    state = done(state, { kind: 'own', thing: 'a-picture-0', as: picture('p0'), by: 'student:1', gone: true })
    expect(refusal(state, { kind: 'own', thing: 'one-too-many', as: picture('more'), by: 'student:1' })).toBe('full')
  })

  it('come to lie on the page, keep their proportions whatever is made of them, and name nothing but a picture', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8000 }),
        fc.integer({ min: 1, max: 8000 }),
        fc.array(fc.boolean(), { maxLength: 12 }),
        (width, height, steps) => {
          let own = pictureFrom(
            { picture: 'p', from: 'camera', alt: '' },
            { width, height },
            { state: start, page, edition },
            { x: 480, y: 270 },
          )
          if (own.kind !== 'picture') throw new Error('a picture')
          const ratio = own.width / own.height
          expect(refusal(start, { kind: 'own', thing: 'a-picture-x', as: own, by: 'student:1' })).toBeNull()
          for (const larger of steps) own = resized(own, larger, page)
          if (own.kind !== 'picture') throw new Error('a picture')
          expect(own.width).toBeLessThanOrEqual(page.width + 1)
          expect(own.height).toBeLessThanOrEqual(page.height + 1)
          // Whole points are all that is rounded away, a dozen times.
          const slack = 1 + 16 / Math.min(own.width, own.height)
          expect(own.width / own.height / ratio).toBeLessThan(slack)
          expect(ratio / (own.width / own.height)).toBeLessThan(slack)
        },
      ),
    )
    for (const id of ['../../files/x', 'https://elsewhere.example/x', '', 'x'.repeat(41)])
      expect(
        v.safeParse(MoveSchema, { kind: 'own', thing: 'a-picture-x', as: picture(id), by: 'student:1' }).success,
      ).toBe(false)
  })
})

describe('inks', () => {
  it('can be read on every page colour at 7 : 1 (WCAG 2.2, 1.4.6), and on every fill at 4.5 : 1 (1.4.3)', () => {
    for (const ink of Object.values(INKS)) {
      for (const colour of Object.values(PAGE_COLOURS)) expect(hex(ink, colour)).toBeGreaterThanOrEqual(7)
      for (const fill of Object.values(FILLS)) expect(hex(ink, fill)).toBeGreaterThanOrEqual(4.5)
    }
  })
})
