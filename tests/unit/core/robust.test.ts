import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import type { PieceId } from '../../../core/board/ids'
import { withoutPiece, withoutPlace } from '../../../core/board/references'
import { keepKey } from '../../../core/design/answers'
import { removePieces } from '../../../core/design/pieces'
import { reportOn } from '../../../core/format/report'
import { answerSlate } from '../../../core/keys/answerSlate'
import { feedbackOn } from '../../../core/keys/feedback'
import { keepKeys } from '../../../core/keys/keep'
import { markSlate } from '../../../core/keys/mark'
import { kindsFor } from '../../../core/design/kinds'
import { progress } from '../../../core/placement/tasks'
import { preflight } from '../../../core/preflight/preflight'
import { emptySlate, withPieces, type OnPage, type SlateState, type Stroke } from '../../../core/slate/state'
import { examples } from '../../../demo/examples'
import { keyId, pageId, placeId, sortBoard } from '../../boards'

/** Any work at all on a board: pieces anywhere, turned and flipped, copies of bins, any text, any ink, any arrows. */
function anyWork(board: Board): fc.Arbitrary<SlateState> {
  const page = board.pages[0]!
  const ids = page.pieces.flatMap(p => p.bin ? [`${p.id}~aaaa`, `${p.id}~bbbb`, `${p.id}~cccc`] : [p.id as string])
  const x = fc.double({ min: 0, max: page.width, noNaN: true })
  const y = fc.double({ min: 0, max: page.height, noNaN: true })
  const lies = fc.record({ x, y, z: fc.nat(99), turn: fc.option(fc.integer({ min: 1, max: 359 }), { nil: undefined }) })
  const spaces = page.places.flatMap(p => p.kind === 'writing' ? [p.id as string] : p.kind === 'gaps' ? [`${p.id}:0`, `${p.id}:1`] : [])
  const drawings = page.places.filter(p => p.kind === 'drawing').map(p => p.id)
  const record = <T>(names: readonly string[], value: fc.Arbitrary<T>) => names.length ? fc.dictionary(fc.constantFrom(...names), value, { maxKeys: 40 }) : fc.constant({})
  const stroke = drawings.length ? fc.record({ place: fc.constantFrom(...drawings), points: fc.array(fc.tuple(x, y), { minLength: 1, maxLength: 30 }) }) : fc.constant(null)
  return fc.record({
    pieces: record(ids, lies) as fc.Arbitrary<Record<PieceId, OnPage>>,
    texts: record(spaces, fc.oneof(fc.string({ unit: 'grapheme', maxLength: 20 }), fc.constantFrom('1/0', '25 cm', '--', '٣', '1 m 2 kg'))),
    strokes: fc.array(stroke, { maxLength: 4 }).map(all => Object.fromEntries(all.flatMap((s, i): [string, Stroke][] => s ? [[`stroke-${i}`, s]] : []))),
    arrows: ids.length > 1 ? fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...ids)), { maxLength: 6 }).map(all => Object.fromEntries(all.map(([a, b]) => [`${a}>${b}`, true as const]))) : fc.constant({}),
    own: fc.constant({}),
    hints: fc.constant({}),
  })
}

describe('whatever a student does', () => {
  it.each(examples())('on $file is marked without a throw, with points between nought and all', ({ example: { board } }) => {
    const edition = makeEdition(board)
    fc.assert(fc.property(anyWork(board), (state) => {
      for (const mark of markSlate(state, edition)) {
        expect(mark.points >= 0 && mark.points <= mark.of && mark.undecided >= 0 && mark.points + mark.undecided <= mark.of).toBe(true)
        for (const item of mark.items) expect(Object.values(item.reason.words).every(word => typeof word === 'string' || Number.isFinite(word))).toBe(true)
      }
      const { placed, of } = progress(state, edition)
      expect(placed >= 0 && placed <= of).toBe(true)
      expect(JSON.parse(JSON.stringify(reportOn(state, edition)))).toEqual(reportOn(state, edition))
      expect(feedbackOn(markSlate(state, edition)).every(item => !('home' in item.reason.words) && !('wanted' in item.reason.words) && !('target' in item.reason.words))).toBe(true)
      // Any page can be kept as a key, and what was kept is a whole board again.
      for (const kind of kindsFor(board.pages[0]!)) {
        const { keys } = keepKeys(kind, board.pages[0]!, state, edition, () => keyId(`new-${kind}`))
        expect(checkBoard({ ...board, keys: keys.slice(0, 1) as Board['keys'] })).toBeNull()
      }
    }), { numRuns: 40 })
  })

  it('a thousand pieces in one zone are a crowd, not a crash', () => {
    const board = sortBoard(['Everything'], Array.from({ length: 1000 }, (_, i) => `word ${i}`))
    const keyed = keepKey(board, { kind: 'sort', id: keyId('k'), page: pageId('page'), homes: Object.fromEntries(board.pages[0]!.pieces.map(p => [p.id, [placeId('z0')]])) })
    const edition = makeEdition(keyed)
    const all = withPieces(emptySlate, keyed.pages[0]!.pieces.map((p, z) => [p.id, { x: 480, y: 240, z }]))
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
      const without = { ...board, keys, pages: board.pages.map(p => ({ ...p, places: p.places.filter(q => q.id !== id) })) }
      expect(checkBoard(without)).toBeNull()
      expect(() => answerSlate(without.pages[0]!, makeEdition(without))).not.toThrow()
    }
    const bare = page.pieces.reduce<typeof board.keys>((keys, { id }) => keys.flatMap(key => withoutPiece(key, id) ?? []), board.keys)
    expect(() => markSlate(emptySlate, makeEdition({ ...board, keys: bare }))).not.toThrow()
  })
})
