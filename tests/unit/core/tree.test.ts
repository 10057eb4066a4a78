import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { sentenceOf, treeOf, withinBranch, type Branch, type Tree } from '../../../core/drawing/tree'
import { readingOrder } from '../../../core/layout/readingOrder'
import { startOf, type SlateState } from '../../../core/slate/state'
import { anyWork } from '../../anyWork'
import { placeId } from '../../boards'
import { exampleBoards } from '../../examples'
import { boardOf, box, card, slateOf } from '../../keyBoards'

const treeFor = (board: Board, state: SlateState, page = 0): Tree =>
  treeOf({ edition: makeEdition(board), page: board.pages[page]!, state })

/** A tree as lines: what a branch is, how it is called, what stands below it further in. */
const lines = (tree: Tree, deep = ''): string[] =>
  tree.flatMap(branch => [`${deep}${branch.is} ${called(branch)}`, ...lines(withinBranch(branch), `${deep}  `)])
function called(branch: Branch): string {
  switch (branch.is) {
    case 'place':
      return `${branch.place.heading} ${branch.pieces}`
    case 'both':
      return branch.places.join(' ')
    case 'cell':
      return `${branch.row} ${branch.column} ${branch.words}`
    case 'gap':
      return `${branch.number} ${branch.words}`
    case 'ink':
      return `${branch.lines}`
    case 'join':
      return branch.id
    case 'own':
      return branch.thing.kind
    case 'piece':
    case 'loose':
      return branch.id
    default:
      return branch.words
  }
}
const everyBranch = (tree: Tree): Branch[] => tree.flatMap(branch => [branch, ...everyBranch(withinBranch(branch))])
const lying = (at: Record<string, readonly [number, number]>) => ({
  pieces: Object.fromEntries(Object.entries(at).map(([id, [x, y]], z) => [id, { x, y, z }])),
})
const zone = (id: string, x: number, width = 300, more: object = {}) => ({
  kind: 'zone' as const,
  id: placeId(id),
  heading: id.toUpperCase(),
  shape: box(x, 100, width, 300),
  ...more,
})

describe('a page as a tree of things', () => {
  it('has its places in reading order, whatever order they were made in, with what lies in each as it is read', () => {
    const board = boardOf(
      [zone('b', 500), zone('a', 50)],
      ['one', 'two', 'three', 'four'].map(id => card(id)),
      null,
    )
    // Laid so that the drawing order is the other way round; "four" lies below both.
    const state = slateOf(board, lying({ three: [250, 300], two: [260, 160], one: [120, 170], four: [480, 460] }))
    expect(lines(treeFor(board, state))).toEqual([
      'place A 3',
      '  piece one',
      '  piece two',
      '  piece three',
      'place B 0',
      'loose loose',
      '  piece four',
    ])
  })

  it('tells of what lies where two rings cross apart from what lies in each', () => {
    const ring = (id: string, x: number) => ({
      ...zone(id, x),
      shape: { kind: 'ellipse' as const, x, y: 50, width: 400, height: 400 },
    })
    const board = boardOf([ring('a', 50), ring('b', 300)], [card('left'), card('middle')], null)
    const state = slateOf(board, lying({ middle: [375, 250], left: [150, 250] }))
    expect(lines(treeFor(board, state))).toEqual([
      'place A 1',
      '  piece left',
      'place B 0',
      'both a b',
      '  piece middle',
    ])
  })

  it('tells of a student’s own picture in the place in which it lies', () => {
    const board = boardOf([zone('a', 50), zone('b', 500)], [card('one')], null)
    const state = {
      ...slateOf(board, {}),
      own: {
        mine: { kind: 'picture', page: board.pages[0]!.id, x: 640, y: 250, width: 200, height: 200, by: 'student:1' },
      },
    } as unknown as SlateState
    expect(lines(treeFor(board, state))).toEqual(['place A 0', 'place B 0', '  own picture'])
  })

  it('reads a lane as its key does, from the right where it says so', () => {
    const lane = { kind: 'lane' as const, id: placeId('l'), heading: 'Order', shape: box(50, 100, 800, 80) }
    const pieces = ['a', 'b', 'c'].map(id => card(id))
    for (const fromRight of [false, true]) {
      const board = boardOf([{ ...lane, direction: 'row', fromRight }], pieces, null)
      const state = slateOf(board, lying({ c: [700, 140], a: [120, 140], b: [400, 145] }))
      expect(lines(treeFor(board, state)).slice(1)).toEqual(
        (fromRight ? ['c', 'b', 'a'] : ['a', 'b', 'c']).map(id => `  piece ${id}`),
      )
    }
  })

  it('is a whole sentence with its gaps, filled and empty', () => {
    const board = exampleBoards.find(one => one.pages[0]!.places[0]?.kind === 'gaps')!
    const state = slateOf(board, lying({ tide: [303, 116], limpet: [636, 116] }))
    const [place] = treeFor(board, state)
    const sentence = sentenceOf(withinBranch(place!), id => id)
    expect(sentence).toBe(
      'When the tide goes out, the limpet stays where it is. It holds on to the ___ with its strong ___.',
    )
  })

  it('tells of cells that hold something, and of a row of printed ones in one line', () => {
    const grid = {
      kind: 'grid' as const,
      id: placeId('g'),
      heading: 'To 6',
      shape: box(60, 60, 360, 240),
      rows: 2,
      columns: 3,
      printed: ['1', '2', '3', '4', '5', '6'],
    }
    const board = boardOf([grid], [card('x')], null)
    const state = slateOf(board, lying({ x: [240, 120] }))
    expect(lines(treeFor(board, state))).toEqual([
      'place To 6 1',
      '  cell 0 0 1',
      '  cell 0 1 2',
      '    piece x',
      '  cell 0 2 3',
      '  row 4 5 6',
    ])
    expect(lines(treeFor(boardOf([{ ...grid, printed: undefined }], [card('x')], null), state))).toEqual([
      'place To 6 1',
      '  cell 0 1 ',
      '    piece x',
    ])
  })

  it('begins at the right where the language does', () => {
    const board = { ...boardOf([zone('a', 50), zone('b', 500)], [], null), language: 'ar-SA' as const }
    expect(lines(treeFor(board, startOf(makeEdition(board))))).toEqual(['place B 0', 'place A 0'])
  })

  it('has every place, and every piece that lies on the page, exactly once, whatever was done', () => {
    for (const board of exampleBoards) {
      const edition = makeEdition(board)
      const work = fc.property(anyWork(board), state => {
        for (const page of board.pages) {
          const tree = everyBranch(treeOf({ edition, page, state }))
          const ids = (is: Branch['is']) => tree.filter(one => one.is === is).map(one => one.id as string)
          expect(ids('place').toSorted()).toEqual(page.places.map(place => place.id as string).toSorted())
          const here = (id: string) => edition.pieces.get(id as never)?.page === page
          expect(ids('piece').toSorted()).toEqual(Object.keys(state.pieces).filter(here).toSorted())
        }
      })
      fc.assert(work, { numRuns: 20 })
    }
  })
})

describe('reading order', () => {
  const at = (x: number, y: number, width = 80, height = 40) => ({ x, y, width, height })
  const order = (boxes: Record<string, ReturnType<typeof at>>, fromRight = false) =>
    readingOrder(Object.entries(boxes), ([, one]) => one, fromRight).map(([name]) => name)

  it('goes row by row, though children lay crookedly', () => {
    const boxes = { d: at(10, 62), b: at(100, 8), c: at(205, 3), e: at(120, 55), a: at(0, 0) }
    expect(order(boxes)).toEqual(['a', 'b', 'c', 'd', 'e'])
    expect(order(boxes, true)).toEqual(['c', 'b', 'a', 'e', 'd'])
  })

  it('reads a column beside others to its end, where they are parted from top to foot', () => {
    const boxes = { right: at(300, 0, 100, 200), 'left below': at(0, 110, 200, 90), 'left above': at(0, 0, 200, 90) }
    expect(order(boxes)).toEqual(['left above', 'left below', 'right'])
  })

  it('keeps the order of what lies at one spot, loses nothing, and of nothing makes nothing', () => {
    expect(order({ first: at(0, 0), second: at(0, 0) })).toEqual(['first', 'second'])
    expect(order({})).toEqual([])
    const boxes = fc.array(fc.record({ x: fc.nat(900), y: fc.nat(600), width: fc.nat(300), height: fc.nat(200) }))
    fc.assert(
      fc.property(boxes, all => {
        expect(new Set(readingOrder(all, one => one))).toEqual(new Set(all))
      }),
    )
  })
})
