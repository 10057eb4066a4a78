import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import type { PlaceId } from '../../../core/board/ids'
import type { Grid } from '../../../core/board/place'
import { keyByList, cellsByRule, typedTotal } from '../../../core/design/typedAnswers'
import { fewestPairs, withoutPair, withPair } from '../../../core/design/orderGroups'
import { keyId, pieceId, placeId, shore } from '../../boards'

const grid = (printed?: string[]): Grid => ({
  kind: 'grid',
  id: placeId('grid'),
  heading: '',
  shape: { kind: 'rectangle', x: 0, y: 0, width: 400, height: 400 },
  rows: 10,
  columns: 10,
  ...(printed && { printed }),
})
const hundred = grid(Array.from({ length: 100 }, (_, i) => String(i + 1)))
const numbers = (cells: readonly string[]) =>
  cells.map(cell => {
    const [row, column] = cell.split(',').map(Number)
    return row! * 10 + column! + 1
  })
const filled = (...rule: Parameters<typeof cellsByRule>) => {
  const found = cellsByRule(...rule)
  return found.ok ? numbers(found.value) : found.reason
}

describe('cells of a hundred chart by a rule', () => {
  it('are the multiples, the even and odd ones, a range in either direction, and the primes', () => {
    const upTo100 = Array.from({ length: 100 }, (_, i) => i + 1)
    for (const by of [2, 3, 7, 25, 101])
      expect(filled(hundred, { test: 'multiple', value: String(by) })).toEqual(upTo100.filter(n => n % by === 0))
    expect(filled(hundred, { test: 'even' })).toEqual(upTo100.filter(n => n % 2 === 0))
    expect(filled(hundred, { test: 'odd' })).toEqual(upTo100.filter(n => n % 2 === 1))
    const twenties = [20, 21, 22, 23, 24, 25, 26, 27, 28, 29, 30]
    expect(filled(hundred, { test: 'between', value: '20', to: '30' })).toEqual(twenties)
    expect(filled(hundred, { test: 'between', value: '30', to: '20' })).toEqual(twenties)
    // OEIS A000040: the primes below 100.
    expect(filled(hundred, { test: 'prime' })).toEqual([
      2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89, 97,
    ])
  })

  it('leave out empty cells, words and print beyond the last cell, and refuse a rule without a number', () => {
    const some = grid(['', '14', 'seven', ' 21 ', ...Array.from({ length: 200 }, () => '7')].slice(0, 150))
    const found = filled(some, { test: 'multiple', value: '7' })
    expect(found).toHaveLength(98)
    expect(found.slice(0, 3)).toEqual([2, 4, 5])
    expect(filled(hundred, { test: 'multiple', value: 'x' })).toBe('not-a-number')
    expect(filled(hundred, { test: 'multiple', value: '' })).toBe('no-value')
    expect(filled(grid(), { test: 'even' })).toEqual([])
  })

  it('read print as the language of the board writes numbers', () => {
    const comma = grid(['0,5', '1,5', '2'])
    expect(filled(comma, { test: 'multiple', value: '1/2' }, 'de-DE')).toEqual([1, 2, 3])
  })
})

describe('a total that is typed', () => {
  const total = (board: Board, text: string, place = 'sea') =>
    typedTotal({ board, pageId: board.pages[0]!.id, place: placeId(place), text, newId: () => keyId(`t-${place}`) })
  const targets = (board: Board) => board.keys.flatMap(key => (key.kind === 'total' ? [[key.place, key.target]] : []))

  it('is kept for its place, beside those of others, changed and taken back', () => {
    const one = total(shore(), ' 342 ')
    if (!one.ok) throw new Error(one.reason)
    expect(targets(one.value)).toEqual([['sea', '342']])
    const two = total(one.value, '£4.20', 'land')
    if (!two.ok) throw new Error(two.reason)
    expect(targets(two.value)).toEqual([
      ['sea', '342'],
      ['land', '£4.20'],
    ])
    const again = total(two.value, '343')
    if (!again.ok) throw new Error(again.reason)
    expect(new Map(targets(again.value) as [string, string][]).get('sea')).toBe('343')
    const without = total(again.value, '')
    if (!without.ok) throw new Error(without.reason)
    expect(targets(without.value)).toEqual([['land', '£4.20']])
  })

  it('of a place that was another way of one is asked by itself', () => {
    const [way, other] = ['land', 'sky'].map(placeId) as [PlaceId, PlaceId]
    const both = total(shore(), '5')
    if (!both.ok) throw new Error(both.reason)
    const ways = { ...both.value, keys: both.value.keys.map(key => ({ ...key, ways: [way, other] })) } as Board
    const apart = total(ways, '7', 'land')
    if (!apart.ok) throw new Error(apart.reason)
    expect(apart.value.keys.filter(key => key.kind === 'total')).toMatchObject([
      { place: 'sea', target: '5', ways: ['sky'] },
      { place: 'land', target: '7' },
    ])
  })

  it('keeps what else its key says, is read in the language of the board, and refused when it is no amount', () => {
    const one = total(shore(), '342')
    if (!one.ok) throw new Error(one.reason)
    const strict = { ...one.value, keys: one.value.keys.map(key => ({ ...key, standardForm: true })) } as Board
    const again = total(strict, '350')
    if (!again.ok) throw new Error(again.reason)
    expect(again.value.keys.find(key => key.kind === 'total')).toMatchObject({ target: '350', standardForm: true })
    const german = total({ ...shore(), language: 'de-DE' }, '1.250')
    if (!german.ok) throw new Error(german.reason)
    expect(targets(german.value)).toEqual([['sea', '1250']])
    expect(total(shore(), 'a few')).toEqual({ ok: false, reason: 'not-an-amount' })
  })
})

describe('a key from the list', () => {
  const slot = (id: string, x: number, y: number) =>
    ({
      kind: 'slot',
      id: placeId(id),
      heading: '',
      shape: { kind: 'rectangle', x, y, width: 100, height: 50 },
    }) as const
  const [page] = shore().pages
  const ids = page!.pieces.map(piece => piece.id)
  const fresh = () => keyId('fresh')

  it('fills slots from the left, row by row, in whatever order they were made', () => {
    const places = [slot('c', 0, 100), slot('b', 200, 4), slot('a', 0, 0)]
    const key = keyByList({ ...page!, places }, 'slots', [], fresh)
    expect(key?.kind === 'slots' && key.fits).toEqual({ a: [ids[0]], b: [ids[1]], c: [ids[2]] })
  })

  it('puts a lane in order, leaves bins out, and says nothing of two lanes or of one piece', () => {
    const lane = (id: string) =>
      ({
        kind: 'lane',
        id: placeId(id),
        heading: '',
        shape: { kind: 'rectangle', x: 0, y: 0, width: 600, height: 80 },
        direction: 'row',
      }) as const
    const pieces = page!.pieces.map((piece, i) => (i === 1 ? { ...piece, bin: true as const } : piece))
    const key = keyByList({ ...page!, places: [lane('l')], pieces }, 'order', [], fresh)
    const listed = ids.filter((_, i) => i !== 1)
    expect(key?.kind === 'order' && key.before).toEqual(listed.slice(1).map((id, i) => [listed[i], id]))
    expect(keyByList({ ...page!, places: [lane('l'), lane('m')] }, 'order', [], fresh)).toBeNull()
    expect(
      keyByList({ ...page!, places: [lane('l')], pieces: page!.pieces.slice(0, 1) }, 'order', [], fresh),
    ).toBeNull()
    expect(keyByList({ ...page!, places: [] }, 'slots', [], fresh)).toBeNull()
  })
})

describe('this before that', () => {
  const [a, b, c, d] = ['a', 'b', 'c', 'd'].map(pieceId) as [
    ReturnType<typeof pieceId>,
    ...ReturnType<typeof pieceId>[],
  ]
  const sorted = (pairs: readonly (readonly string[])[] | null) => pairs?.map(pair => pair.join('<')).toSorted()

  it('is said in the fewest pairs', () => {
    expect(
      sorted(
        fewestPairs([
          [a, b!],
          [b!, c!],
          [a, c!],
        ]),
      ),
    ).toEqual(['a<b', 'b<c'])
    expect(
      fewestPairs([
        [a, b!],
        [b!, a],
      ]),
    ).toBeNull()
  })

  it('frees one pair and keeps all else', () => {
    expect(
      sorted(
        withoutPair(
          [
            [a, b!],
            [b!, c!],
            [c!, d!],
          ],
          [b!, c!],
        ),
      ),
    ).toEqual(['a<b', 'a<c', 'b<d', 'c<d'])
    expect(withoutPair([[a, b!]], [a, b!])).toBeNull()
    expect(
      withoutPair(
        [
          [a, b!],
          [b!, c!],
        ],
        [a, c!],
      ),
    ).toBeNull()
  })

  it('takes a pair, unless it goes against the others', () => {
    expect(sorted(withPair([[a, b!]], [c!, d!]))).toEqual(['a<b', 'c<d'])
    expect(sorted(withPair([[a, c!]], [a, b!])?.concat([[b!, c!]]) ?? null)).toEqual(['a<b', 'a<c', 'b<c'])
    expect(
      withPair(
        [
          [a, b!],
          [b!, c!],
        ],
        [c!, a],
      ),
    ).toBeNull()
    expect(withPair([[a, b!]], [a, a])).toBeNull()
  })
})
