import * as v from 'valibot'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { answerSlate } from '../../../core/keys/answerSlate'
import { answersOn, NOTHING_SHOWN, ShowSchema, withRevealed } from '../../../core/lesson/show'
import { startOf } from '../../../core/slate/state'
import { keyedShore, shore } from '../../boards'

describe('answers on the class screen', () => {
  const edition = makeEdition(keyedShore())
  const page = edition.board.pages[0]!
  it('come one by one, each as the key has it, and nothing of those still to come is there', () => {
    const all = answersOn(page, edition)
    expect(all).toBe(5)
    const whole = answerSlate(page, edition)
    let before: string[] = []
    for (let count = 0; count <= all; count++) {
      const { pieces } = withRevealed(page, edition, count)
      const shown = Object.keys(pieces)
      expect(shown).toHaveLength(count)
      expect(shown).toEqual(expect.arrayContaining(before))
      for (const id of shown) expect(pieces[id as keyof typeof pieces]).toEqual(whole.pieces[id as keyof typeof pieces])
      before = shown
    }
  })
  it('are none on a board without a key, and all of them for any number beyond', () => {
    const bare = makeEdition(shore())
    expect(answersOn(bare.board.pages[0]!, bare)).toBe(0)
    expect(withRevealed(bare.board.pages[0]!, bare, 3)).toEqual(startOf(bare))
    expect(withRevealed(page, edition, 2000)).toEqual(withRevealed(page, edition, 5))
    expect(withRevealed(page, edition, -1)).toEqual(startOf(edition))
  })
})

describe('what is shown', () => {
  it('is bounded: slates, pages, pen', () => {
    const takes = (change: object) => v.safeParse(ShowSchema, { ...NOTHING_SHOWN, ...change }).success
    const id = '00000000-0000-4000-8000-000000000000'
    expect(takes({})).toBe(true)
    expect(takes({ what: { kind: 'slates', slates: [id, id] } })).toBe(true)
    for (const bad of [
      { what: { kind: 'slates', slates: [] } },
      { what: { kind: 'slates', slates: [id, id, id] } },
      { what: { kind: 'board', revealed: -1 } },
      { what: { kind: 'secret' } },
      { page: 60 },
      { page: 0.5 },
      { pen: Array.from({ length: 61 }, () => [[1, 1]]) },
      { pen: [Array.from({ length: 401 }, () => [1, 1])] },
      { pen: [[[1, Number.NaN]]] },
      { more: 1 },
    ])
      expect(takes(bad), JSON.stringify(bad).slice(0, 60)).toBe(false)
    fc.assert(fc.property(fc.jsonValue(), junk => !takes({ what: junk }) || typeof junk === 'object'))
  })
})
