import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import type { Place } from '../../../core/board/place'
import { kindsFor } from '../../../core/keys/kinds'
import { setBoardTools } from '../../../core/design/tools'
import { answerSlate } from '../../../core/keys/answerSlate'
import { keysByDoing } from '../../../core/keys/keep'
import { markSlate } from '../../../core/keys/mark'
import { countsOf } from '../../../core/findings/counts'
import { preflight } from '../../../core/preflight/preflight'
import { HOLDER } from '../../../core/slate/actor'
import { apply } from '../../../core/slate/move'
import { colourId, type Own } from '../../../core/slate/own'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { keyId, pageId, placeId } from '../../boards'
import { boardOf, box } from '../../keyBoards'

const chart: Place = {
  kind: 'grid',
  id: placeId('g'),
  heading: 'Chart',
  rows: 10,
  columns: 10,
  shape: box(0, 0, 400, 400),
}
const cellOf = (n: number): [number, number] => [Math.floor((n - 1) / 10), (n - 1) % 10]
// The multiples of 7 up to a hundred: OEIS A008589.
const SEVENS = [7, 14, 21, 28, 35, 42, 49, 56, 63, 70, 77, 84, 91, 98]
const charted = setBoardTools(
  boardOf([chart], [], { kind: 'cover', grid: 'g', cells: SEVENS.map(n => cellOf(n).join()) }),
  ['colour'],
)
const zone = (id: string, x: number): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 0, 300, 300),
})
const polled = setBoardTools(boardOf([zone('yes', 0), zone('no', 320)], [], { kind: 'vote', places: ['yes', 'no'] }), [
  'sign',
])

/** The slate once these moves were made; each must be one that a student can make. */
function made(
  board: Board,
  things: readonly { id: string; as: Own; gone?: true }[],
  from: SlateState = emptySlate,
): SlateState {
  return things.reduce((state, { id, as, gone }) => {
    const result = apply(
      state,
      { kind: 'own', thing: id, as, by: HOLDER.author, ...(gone && { gone }) },
      { edition: makeEdition(board), actor: HOLDER },
    )
    if (!result.ok) throw new Error(JSON.stringify(result.reason))
    return result.value
  }, from)
}
const filled = (n: number, gone?: true) => ({
  id: colourId('g', cellOf(n)),
  as: { kind: 'colour' as const, page: pageId('page'), place: placeId('g'), cell: cellOf(n), fill: 'straw' as const },
  ...(gone && { gone }),
})
const signed = (id: string, x: number, y: number, sign: 'tick' | 'question' = 'tick') => ({
  id: `sign-${id}-xxxx`,
  as: { kind: 'sign' as const, page: pageId('page'), ink: 'graphite' as const, x, y, sign },
})
const marked = (board: Board, state: SlateState) => markSlate(state, makeEdition(board))[0]!.items

describe('cells that are coloured in', () => {
  it('are covered, each missing one and each too many counted', () => {
    const all = made(
      charted,
      SEVENS.map(n => filled(n)),
    )
    expect(marked(charted, all)[0]).toMatchObject({ verdict: 'right', points: 14, of: 14 })
    expect(marked(charted, made(charted, [filled(14, true)], all))[0]).toMatchObject({
      verdict: 'wrong',
      points: 13,
      reason: { code: 'cover-missing', words: { missing: { cells: ['1,3'] } } },
    })
    expect(marked(charted, made(charted, [filled(27)], all))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'cover-over', words: { extra: { cells: ['2,6'] } } },
    })
    expect(marked(charted, emptySlate)[0]).toMatchObject({ verdict: 'not-placed' })
  })

  it('count no longer once a teacher hides them', () => {
    const all = made(
      charted,
      SEVENS.map(n => filled(n)),
    )
    const hidden = {
      ...all,
      own: { ...all.own, [colourId('g', cellOf(7))]: { ...all.own[colourId('g', cellOf(7))]!, hidden: true as const } },
    }
    expect(marked(charted, hidden)[0]).toMatchObject({ verdict: 'wrong', points: 13 })
  })

  it('make a key as well as covers do, and the key shows itself in colour where there is nothing to cover with', () => {
    const page = charted.pages[0]!
    expect(kindsFor(page, ['colour'])).toEqual(['cover'])
    expect(kindsFor(page)).toEqual([])
    const { keys } = keysByDoing({
      kind: 'cover',
      page,
      state: made(charted, [filled(3), filled(1)]),
      edition: makeEdition(charted),
      newId: () => keyId('new'),
    })
    expect(keys).toMatchObject([{ kind: 'cover', grid: 'g', cells: ['0,0', '0,2'] }])
    expect(marked(charted, answerSlate(page, makeEdition(charted)))[0]).toMatchObject({ verdict: 'right' })
  })

  it('are all that a key for cells needs', () => {
    expect(preflight(charted).map(finding => finding.rule)).not.toContain('missing-cover')
    expect(preflight({ ...charted, tools: [] }).map(finding => finding.rule)).toContain('missing-cover')
  })
})

describe('signs', () => {
  it('are votes for the place in which their middle lies; a question mark is none', () => {
    const state = made(polled, [
      signed('a', 20, 20),
      signed('b', 299, 299),
      signed('c', 310, 20),
      signed('d', 400, 40),
      signed('e', 410, 40, 'question'),
    ])
    expect(marked(polled, state).map(item => item.reason.words.count)).toEqual([2, 1])
    expect(countsOf([state, state, emptySlate], makeEdition(polled))).toMatchObject([
      {
        counts: [
          { place: 'yes', count: 4 },
          { place: 'no', count: 2 },
        ],
      },
    ])
  })

  it('are enough to vote with', () => {
    expect(kindsFor(polled.pages[0]!, ['sign'])).toContain('vote')
    expect(preflight(polled).map(finding => finding.rule)).not.toContain('missing-vote')
  })
})
