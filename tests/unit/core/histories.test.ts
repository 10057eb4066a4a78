import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readBoard } from '../../../core/board/board'
import { makeEdition, type Edition } from '../../../core/board/edition'
import { apply, perform, type Move } from '../../../core/slate/move'
import { MoveSchema } from '../../../core/slate/moveSchema'
import type { Operation } from '../../../core/slate/operation'
import { isSound } from '../../../core/slate/sound'
import { startOf, type SlateState } from '../../../core/slate/state'
import { isKnownVersion, MOVE_VERSION, performing } from '../../../core/slate/version'
import { asKept, keptHistories, readingOf, type History } from '../../histories'

const editionOf = ({ board }: History): Edition => {
  const read = readBoard(board)
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return makeEdition(read.value)
}
const performed = ({ moves }: History, edition: Edition): SlateState =>
  moves.reduce((state, [author, move], i) => perform(state, move, { edition, author, number: i + 1 }), startOf(edition))
/** What earlier releases knew of a slate; what they didn't know yet isn't compared. */
const knownThen = (now: SlateState, then: SlateState) =>
  Object.fromEntries(Object.keys(then).map(part => [part, now[part as keyof SlateState]]))

const all = keptHistories()

describe('what was stored by any release', () => {
  it.each(all.map(({ version, histories }) => [version, histories] as const))(
    'reads as it did then: %s',
    (_, histories) => {
      for (const history of histories) {
        const edition = editionOf(history)
        const state = performed(history, edition)
        expect(asKept(knownThen(state, history.state))).toEqual(history.state)
        expect(isSound(state, edition)).toBe(true)
        const { marks, trees } = asKept(readingOf(state, edition))
        if (history.marks) expect(marks).toEqual(history.marks)
        if (history.trees) expect(trees).toEqual(history.trees)
      }
    },
  )

  it('is kept of this release, with a move of every kind', () => {
    const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }
    const { histories } = all.find(one => one.version === version)!
    const kinds = new Set(histories.flatMap(({ moves }) => moves.map(([, { kind }]) => kind)))
    const every = (MoveSchema as unknown as { options: { entries: { kind: { literal: Move['kind'] } } }[] }).options
    expect([...kinds].toSorted()).toEqual(every.map(({ entries }) => entries.kind.literal).toSorted())
  })

  it('stays as it is, whatever is forbidden since', () => {
    let refused = 0
    for (const { histories } of all)
      for (const history of histories) {
        const { board } = editionOf(history)
        const pages = board.pages.map(({ tools: _, arrows: __, explain: ___, ...page }) => ({ ...page, reading: true }))
        const stricter = makeEdition({ ...board, tools: [], pages } as typeof board)
        expect(asKept(knownThen(performed(history, stricter), history.state))).toEqual(history.state)
        const [author, first] = history.moves[0] ?? []
        const making = { edition: stricter, actor: { author: 'student:1' as const, part: 'all' as const } }
        if (author && first && !apply(startOf(stricter), first, making).ok) refused++
      }
    expect(refused).toBeGreaterThan(all.length / 2)
  })
})

describe('a move', () => {
  it('is performed by the version that it was made in', () => {
    const [old, older, now] = ['old', 'older', 'now'].map(text => (state: SlateState) => ({
      ...state,
      texts: { w: text },
    })) as unknown as [() => SlateState, () => SlateState, () => SlateState]
    const operation = {
      perform: now,
      formerly: [
        { upTo: 1, perform: older },
        { upTo: 3, perform: old },
      ],
    } as unknown as Operation<string, Move>
    const by = (version: number) => performing(operation, version, 5)
    expect([1, 2, 3, 4, 5].map(by)).toEqual([older, old, old, now, now])
    expect(() => by(6)).toThrow('later application')
    expect(isKnownVersion({ version: MOVE_VERSION + 1 })).toBe(false)
  })
})
