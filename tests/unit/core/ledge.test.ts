import { randomInt } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Board, Page } from '../../../core/board/board'
import { withoutAnswers } from '../../../core/board/edition'
import { keepKey } from '../../../core/design/answers'
import { layLedges } from '../../../core/design/ledge'
import { addCards } from '../../../core/design/pieces'
import { seeded, shuffled, type Random } from '../../../core/layout/random'
import { scramble } from '../../../core/layout/scramble'
import { tellingLedge } from '../../../core/preflight/rules/tellingLedge'
import { counting, keyId, masterId, pageId, pieceId, placeId, sortBoard } from '../../boards'
import { examples } from '../../examples'

const chance: Random = () => randomInt(2 ** 32) / 2 ** 32
const words = Array.from({ length: 24 }, (_, i) => `word ${i}`)

/** A board as the workbench makes it: words typed group by group, the key set, the ledge laid. */
function fromWorkbench(seed: number): Board {
  const board = sortBoard(['One', 'Two', 'Three'], words, seed)
  const homes = Object.fromEntries(words.map((_, i) => [`c${i}`, [placeId(`z${Math.floor(i / 8)}`)]]))
  return layLedges(keepKey(board, { kind: 'sort', id: keyId('k'), page: pageId('page'), homes }), chance)
}

/** Undoes a seeded shuffle: which item stood where before. */
function turnedRound(ledge: readonly string[], seed: number): string[] {
  const places = scramble(
    ledge.map((_, i) => i),
    () => undefined,
    seed,
  )
  const typed: string[] = []
  places.forEach((from, at) => (typed[from] = ledge[at]!))
  return typed
}

describe('what students are sent', () => {
  const boards = [...examples.map(e => [e.file, e.board] as const), ['from the workbench', fromWorkbench(7)] as const]
  it.each(boards)('of %s says nothing of the order in which the teacher typed, nor of the key', (_, board) => {
    fc.assert(
      fc.property(fc.nat(), seed => {
        const random = seeded(seed)
        const retyped = (page: Page): Page => ({
          ...page,
          pieces: shuffled(page.pieces, random),
          ...(page.staged && { staged: Object.fromEntries(shuffled(Object.entries(page.staged), random)) }),
        })
        const other: Board = {
          ...board,
          seed,
          keys: shuffled(board.keys, random).slice(1),
          pages: board.pages.map(retyped),
        }
        expect(JSON.stringify(withoutAnswers(other))).toBe(JSON.stringify(withoutAnswers(board)))
      }),
      { numRuns: 20 },
    )
    expect(JSON.stringify(withoutAnswers(board))).not.toMatch(/"seed":|"homes":|"accepts":/)
  })

  it("can't be turned round by whoever knows how ledges are laid, and every seed of a board", () => {
    for (let board = 0; board < 30; board++) {
      const made = fromWorkbench(board)
      const { ledge } = made.pages[0]!
      const typed = made.pages[0]!.pieces.map(p => p.id)
      const guesses = Array.from({ length: 200 }, (_, seed) => turnedRound(ledge, seed))
      // As many in their place as chance puts there (one on average), never the list.
      for (const guess of guesses) expect(guess.filter((id, i) => id === typed[i]).length).toBeLessThan(12)
    }
  })
})

describe('a ledge', () => {
  const cards = (board: Board, list: readonly string[], prefix: string) => {
    const id = counting(prefix)
    return addCards(board, pageId('page'), list, { piece: () => pieceId(id()), master: () => masterId('m') })
  }

  it('stays as it is while the teacher works on other things, and as long as it tells nothing', () => {
    const before = fromWorkbench(3)
    const moved = { ...before, title: 'Another name' }
    expect(layLedges(moved, chance, before).pages[0]!.ledge).toBe(before.pages[0]!.ledge)
    const key = before.keys[0]!
    if (key.kind !== 'sort') throw new Error('a sort')
    // The answers of two cards change places: the ledge is scrambled anew by the core, and the old one is as good.
    const rekeyed = keepKey(
      { ...before, seed: 99 },
      {
        ...key,
        homes: { ...key.homes, [pieceId('c0')]: key.homes[pieceId('c9')]!, [pieceId('c9')]: key.homes[pieceId('c0')]! },
      },
    )
    expect(layLedges(rekeyed, chance, before).pages[0]!.ledge).toEqual(before.pages[0]!.ledge)
  })

  it('is laid anew when pieces come, by chance and not by the board, and never tells', () => {
    const before = fromWorkbench(3)
    const more = cards(before, ['more', 'and more'], 'n')
    const ledges = Array.from({ length: 5 }, () => layLedges(more, chance, before).pages[0]!.ledge)
    expect(new Set(ledges.map(l => l.join())).size).toBe(5)
    for (const ledge of ledges) {
      expect(ledge.toSorted()).toEqual(more.pages[0]!.pieces.map(p => p.id).toSorted())
      expect(tellingLedge.look({ ...more, pages: [{ ...more.pages[0]!, ledge }] }, [])).toEqual([])
    }
    const random = () => seeded(5)
    expect(layLedges({ ...more, seed: 1 }, random(), before).pages[0]!.ledge).toEqual(
      layLedges({ ...more, seed: 2 }, random(), before).pages[0]!.ledge,
    )
  })

  it('keeps its order when pieces go', () => {
    const before = fromWorkbench(3)
    const [page] = before.pages
    const ledge = page!.ledge.filter(id => id !== 'c5')
    const after: Board = {
      ...before,
      keys: [],
      pages: [{ ...page!, pieces: page!.pieces.filter(p => p.id !== 'c5'), ledge: [...ledge].reverse() }],
    }
    expect(layLedges(after, chance, before).pages[0]!.ledge).toEqual(ledge)
  })
})
