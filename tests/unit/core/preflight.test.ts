import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { checkBoard, readBoard, type Board } from '../../../core/board/board'
import type { FileHash } from '../../../core/board/ids'
import type { OrderKey } from '../../../core/keys/order/key'
import type { ScaleKey } from '../../../core/keys/scale/key'
import type { SlotsKey } from '../../../core/keys/slots/key'
import type { TotalKey } from '../../../core/keys/total/key'
import { sortKeyOf } from '../../../core/keys/sort/ofPage'
import { keepKey } from '../../../core/design/answers'
import { preflight } from '../../../core/preflight/preflight'
import { keyId, pageId, pieceId, placeId, shore, sortBoard } from '../../boards'

const examples = new URL('../../../docs/formats/examples/', import.meta.url)
const exampleNames = readdirSync(examples)
  .filter(f => f.endsWith('.board.json'))
  .map(f => f.replace('.board.json', ''))
function example(name: string): Board {
  const read = readBoard(JSON.parse(readFileSync(new URL(`${name}.board.json`, examples), 'utf8')))
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return read.value
}

function keyed(board: Board, homes: Record<string, string[]>): Board {
  const typed = Object.fromEntries(Object.entries(homes).map(([p, h]) => [pieceId(p), h.map(placeId)]))
  return keepKey(board, { kind: 'sort', id: keyId('k'), page: pageId('page'), homes: typed })
}
const all = (board: Board, home: string) => Object.fromEntries(board.pages[0]!.pieces.map(p => [p.id, [home]]))
const rules = (board: Board) => preflight(board).map(f => f.rule)

/** Applies the fix of the first finding of a rule; the finding must then be gone and the board still whole. */
function mend(board: Board, rule: string): Board {
  const mended = preflight(board)
    .find(f => f.rule === rule)!
    .fix!.apply(board, () => 'Sort the cards.')
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
    const board = sortBoard(['One', 'Two'], ['bank', ' bank', 'shore'])
    const mended = mend(keyed(board, { c0: ['z0'], c1: ['z1'], c2: ['z0'] }), 'twins')
    expect(sortKeyOf(mended, pageId('page'))!.homes).toMatchObject({ c0: ['z0', 'z1'], c1: ['z0', 'z1'], c2: ['z0'] })
    expect(rules(keyed(board, { c0: ['z0'], c1: ['z0'], c2: ['z0'] }))).toEqual([])
  })

  it('finds a zone too small for its answers and makes the cards smaller, or offers nothing where that would not do', () => {
    const board = sortBoard(
      ['A', 'B', 'C'],
      Array.from({ length: 10 }, (_, i) => `barnacles here ${i}`),
    )
    expect(mend(keyed(board, all(board, 'z0')), 'crowded-zone').masters[0]!.textSize).toBeLessThan(
      board.masters[0]!.textSize,
    )
    const many = sortBoard(
      ['A', 'B', 'C'],
      Array.from({ length: 90 }, (_, i) => `word ${i}`),
    )
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
    const picture = {
      id: 'p',
      file: 'a'.repeat(64) as FileHash,
      x: 0,
      y: 0,
      width: 400,
      height: 400,
      pixelWidth: 800,
      pixelHeight: 600,
      alt: '',
    }
    board.pages[0]!.backdrop.pictures = [picture]
    expect(mend(board, 'stretched-picture').pages[0]!.backdrop.pictures[0]).toMatchObject({
      x: 0,
      y: 50,
      width: 400,
      height: 300,
    })
    board.pages[0]!.backdrop.pictures = [{ ...picture, pixelWidth: 100, pixelHeight: 100 }]
    expect(rules(board)).toContain('coarse-picture')
  })

  it('finds places that reach beyond the page and moves them onto it', () => {
    const board = shore()
    board.pages[0]!.places[2]!.shape = { kind: 'rectangle', x: 800, y: 60, width: 272, height: 380 }
    expect(mend(board, 'off-page').pages[0]!.places[2]!.shape).toMatchObject({ x: 688, width: 272 })
  })

  it('has nothing that stops students to say of the worked examples', () => {
    for (const name of exampleNames)
      expect(
        preflight(example(name)).filter(f => f.severity === 'stops'),
        name,
      ).toEqual([])
  })

  it('finds an order that goes round in a circle', () => {
    const board = example('order')
    const key = board.keys[0] as OrderKey
    expect(
      rules({ ...board, keys: [{ ...key, before: [...key.before, [pieceId('boats'), pieceId('stone')]] }] }),
    ).toContain('contradiction')
  })

  it('finds a total that no choice of tiles makes, exactly: fractions, counts and all', () => {
    const board = example('total')
    const withKey = (change: Partial<TotalKey>) =>
      rules({ ...board, keys: [{ ...(board.keys[0] as TotalKey), ...change }] })
    // Four ones, six tens of a cent and five cents: 4.65 is the most, and a third can't be paid.
    expect(withKey({ target: '4.65' })).not.toContain('unreachable-total')
    for (const target of ['4.66', '1/3', '0.06', '-1'])
      expect(withKey({ target }), target).toContain('unreachable-total')
    expect(withKey({ target: '1', tiles: 1 })).not.toContain('unreachable-total')
    expect(withKey({ target: '1', tiles: 2 })).toContain('unreachable-total')
  })

  it("finds slots that can't all be filled at once", () => {
    const board = example('slots')
    const key = board.keys[0] as SlotsKey
    const one = [pieceId('three')]
    expect(rules({ ...board, keys: [{ ...key, fits: { first: one, second: one } }] })).toContain('unfillable-slot')
  })

  it('finds values beyond the ends of a scale', () => {
    const board = example('scale')
    const key = board.keys[0] as ScaleKey
    expect(rules({ ...board, keys: [{ ...key, values: { ...key.values, [pieceId('high')]: '5.01' } }] })).toContain(
      'off-scale',
    )
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
