import { describe, expect, it } from 'vitest'
import { checkBoard, readBoard, type Board } from '../../../core/board/board'
import type { FileHash } from '../../../core/board/ids'
import { sortKeyOf } from '../../../core/design/lookup'
import { keepKey } from '../../../core/design/answers'
import { preflight } from '../../../core/preflight/preflight'
import { keyId, pageId, pieceId, placeId, shore, sortBoard } from '../../boards'

function keyed(board: Board, homes: Record<string, string[]>): Board {
  const typed = Object.fromEntries(Object.entries(homes).map(([p, h]) => [pieceId(p), h.map(placeId)]))
  return keepKey(board, { kind: 'sort', id: keyId('k'), page: pageId('page'), homes: typed })
}
const all = (board: Board, home: string) => Object.fromEntries(board.pages[0]!.pieces.map(p => [p.id, [home]]))
const rules = (board: Board) => preflight(board).map(f => f.rule)

/** Applies the fix of the first finding of a rule; the finding must then be gone and the board still whole. */
function mend(board: Board, rule: string): Board {
  const mended = preflight(board).find(f => f.rule === rule)!.fix!.apply(board, () => 'Sort the cards.')
  expect(rules(mended)).not.toContain(rule)
  expect(checkBoard(mended)).toBeNull()
  return mended
}

describe('preflight', () => {
  it('has nothing to say of a good board', () => {
    expect(rules(keyed(shore(), all(shore(), 'z0')))).toEqual([])
  })

  it('finds pieces without an answer, and mends them as belonging nowhere', () => {
    const board = keyed(shore(), { c0: ['z0'] })
    expect(preflight(board)[0]).toMatchObject({ rule: 'no-answer', severity: 'stops', words: { count: 5 } })
    expect(sortKeyOf(mend(board, 'no-answer'), pageId('page'))!.homes[pieceId('c5')]).toEqual([])
  })

  it('advises of a page without any key, once', () => {
    expect(rules(shore())).toEqual(['no-key'])
  })

  it('finds missing instructions and writes some', () => {
    expect(mend({ ...shore(), instructions: ' ' }, 'no-instructions').instructions).toBe('Sort the cards.')
  })

  it('finds two cards with one look and different answers, and accepts either for both', () => {
    const board = sortBoard(['One', 'Two'], ['bank', 'Bank', 'shore'])
    const mended = mend(keyed(board, { c0: ['z0'], c1: ['z1'], c2: ['z0'] }), 'twins')
    expect(sortKeyOf(mended, pageId('page'))!.homes).toMatchObject({ c0: ['z0', 'z1'], c1: ['z0', 'z1'], c2: ['z0'] })
    expect(rules(keyed(board, { c0: ['z0'], c1: ['z0'], c2: ['z0'] }))).toEqual([])
  })

  it('finds a zone too small for its answers and makes the cards smaller, or offers nothing where that would not do', () => {
    const board = sortBoard(['A', 'B', 'C'], Array.from({ length: 10 }, (_, i) => `barnacles here ${i}`))
    expect(mend(keyed(board, all(board, 'z0')), 'crowded-zone').masters[0]!.textSize).toBeLessThan(board.masters[0]!.textSize)
    const many = sortBoard(['A', 'B', 'C'], Array.from({ length: 90 }, (_, i) => `word ${i}`))
    expect(preflight(keyed(many, all(many, 'z0'))).find(f => f.rule === 'crowded-zone')!.fix).toBeUndefined()
  })

  it('finds text that is too small and zones without a heading', () => {
    const small = shore()
    small.masters[0]!.textSize = 9
    expect(mend(small, 'small-text').masters[0]!.textSize).toBe(14)
    const blank = keyed(sortBoard(['', 'B'], ['x']), { c0: ['z1'] })
    expect(rules(blank)).toContain('no-heading')
  })

  it('finds stretched and coarse pictures, and gives a stretched one its proportions back', () => {
    const board = shore()
    const picture = { id: 'p', file: 'a'.repeat(64) as FileHash, x: 0, y: 0, width: 400, height: 400, pixelWidth: 800, pixelHeight: 600, alt: '' }
    board.pages[0]!.backdrop.pictures = [picture]
    expect(mend(board, 'stretched-picture').pages[0]!.backdrop.pictures[0]).toMatchObject({ x: 0, y: 50, width: 400, height: 300 })
    board.pages[0]!.backdrop.pictures = [{ ...picture, pixelWidth: 100, pixelHeight: 100 }]
    expect(rules(board)).toContain('coarse-picture')
  })

  it('puts the most serious first', () => {
    const found = preflight(keyed({ ...shore(), instructions: '' }, { c0: ['z0'] }))
    expect(found.map(f => f.severity)).toEqual(['stops', 'warning'])
  })
})

describe('reading a board', () => {
  it('takes a good one through JSON unchanged', () => {
    expect(readBoard(JSON.parse(JSON.stringify(shore())))).toEqual({ ok: true, value: shore() })
  })

  it.each<[string, (board: Board) => unknown]>([
    ['schema', b => ({ ...b, pages: [] })],
    ['schema', b => ({ ...b, title: '  ' })],
    ['schema', () => null],
    ['twice', b => ({ ...b, pages: [...b.pages, ...b.pages] })],
    ['missing-master', b => ({ ...b, masters: [] })],
    ['ledge', b => ({ ...b, pages: b.pages.map(p => ({ ...p, ledge: p.ledge.slice(1) })) })],
    ['ledge', b => ({ ...b, pages: b.pages.map(p => ({ ...p, ledge: [...p.ledge.slice(1), p.ledge[1]] })) })],
    ['missing-page', b => ({ ...b, keys: [{ kind: 'sort', id: 'k', page: 'elsewhere', homes: {} }] })],
    ['missing-piece', b => ({ ...b, keys: [{ kind: 'sort', id: 'k', page: 'page', homes: { ghost: [] } }] })],
    ['missing-place', b => ({ ...b, keys: [{ kind: 'sort', id: 'k', page: 'page', homes: { c0: ['ghost'] } }] })],
  ])('refuses a bad one: %s', (code, spoil) => {
    expect(readBoard(spoil(shore()))).toMatchObject({ ok: false, reason: { code } })
  })
})
