import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { groupsAlone } from '../../../core/findings/alone'
import { allFindings, findingsFrom, ofStatuses, type FindingsData } from '../../../core/findings/findings'
import { namesOfGroup } from '../../../core/findings/groupNames'
import { homesOf } from '../../../core/findings/homes'
import { ordersOf } from '../../../core/findings/orders'
import { pilesOn } from '../../../core/findings/piles'
import { scoresOf } from '../../../core/findings/scores'
import { clustersOf, leavesOf, togetherness } from '../../../core/findings/sorts'
import { treePicture } from '../../../core/findings/treePicture'
import { boxOf } from '../../../core/geometry/outline'
import { outcomesOf } from '../../../core/keys/outcomes'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { keyedShore, middleOf } from '../../boards'

const board = keyedShore()
const edition = makeEdition(board)
const [page] = board.pages
const ZONES = page!.places.map(place => place.id as string)
const PIECES = page!.pieces.map(piece => piece.id as string)

const stateOf = (homes: readonly (string | null)[]): SlateState => ({
  ...emptySlate,
  pieces: Object.fromEntries(
    homes.flatMap((place, i) =>
      place ? [[PIECES[i]!, { ...middleOf(board, place), z: i + 1 } as SlateState['pieces'][never]]] : [],
    ),
  ),
})
function dataOf(sorts: readonly (readonly (string | null)[])[], data: Partial<FindingsData> = {}): FindingsData {
  const marked = sorts.map((homes, i) => ({
    slate: `s${i}`,
    ...outcomesOf(stateOf(homes), edition, { number: 1, edition: '' }),
    decisions: {},
  }))
  return {
    board,
    slates: marked.map(({ slate }, i) => ({
      slate,
      name: slate,
      group: null,
      status: i % 2 ? 'handed-in' : 'under-way',
    })),
    scores: scoresOf(marked),
    lies: marked.map(one => one.lies),
    headings: marked.map(() => ({})),
    orders: [],
    before: null,
    puts: [],
    ...data,
  }
}
const anySort = fc.array(fc.constantFrom(...ZONES, null), { minLength: PIECES.length, maxLength: PIECES.length })

describe('the whole of what a class’s work shows', () => {
  it('does not depend on the order of students', () => {
    fc.assert(
      fc.property(fc.array(anySort, { minLength: 2, maxLength: 12 }), sorts => {
        const strip = ({ slates: _, scores: __, ...rest }: ReturnType<typeof allFindings>) =>
          JSON.stringify(rest, (_key, value: unknown) =>
            typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value,
          )
        const [one, other] = [sorts, sorts.toReversed()].map(those => allFindings(dataOf(those)))
        expect(strip({ ...one!, wrongHomes: [] })).toBe(strip({ ...other!, wrongHomes: [] }))
        const counts = (found: typeof one) => found!.wrongHomes.map(home => home.count)
        expect(counts(one)).toEqual(counts(other))
      }),
      { numRuns: 30 },
    )
  })

  it('of some states alone is that of those slates, and of none says nothing', () => {
    const sorts = Array.from({ length: 6 }, (_, i) => PIECES.map((_p, j) => ZONES[(i * j) % 3]!))
    const data = dataOf(sorts)
    const some = allFindings(ofStatuses(data, new Set(['handed-in'])))
    const those = dataOf(sorts.filter((_, i) => i % 2 === 1))
    expect(some.whole).toEqual(allFindings(those).whole)
    expect(some.homes).toEqual(allFindings(those).homes)
    const none = allFindings(ofStatuses(data, new Set()))
    expect([none.whole, none.homes, none.wrongHomes, none.pace]).toEqual([null, null, [], []])
  })

  it('tells how much of it is done, always more, up to the whole', () => {
    const shares: number[] = []
    const steps = findingsFrom(dataOf([PIECES.map(() => ZONES[0]!)]))
    for (let step = steps.next(); !step.done; step = steps.next()) shares.push(step.value)
    expect(shares).toEqual(shares.toSorted((a, b) => a - b))
    expect(shares.length).toBeGreaterThan(3)
    expect(shares.every(share => share > 0 && share < 1)).toBe(true)
  })
})

describe('piles on the board', () => {
  it('lie in their places, none on another, and their areas are as their counts', () => {
    fc.assert(
      fc.property(fc.array(anySort, { minLength: 1, maxLength: 30 }), sorts => {
        const homes = homesOf(dataOf(sorts).lies, PIECES, ZONES)
        const piles = pilesOn(page!, edition, homes)
        // With its number and the cards behind it, which reach above it and to its right.
        const whole = piles.map(({ scale, x, y, width, height }) => {
          const reach = 15 * scale
          return { x, y: y - reach, width: width + reach, height: height + reach }
        })
        const apart = whole.every((a, i) =>
          whole
            .slice(i + 1)
            .every(
              b =>
                a.x + a.width <= b.x + 1e-6
                || b.x + b.width <= a.x + 1e-6
                || a.y + a.height <= b.y + 1e-6
                || b.y + b.height <= a.y + 1e-6,
            ),
        )
        expect(apart).toBe(true)
        for (const [i, pile] of piles.entries()) {
          const room = boxOf(page!.places.find(place => place.id === pile.place)!)
          const { x, y, width: wide, height: high } = whole[i]!
          expect(x >= room.x && x + wide <= room.x + room.width + 1e-6).toBe(true)
          expect(y >= room.y - 1e-6 && y + high <= room.y + room.height + 1e-6).toBe(true)
          const { width, height } = edition.pieces.get(pile.piece)!.master
          const [first] = piles
          const area = (one: typeof pile) => (one.width * one.height) / (width * height)
          expect(area(pile) / area(first!)).toBeCloseTo(pile.count / first!.count, 6)
        }
        const counted = sorts.flat().filter(Boolean).length
        expect(piles.reduce((sum, pile) => sum + pile.count, 0)).toBe(counted)
      }),
      { numRuns: 40 },
    )
  })

  it('count every copy from a bin under the bin', () => {
    const homes = homesOf([{ 'ten~aaaa': 'a', 'ten~bbbb': 'a', one: 'b' }], ['ten', 'one'], ['a', 'b'])
    expect(homes.counts).toEqual([
      [2, 0, 0],
      [0, 1, 0],
    ])
    expect(pilesOn(page!, edition, homesOf([], [], []))).toEqual([])
  })
})

describe('orders', () => {
  // Kendall and Babington Smith's coefficient by hand: ranks 1 2 3, 1 2 3, 1 3 2 give S = 14 of 18.
  it('agree as far as Kendall says, of those who put everything', () => {
    const made = (pieces: string[]) => ({ place: 'row', pieces })
    const [found] = ordersOf([made(['a', 'b', 'c']), made(['a', 'b', 'c']), made(['a', 'c', 'b']), made(['a', 'b'])])
    expect(found!.w).toBeCloseTo(14 / 18, 10)
    expect(found).toMatchObject({ complete: 3, ranks: [{ piece: 'a', rank: 1 }, { piece: 'b' }, { piece: 'c' }] })
    expect(ordersOf([])).toEqual([])
    expect(ordersOf([made(['a'])])).toEqual([])
    // Taken twice from a bin it stands where it stands first.
    expect(ordersOf([made(['a', 'b', 'a'])])[0]!.ranks.map(one => one.piece)).toEqual(['a', 'b'])
  })
})

describe('an open sort', () => {
  const sorts = [
    { a: 'x', b: 'x', c: 'y', d: 'y' },
    { a: 'x', b: 'x', c: 'x', d: 'y' },
    { a: 'y', b: 'y', c: 'x', d: null },
  ]
  it('has the names that students gave, however they are written', () => {
    const names: Record<string, string>[] = [{ x: 'Feet ' }, { x: 'feet', y: 'none' }, { y: 'Shells' }]
    expect(namesOfGroup(['a', 'b'], sorts, names)).toEqual([
      { name: 'Feet', count: 2 },
      { name: 'Shells', count: 1 },
    ])
    expect(namesOfGroup(['d'], sorts, names)).toEqual([{ name: 'none', count: 1 }])
    // Of two that were laid apart neither name is that of both.
    expect(namesOfGroup(['c', 'd'], sorts.slice(1, 2), names.slice(1, 2))).toEqual([])
  })

  it('is drawn as a tree: every piece once, joins no further to the left than what they join', () => {
    const pieces = ['a', 'b', 'c', 'd']
    const tree = clustersOf(togetherness(sorts, pieces), pieces)!
    const { leaves, joins, height } = treePicture(tree, { width: 100, step: 10 })
    expect(leaves.map(leaf => leaf.piece)).toEqual(leavesOf(tree))
    expect(joins).toHaveLength(3)
    expect(height).toBe(40)
    for (const { points } of joins) {
      const [a, b, c, d] = points
      expect(b!.x).toBe(c!.x)
      expect(b!.x).toBeGreaterThanOrEqual(Math.max(a!.x, d!.x))
    }
  })
})

describe('groups beside the same students alone', () => {
  it('are compared as shares, with the mean and the best of those who have one alone', () => {
    const scores = (slates: string[], points: number[][]) => ({
      ...scoresOf([]),
      slates,
      items: points[0]!.map((_, i) => ({
        name: `k/${i}`,
        key: 'k' as never,
        item: `${i}`,
        is: 'piece' as const,
        of: 1,
      })),
      points,
      verdicts: points.map(row => row.map(one => (one ? ('right' as const) : ('wrong' as const)))),
    })
    const frames = scores(
      ['f', 'g'],
      [
        [1, 1, 1, 0],
        [0, 0, 0, 0],
      ],
    )
    const alone = scores(
      ['p', 'q', 'r'],
      [
        [1, 0, 0, 0],
        [1, 1, 1, 1],
        [1, 1, 0, 0],
      ],
    )
    const found = groupsAlone(frames, alone, {
      members: { f: ['Ada', 'Bo'], g: ['Nobody'] },
      makers: { p: 'Ada', q: 'Bo', r: 'Cy' },
    })
    expect(found).toEqual([{ slate: 'f', together: 0.75, alone: 0.625, best: 1, members: 2 }])
  })
})
