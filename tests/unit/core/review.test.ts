import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Board } from '../../../core/board/board'
import { acceptedToo } from '../../../core/keys/accept'
import { markSlate } from '../../../core/keys/mark'
import { gatherAnswers, type OneAnswer } from '../../../core/review/answers'
import { LINE_ORDERS, lineUp, nextWaiting, type InLine } from '../../../core/review/line'
import { SLATE_STATUSES } from '../../../core/slate/status'
import { startOf, type SlateState } from '../../../core/slate/state'
import { keyedShore, keyId, middleOf, pieceId } from '../../boards'

const slate = (id: string, more: Partial<InLine> = {}): InLine => ({
  id,
  name: `Student ${id}`,
  mark: null,
  status: 'handed-in',
  reviewed: false,
  unsure: 0,
  ...more,
})

describe('the line of those to review', () => {
  it('begins with what waits: what the key is unsure of first, what was looked at last', () => {
    const line = lineUp(
      [
        slate('a', { status: 'handed-back' }),
        slate('b', { status: 'under-way', unsure: 4 }),
        slate('c', { reviewed: true, unsure: 3 }),
        slate('d'),
        slate('e', { unsure: 1 }),
        slate('f', { status: 'not-opened' }),
      ],
      'waiting',
    )
    expect(line.map(one => one.id).join('')).toBe('edcbfa')
  })

  it('has numbers in names and groups by their value', () => {
    const ten = slate('x', { name: 'Frame 10', mark: 'oak' })
    const two = slate('y', { name: 'Frame 2', mark: 'ash' })
    expect(lineUp([ten, two], 'name')).toEqual([two, ten])
    expect(lineUp([ten, two], 'group')).toEqual([two, ten])
  })

  const slates = fc.uniqueArray(
    fc.record({
      id: fc.string({ minLength: 1, maxLength: 3 }),
      name: fc.constantFrom('Ada', 'Bo', ''),
      mark: fc.constantFrom(null, 'oak'),
      status: fc.constantFrom(...SLATE_STATUSES),
      reviewed: fc.boolean(),
      unsure: fc.nat(3),
    }),
    { selector: one => one.id },
  )
  it('has everybody once, whatever the order, however they come', () => {
    fc.assert(
      fc.property(slates, fc.constantFrom(...LINE_ORDERS), (some, order) => {
        const line = lineUp(some, order)
        expect(new Set(line)).toEqual(new Set(some))
        expect(lineUp(some.toReversed(), order)).toEqual(line)
      }),
    )
  })

  it('goes on to the next that waits and wasn’t reviewed, past the end, and never to the one it is at', () => {
    const line = [slate('a'), slate('b', { reviewed: true }), slate('c'), slate('d', { status: 'under-way' })]
    expect(nextWaiting(line, 'a')?.id).toBe('c')
    expect(nextWaiting(line, 'c')?.id).toBe('a')
    expect(nextWaiting([slate('a')], 'a')).toBeNull()
    expect(nextWaiting([], 'a')).toBeNull()
    fc.assert(
      fc.property(slates, some => {
        const seen = new Set<string>()
        for (let at = some[0]?.id; at !== undefined; at = nextWaiting(some, at)?.id) {
          if (seen.has(at)) break
          seen.add(at)
        }
        const waiting = some.filter(one => one.status === 'handed-in' && !one.reviewed)
        // From the first one on everybody who waits is met.
        expect(waiting.every(one => seen.has(one.id))).toBe(true)
      }),
    )
  })
})

const at = (board: Board, lying: Readonly<Record<string, string>>): SlateState => ({
  ...startOf(makeEdition(board)),
  pieces: Object.fromEntries(
    Object.entries(lying).map(([piece, place], n) => [piece, { ...middleOf(board, place), z: n + 1 }]),
  ),
})
const markOf = (board: Board, state: SlateState, item: string) =>
  markSlate(state, makeEdition(board))[0]!.items.find(one => one.item === item)!

describe('answers to one item', () => {
  const board = keyedShore()
  const answer = (slate: string, state: SlateState): OneAnswer => ({
    slate,
    mark: markOf(board, state, 'c0'),
    decided: null,
  })

  it('are gathered where they are alike, whatever share of the card lies inside', () => {
    const right = at(board, { c0: 'z0' })
    const nudged = { ...right, pieces: { ...right.pieces, c0: { ...right.pieces[pieceId('c0')]!, x: 130 } } }
    const groups = gatherAnswers([
      answer('a', right),
      answer('b', at(board, { c0: 'z1' })),
      answer('c', nudged as SlateState),
      answer('d', at(board, { c0: 'z1' })),
      answer('e', at(board, { c0: 'z2' })),
      answer('f', at(board, {})),
    ])
    expect(groups.map(one => [one.verdict, one.answers.map(a => a.slate).join('')])).toEqual([
      ['wrong', 'bd'],
      ['wrong', 'e'],
      ['right', 'ac'],
      ['not-placed', 'f'],
    ])
  })

  it('loses nobody', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('z0', 'z1', 'z2', null)), lying => {
        const answers = lying.map((place, i) => answer(String(i), at(board, place ? { c0: place } : {})))
        const groups = gatherAnswers(answers)
        expect(groups.flatMap(group => group.answers).length).toBe(answers.length)
        expect(new Set(groups.flatMap(group => group.answers))).toEqual(new Set(answers))
      }),
      { numRuns: 30 },
    )
  })
})

describe('what was done is right as well', () => {
  const board = keyedShore()
  const accept = (state: SlateState, item: string) => acceptedToo(state, makeEdition(board), { key: keyId('k'), item })

  it('for the one item, and for nothing else that was done', () => {
    const state = at(board, { c0: 'z1', c1: 'z2' })
    const next = accept(state, 'c0')!
    expect(markOf(next, state, 'c0').verdict).toBe('right')
    expect(markOf(next, at(board, { c0: 'z0' }), 'c0').verdict).toBe('right')
    expect(markOf(next, state, 'c1').verdict).toBe('wrong')
    expect({ ...next, keys: [] }).toEqual({ ...board, keys: [] })
  })

  it('of a card that belongs nowhere too', () => {
    expect(markOf(accept(at(board, { c5: 'z2' }), 'c5')!, at(board, { c5: 'z2' }), 'c5').verdict).toBe('right')
  })

  it('not where it is right already, where nothing was done, on the line, or of what isn’t there', () => {
    expect(accept(at(board, { c0: 'z0' }), 'c0')).toBeNull()
    expect(accept(at(board, {}), 'c0')).toBeNull()
    const between = at(board, { c0: 'z0' })
    const zones = board.pages[0]!.places.map(place => place.shape as { x: number; width: number })
    const edge = (zones[0]!.x + zones[0]!.width + zones[1]!.x) / 2
    const half = { ...between, pieces: { ...between.pieces, c0: { ...between.pieces[pieceId('c0')]!, x: edge } } }
    expect(accept(half as SlateState, 'c0')).toBeNull()
    expect(accept(at(board, { c0: 'z1' }), 'c9')).toBeNull()
    expect(acceptedToo(at(board, { c0: 'z1' }), makeEdition(board), { key: keyId('other'), item: 'c0' })).toBeNull()
  })
})
