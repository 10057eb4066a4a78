import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkBoard, emptyBoard, readBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { referencesOf } from '../../../core/keys/key'
import { renamed } from '../../../core/board/rename'
import { addFixed } from '../../../core/design/backdrop'
import { addCorner, endsOf, moveCorner, removeCorner } from '../../../core/design/corners'
import { group, grouped, itemsOf, moveItems, removeItems, setBoxes, ungroup } from '../../../core/design/items'
import { newPlaces } from '../../../core/design/newPlaces'
import {
  addPage,
  addPrintedPages,
  duplicatePage,
  MOST_PAGES,
  movePage,
  PAGE_SIZES,
  removePage,
  setPageSize,
  takeSheets,
} from '../../../core/design/pages'
import { addPlaces } from '../../../core/design/places'
import { sheetOf } from '../../../core/design/sheet'
import { addStep, changeStep, moveStep } from '../../../core/design/steps'
import { boxOf } from '../../../core/geometry/outline'
import { answerSlate } from '../../../core/keys/answerSlate'
import { markSlate } from '../../../core/keys/mark'
import { counting, pageId, placeId, shore } from '../../boards'
import { examples } from '../../examples'

const points = (board: Board) =>
  markSlate(answerSlate(board.pages.at(-1)!, makeEdition(board)), makeEdition(board))
    .filter(item => board.keys.find(k => k.id === item.key)?.page === board.pages.at(-1)!.id)
    .reduce((sum, item) => sum + item.points, 0)

describe('pages', () => {
  it.each(examples)('of $file are doubled with their answers under new ids, and mark the same', ({ board }) => {
    const twice = duplicatePage(board, board.pages[0]!.id, counting('again-'))
    expect(checkBoard(twice)).toBeNull()
    expect(twice.pages).toHaveLength(2)
    expect(twice.masters).toEqual(board.masters)
    expect(points(twice)).toBe(points(board))
    const names = (b: Board, page: number) =>
      b.keys.filter(k => k.page === b.pages[page]!.id).map(k => Object.values(referencesOf(k)).map(ids => ids.length))
    expect(names(twice, 1)).toEqual(names(twice, 0))
  })

  it('of another board bring their masters, and share those of the same style', () => {
    const [a, b] = [shore(), shore()]
    const taken = takeSheets(a, a.pages[0]!.id, [sheetOf(b, b.pages[0]!.id)], counting())
    expect(taken.masters).toHaveLength(1)
    const larger = { ...b, masters: b.masters.map(m => ({ ...m, textSize: 24 })) }
    expect(takeSheets(a, a.pages[0]!.id, [sheetOf(larger, larger.pages[0]!.id)], counting()).masters).toHaveLength(2)
    expect(checkBoard(taken)).toBeNull()
  })

  it('are added, moved and removed; the last stays, and a full board takes no more', () => {
    let board = emptyBoard('Pages', pageId('p1'), 1)
    board = addPage(addPage(board, pageId('p1'), pageId('p2')), pageId('p1'), pageId('p3'))
    expect(board.pages.map(p => p.id)).toEqual(['p1', 'p3', 'p2'])
    expect(movePage(board, pageId('p2'), -1).pages.map(p => p.id)).toEqual(['p1', 'p2', 'p3'])
    expect(movePage(board, pageId('p1'), -1)).toBe(board)
    expect(
      removePage(removePage(removePage(board, pageId('p1')), pageId('p2')), pageId('p3')).pages.map(p => p.id),
    ).toEqual(['p3'])
    const next = counting('q')
    for (let i = 0; i < MOST_PAGES + 3; i++) board = addPage(board, pageId('p1'), pageId(next()))
    expect(board.pages).toHaveLength(MOST_PAGES)
    expect(takeSheets(board, pageId('p1'), [sheetOf(board, pageId('p1'))], next)).toEqual(board)
  })

  it('of paper hold all that stood on them, wherever it was', () => {
    fc.assert(
      fc.property(fc.constantFrom(...examples), fc.constantFrom(...Object.values(PAGE_SIZES)), ({ board }, size) => {
        const sized = setPageSize(board, board.pages[0]!.id, size)
        const page = sized.pages[0]!
        for (const place of page.places) {
          const { x, y, width, height } = boxOf(place)
          expect(x >= -1e-6 && y >= -1e-6 && x + width <= page.width + 1e-6 && y + height <= page.height + 1e-6).toBe(
            true,
          )
        }
        expect(readBoard(JSON.parse(JSON.stringify(sized))).ok).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('of a worksheet each become a page of their own size; an empty page is the first of them', () => {
    const picture = { file: 'a'.repeat(64) as never, pixelWidth: 1240, pixelHeight: 1754, alt: 'Worksheet' }
    const made = addPrintedPages(
      emptyBoard('W', pageId('p1'), 1),
      pageId('p1'),
      [PAGE_SIZES['a4-high'], PAGE_SIZES['a4-wide']].map(size => ({ size, picture })),
      counting(),
    )
    expect(made.pages.map(p => Math.round(p.width))).toEqual([595, 842])
    expect(made.pages[0]!.id).toBe('p1')
    const behind = addPrintedPages(
      shore(),
      shore().pages[0]!.id,
      [{ size: { width: 10, height: 10 }, picture }],
      counting(),
    )
    expect(behind.pages).toHaveLength(2)
    expect(readBoard(JSON.parse(JSON.stringify(behind))).ok).toBe(true)
  })
})

describe('the hands', () => {
  const page = pageId('page')
  const withFixed = () =>
    addFixed({
      board: addFixed({ board: shore(), pageId: page, form: 'arrow', id: 'line' as never, words: '' }),
      pageId: page,
      form: 'heading',
      id: 'head' as never,
      words: 'Shore',
    })

  it('move places, pictures and lines by the same way, and never off the page', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1500, max: 1500 }), fc.integer({ min: -1500, max: 1500 }), (dx, dy) => {
        const moved = moveItems({ board: withFixed(), pageId: page, ids: ['z0', 'line', 'head'], dx, dy })
        const { width, height } = moved.pages[0]!
        for (const layer of ['backdrop', 'places'] as const)
          for (const { box } of itemsOf(moved, page, layer))
            expect(
              box.x >= -1e-9
                && box.y >= -1e-9
                && box.x + box.width <= width + 1e-9
                && box.y + box.height <= height + 1e-9,
            ).toBe(true)
        expect(moved.keys).toEqual(shore().keys)
      }),
    )
  })

  it('size a line by its ends without turning it round, and a place no smaller than it may be', () => {
    const board = withFixed()
    const { from, to } = setBoxes(board, page, new Map([['line', { x: 100, y: 100, width: 200, height: 80 }]]))
      .pages[0]!.backdrop.lines![0]!
    expect({ from, to }).toEqual({ from: { x: 100, y: 100 }, to: { x: 300, y: 180 } })
    const tiny = setBoxes(board, page, new Map([['z0', { x: 0, y: 0, width: 1, height: 1 }]]))
    expect(boxOf(tiny.pages[0]!.places[0]!)).toMatchObject({ width: 48, height: 48 })
  })

  it('keep groups together, and take them apart', () => {
    const board = group(shore(), page, ['z0', 'z1'])
    expect(grouped(board.pages[0]!, ['z0'])).toEqual(new Set(['z0', 'z1']))
    const regrouped = group(board, page, ['z1', 'z2'])
    expect(regrouped.pages[0]!.groups).toEqual([['z1', 'z2']])
    expect(ungroup(regrouped, page, ['z2']).pages[0]!.groups).toBeUndefined()
    expect(removeItems(board, page, new Set(['z1'])).pages[0]!.groups).toBeUndefined()
  })

  it('remove places and figures with every answer about them, and take staged pieces back to the ledge', () => {
    for (const { board } of examples) {
      const first = board.pages[0]!
      const all = new Set([
        ...first.places.map(p => p.id),
        ...(first.backdrop.figures?.map(f => f.id) ?? []),
        ...Object.keys(first.staged ?? {}),
      ])
      const bare = removeItems(board, first.id, all)
      expect(checkBoard(bare)).toBeNull()
      expect(bare.pages[0]!.places).toEqual([])
      expect(bare.pages[0]!.staged).toBeUndefined()
      expect(bare.pages[0]!.pieces).toEqual(first.pieces)
    }
  })

  it('move the corners of a free outline, and add and take away corners', () => {
    const [free] = newPlaces('polygon', shore().pages[0]!, () => placeId('free'))
    const board = addPlaces(shore(), page, [free!])
    expect(endsOf(board, page, 'free')).toHaveLength(5)
    expect(
      endsOf(moveCorner({ board, pageId: page, id: 'free', corner: 2, to: { x: 5000, y: -4 } }), page, 'free')[2],
    ).toEqual({ x: 960, y: 0 })
    expect(endsOf(addCorner(board, page, 'free'), page, 'free')).toHaveLength(6)
    let fewer = board
    for (let i = 0; i < 6; i++) fewer = removeCorner(fewer, page, 'free')
    expect(endsOf(fewer, page, 'free')).toHaveLength(3)
    expect(endsOf(board, page, 'z0')).toEqual([])
  })

  it("take along what stands in an activity's part of the page", () => {
    let board = addStep(emptyBoard('Steps', page, 1), page, 's1' as never)
    board = addPlaces(board, page, [
      {
        kind: 'slot',
        id: placeId('in'),
        heading: '',
        shape: { kind: 'rectangle', x: 60, y: 80, width: 60, height: 40 },
      },
      {
        kind: 'slot',
        id: placeId('out'),
        heading: '',
        shape: { kind: 'rectangle', x: 700, y: 300, width: 60, height: 40 },
      },
    ])
    const moved = moveItems({ board, pageId: page, ids: ['s1'], dx: 40, dy: 20 })
    expect(moved.pages[0]!.places.map(boxOf)).toMatchObject([
      { x: 100, y: 100 },
      { x: 700, y: 300 },
    ])
    const two = addStep(changeStep(board, page, 's1' as never, { instructions: 'Sort' }), page, 's2' as never)
    expect(moveStep(two, page, 's2' as never, -1).pages[0]!.steps!.map(s => s.id)).toEqual(['s2', 's1'])
    expect(readBoard(JSON.parse(JSON.stringify(two))).ok).toBe(true)
  })
})

it('a sheet under new ids keeps no old one', () => {
  for (const { board } of examples) {
    const first = board.pages[0]!
    const sheet = renamed(sheetOf(board, first.id), counting('fresh-'))
    const old = new Set<string>([
      first.id,
      ...first.places.map(p => p.id),
      ...first.pieces.map(p => p.id),
      ...(first.backdrop.figures?.map(f => f.id) ?? []),
      ...board.keys.map(k => k.id),
    ])
    const named = [
      sheet.page.id,
      ...sheet.page.places.map(p => p.id),
      ...sheet.page.ledge,
      ...Object.keys(sheet.page.staged ?? {}),
      ...sheet.keys.flatMap(k => [k.id, k.page, ...Object.values(referencesOf(k)).flat()]),
    ]
    expect(named.filter(id => old.has(id))).toEqual([])
  }
})
