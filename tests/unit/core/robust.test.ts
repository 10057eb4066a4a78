import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { withoutPiece, withoutPlace } from '../../../core/keys/key'
import { keepKey } from '../../../core/design/answers'
import { removePieces } from '../../../core/design/pieces'
import { reportOn } from '../../../core/format/report'
import { answerSlate } from '../../../core/keys/answerSlate'
import { feedbackOn } from '../../../core/keys/feedback'
import { keysByDoing } from '../../../core/keys/keep'
import { markSlate } from '../../../core/keys/mark'
import { kindsFor } from '../../../core/keys/kinds'
import { outcomesOf, readOutcomes } from '../../../core/keys/outcomes'
import { progress } from '../../../core/placement/tasks'
import { preflight } from '../../../core/preflight/preflight'
import { emptySlate, withPieces } from '../../../core/slate/state'
import { examples } from '../../../demo/examples'
import { anyWork } from '../../anyWork'
import { keyId, pageId, placeId, sortBoard } from '../../boards'

describe('whatever a student does', () => {
  it.each(examples())(
    'on $file is marked without a throw, with points between nought and all',
    ({ example: { board } }) => {
      const edition = makeEdition(board)
      fc.assert(
        fc.property(anyWork(board), state => {
          for (const mark of markSlate(state, edition)) {
            expect(
              mark.points >= 0
                && mark.points <= mark.of
                && mark.undecided >= 0
                && mark.points + mark.undecided <= mark.of,
            ).toBe(true)
          }
          const at = { number: 7, edition: 'hash' }
          const outcomes = outcomesOf(state, edition, at)
          expect(readOutcomes(JSON.parse(JSON.stringify(outcomes)), at)).toEqual(outcomes)
          expect(readOutcomes(outcomes, { ...at, number: 8 })).toBeNull()
          const { placed, of } = progress(state, edition)
          expect(placed >= 0 && placed <= of).toBe(true)
          expect(JSON.parse(JSON.stringify(reportOn(state, edition)))).toEqual(reportOn(state, edition))
          expect(feedbackOn(markSlate(state, edition)).length).toBe(
            markSlate(state, edition).flatMap(mark => mark.items).length,
          )
          // Any page can be kept as a key, and what was kept is a whole board again.
          for (const kind of kindsFor(board.pages[0]!)) {
            const { keys } = keysByDoing({
              kind,
              page: board.pages[0]!,
              state,
              edition,
              newId: () => keyId(`new-${kind}`),
            })
            expect(checkBoard({ ...board, keys: keys.slice(0, 1) as Board['keys'] })).toBeNull()
          }
        }),
        { numRuns: 40 },
      )
    },
  )

  it('a thousand pieces in one zone are a crowd, not a crash', () => {
    const board = sortBoard(
      ['Everything'],
      Array.from({ length: 1000 }, (_, i) => `word ${i}`),
    )
    const keyed = keepKey(board, {
      kind: 'sort',
      id: keyId('k'),
      page: pageId('page'),
      homes: Object.fromEntries(board.pages[0]!.pieces.map(p => [p.id, [placeId('z0')]])),
    })
    const edition = makeEdition(keyed)
    const all = withPieces(
      emptySlate,
      keyed.pages[0]!.pieces.map((p, z) => [p.id, { x: 480, y: 240, z }]),
    )
    expect(markSlate(all, edition)[0]).toMatchObject({ points: 1000, of: 1000 })
    expect(preflight(keyed).map(f => f.rule)).toContain('crowded-zone')
  })
})

describe('a key that loses what it names', () => {
  it.each(examples())('on $file is still a whole key, or none', ({ example: { board } }) => {
    const page = board.pages[0]!
    for (const { id } of page.pieces) {
      const without = removePieces(board, page.id, new Set([id]))
      expect(checkBoard(without)).toBeNull()
      expect(() => markSlate(emptySlate, makeEdition(without))).not.toThrow()
      expect(() => preflight(without)).not.toThrow()
    }
    for (const { id } of page.places) {
      const keys = board.keys.flatMap(key => withoutPlace(key, id) ?? [])
      const without = {
        ...board,
        keys,
        pages: board.pages.map(p => ({ ...p, places: p.places.filter(q => q.id !== id) })),
      }
      expect(checkBoard(without)).toBeNull()
      expect(() => answerSlate(without.pages[0]!, makeEdition(without))).not.toThrow()
    }
    const bare = page.pieces.reduce<typeof board.keys>(
      (keys, { id }) => keys.flatMap(key => withoutPiece(key, id) ?? []),
      board.keys,
    )
    expect(() => markSlate(emptySlate, makeEdition({ ...board, keys: bare }))).not.toThrow()
  })
})
