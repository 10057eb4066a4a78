import fc from 'fast-check'
import { quantileSorted } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Place } from '../../../core/board/place'
import { beforeOf, groupsOf, joined, parted } from '../../../core/design/orderGroups'
import { classPicture } from '../../../core/findings/classPicture'
import { countsOf, quantile, type Stands } from '../../../core/findings/counts'
import { keysByDoing } from '../../../core/keys/keep'
import { markSlate } from '../../../core/keys/mark'
import { emptySlate } from '../../../core/slate/state'
import { keyId, pageId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, slateOf, tile } from '../../keyBoards'

const zone = (id: string, x: number): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 0, 300, 300),
})

describe('what is counted over a class', () => {
  it('votes add up over all slates', () => {
    const board = boardOf([zone('yes', 0), zone('no', 320)], [card('a'), card('b')], {
      kind: 'vote',
      places: ['yes', 'no'],
    })
    const both = slateOf(board, { pieces: { a: { x: 100, y: 100 }, b: { x: 200, y: 100 } } })
    const one = slateOf(board, { pieces: { a: { x: 450, y: 100 } } })
    expect(countsOf([both, one, emptySlate], makeEdition(board))).toMatchObject([
      {
        kind: 'vote',
        counts: [
          { place: 'yes', count: 2 },
          { place: 'no', count: 1 },
        ],
      },
    ])
  })

  it('drawn over the page, each vote is counted in its place, and each stand is a dot in a pile that fits', () => {
    const zones = [zone('yes', 0), zone('no', 320)]
    const votes = boardOf(zones, [card('a')], { kind: 'vote', places: ['yes', 'no'] })
    const edition = makeEdition(votes)
    const [page] = votes.pages
    const yes = slateOf(votes, { pieces: { a: { x: 100, y: 100 } } })
    expect(classPicture(countsOf([yes, yes], edition), page!, edition)).toMatchObject({
      dots: [],
      tallies: [
        { place: 'yes', count: 2, x: 276, y: 24 },
        { place: 'no', count: 0, x: 596, y: 24 },
      ],
    })
    expect(classPicture(countsOf([yes], edition), { ...page!, id: pageId('other') }, edition)).toMatchObject({
      dots: [],
      tallies: [],
    })

    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { maxLength: 60 }), fc.boolean(), (percents, upright) => {
        const shape = upright ? box(50, 20, 120, 400) : box(20, 50, 400, 120)
        const scale: Place = { kind: 'scale', id: placeId('s'), heading: '', least: '0', most: '1', step: null, shape }
        const board = boardOf([scale], [card('me'), card('you')], {
          kind: 'spectrum',
          scale: 's',
          pieces: ['me', 'you'],
        })
        const stands = (those: readonly number[]) => ({
          piece: pieceId('me'),
          count: those.length,
          stands: those,
          quartiles: null,
        })
        const key = board.keys[0] as Stands['key']
        const half = percents.slice(0, percents.length / 2)
        const pieces = [stands(half), { ...stands(percents.slice(half.length)), piece: pieceId('you') }]
        const picture = classPicture([{ kind: 'spectrum', key, pieces }], board.pages[0]!, makeEdition(board))
        const { x, y, width, height } = shape
        expect(picture.dots).toHaveLength(percents.length)
        // One student, one dot: none covers another, and none leaves the scale.
        expect(new Set(picture.dots.map(dot => `${dot.x} ${dot.y}`)).size).toBe(percents.length)
        for (const [i, dot] of picture.dots.entries()) {
          const reach = picture.size / 2 + 0.01
          expect(dot.x).toBeGreaterThan(x - reach)
          expect(dot.x).toBeLessThan(x + width + reach)
          expect(dot.y).toBeGreaterThan(y - reach)
          expect(dot.y).toBeLessThan(y + height + reach)
          const percent = percents[i]!
          const along = upright ? (y + height - dot.y) / height : (dot.x - x) / width
          expect(Math.abs(along - percent / 100)).toBeLessThanOrEqual(picture.size / 400)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('stands come with their quartiles; nobody stands nowhere', () => {
    const scale: Place = {
      kind: 'scale',
      id: placeId('s'),
      heading: '',
      least: '0',
      most: '1',
      step: null,
      shape: box(100, 100, 400, 100),
    }
    const board = boardOf([scale], [card('me'), card('you')], { kind: 'spectrum', scale: 's', pieces: ['me', 'you'] })
    const at = [0.2, 0.4, 0.6, 0.8].map(share => slateOf(board, { pieces: { me: { x: 100 + 400 * share, y: 150 } } }))
    const [stands] = countsOf(at, makeEdition(board))
    expect(stands).toMatchObject({
      kind: 'spectrum',
      pieces: [
        { piece: 'me', count: 4 },
        { piece: 'you', count: 0, quartiles: null },
      ],
    })
    const [low, middle, high] = (stands as Stands).pieces[0]!.quartiles!
    expect([low, middle, high].map(Math.round)).toEqual([35, 50, 65])
  })

  it("the middle of sorted values is a statistics library's median, and no quantile leaves their range", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 40 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (values, share) => {
          const sorted = values.toSorted((a, b) => a - b)
          expect(quantile(sorted, 0.5)).toBeCloseTo(quantileSorted(sorted, 0.5), 9)
          expect(quantile(sorted, share)).toBeGreaterThanOrEqual(sorted[0]!)
          expect(quantile(sorted, share)).toBeLessThanOrEqual(sorted.at(-1)!)
        },
      ),
    )
  })
})

describe('an order in groups', () => {
  const ids = ['a', 'b', 'c', 'd'].map(pieceId)
  it('is read from its pairs and written back, and says so where it is no such order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 5 }), sizes => {
        let n = 0
        const groups = sizes.map(size => Array.from({ length: size }, () => pieceId(`p${n++}`)))
        expect(groupsOf(beforeOf(groups))).toEqual(groups)
      }),
    )
    const [a, b, c, d] = ids as [(typeof ids)[0], (typeof ids)[0], (typeof ids)[0], (typeof ids)[0]]
    expect(
      groupsOf([
        [a!, b!],
        [c!, d!],
      ]),
    ).toBeNull()
    expect(
      groupsOf([
        [a!, b!],
        [b!, a!],
      ]),
    ).toBeNull()
  })

  it('joins neighbours whose order is free, and parts them again, but never into no order at all', () => {
    const chain = ids.map(id => [id])
    const free = joined(chain, 1)!
    expect(free).toEqual([['a'], ['b', 'c'], ['d']])
    expect(parted(free, 1)).toEqual(chain)
    expect(joined([['a'], ['b']] as never, 0)).toBeNull()
    const lane: Place = { kind: 'lane', id: placeId('l'), heading: '', direction: 'row', shape: box(0, 0, 900, 100) }
    const board = boardOf(
      [lane],
      ids.map(id => card(id)),
      { kind: 'order', lane: 'l', before: beforeOf(free), credit: 'all' },
    )
    const laid = (order: string) =>
      slateOf(board, { pieces: Object.fromEntries([...order].map((id, i) => [id, { x: 60 + i * 100, y: 50 }])) })
    const verdict = (order: string) => markSlate(laid(order), makeEdition(board))[0]!.items[0]!.verdict
    expect(['abcd', 'acbd', 'bacd', 'abdc'].map(verdict)).toEqual(['right', 'right', 'wrong', 'wrong'])
  })
})

describe('the same total laid in two ways', () => {
  it('becomes one question with two ways', () => {
    const board = boardOf(
      [zone('a', 0), zone('b', 320)],
      ['5', '5', '2', '8'].map((v, i) => tile(`t${i}`, v)),
      { kind: 'total', place: 'a', target: '1' },
    )
    const done = slateOf(board, {
      pieces: { t0: { x: 40, y: 40 }, t1: { x: 100, y: 40 }, t2: { x: 400, y: 40 }, t3: { x: 460, y: 40 } },
    })
    expect(
      keysByDoing({
        kind: 'total',
        page: board.pages[0]!,
        state: done,
        edition: makeEdition(board),
        newId: () => keyId('new'),
      }).keys,
    ).toMatchObject([{ place: 'a', target: '10', ways: ['b'] }])
    const other = slateOf(board, { pieces: { t0: { x: 40, y: 40 }, t2: { x: 400, y: 40 } } })
    expect(
      keysByDoing({
        kind: 'total',
        page: board.pages[0]!,
        state: other,
        edition: makeEdition(board),
        newId: () => keyId('new'),
      }).keys,
    ).toMatchObject([
      { place: 'a', target: '5' },
      { place: 'b', target: '2' },
    ])
  })
})
