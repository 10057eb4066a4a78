import { describe, expect, it } from 'vitest'
import { checkBoard, emptyBoard, readBoard, type Board, type Page } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { addFixed } from '../../../core/design/backdrop'
import { addSets, isTable, readColumns } from '../../../core/design/columns'
import { addGapFill, withGaps, wordsOf } from '../../../core/design/gapFill'
import { itemsOf, setBoxes } from '../../../core/design/items'
import { newPlaces, PLACE_FORMS } from '../../../core/design/newPlaces'
import { addOthers, allowArrows, allowNotes, notesAllowed } from '../../../core/design/otherPieces'
import { addPlaces } from '../../../core/design/places'
import { stagedPut } from '../../../core/design/staging'
import { turnedShape } from '../../../core/design/turnedShape'
import { turnItems } from '../../../core/design/turning'
import { area } from '../../../core/geometry/area'
import { boxOf, outline, overlaps } from '../../../core/geometry/outline'
import { answerSlate } from '../../../core/keys/answerSlate'
import { markSlate } from '../../../core/keys/mark'
import { isUntouched, startOf } from '../../../core/slate/state'
import { counting, keyId, masterId, pageId, pieceId, placeId, shore } from '../../boards'

const idsFrom = (next: () => string) => ({
  piece: () => pieceId(next()),
  master: () => masterId(next()),
  place: () => placeId(next()),
  key: () => keyId(next()),
})
const points = (board: Board) =>
  markSlate(answerSlate(board.pages.at(-1)!, makeEdition(board)), makeEdition(board))
    .filter(item => board.keys.find(k => k.id === item.key)?.page === board.pages.at(-1)!.id)
    .reduce((sum, item) => sum + item.points, 0)

describe('turning', () => {
  const page = pageId('page')

  it('four quarters, or twenty-four steps of 15 degrees, bring everything back', () => {
    const board = stagedPut(
      addFixed({
        board: addFixed({ board: shore(), pageId: page, form: 'box', id: 'box' as never, words: '' }),
        pageId: page,
        form: 'arrow',
        id: 'arrow' as never,
        words: '',
      }),
      page,
      { kind: 'put', piece: pieceId('c0'), x: 480, y: 240 },
    )
    const centred = setBoxes(board, page, new Map([['z0', { x: 380, y: 180, width: 160, height: 100 }]]))
    const all = new Set(['z0', 'box', 'arrow', 'c0'])
    for (const [times, by] of [
      [4, 90],
      [24, 15],
    ] as const) {
      let turned = centred
      for (let i = 0; i < times; i++) turned = turnItems(turned, page, all, by)
      const boxes = (b: Board) =>
        (['backdrop', 'places', 'pieces'] as const).flatMap(layer =>
          itemsOf(b, page, layer).map(i => [i.id, ...Object.values(i.box).map(n => Math.round(n * 1000) / 1000)]),
        )
      expect(boxes(turned)).toEqual(boxes(centred))
      expect(checkBoard(turned)).toBeNull()
    }
  })

  it('keeps areas, and makes a free outline of a rectangle that lies aslant', () => {
    for (const shape of [
      { kind: 'rectangle', x: 10, y: 20, width: 100, height: 60 },
      { kind: 'ellipse', x: 10, y: 20, width: 100, height: 60 },
    ] as const) {
      const aslant = turnedShape(shape, 30)
      expect(aslant.kind).toBe('polygon')
      expect(area(outline(aslant))).toBeCloseTo(area(outline(shape)), 6)
      expect(turnedShape(shape, 90)).toEqual({ kind: shape.kind, x: 30, y: 0, width: 60, height: 100 })
    }
  })

  it('a piece lies turned from the start, also after starting again, and counts as untouched there', () => {
    const staged = turnItems(
      stagedPut(shore(), page, { kind: 'put', piece: pieceId('c0'), x: 480, y: 240 }),
      page,
      new Set(['c0']),
      -15,
    )
    const edition = makeEdition(staged)
    expect(startOf(edition).pieces['c0' as never]).toMatchObject({ turn: 345 })
    expect(isUntouched(startOf(edition), edition)).toBe(true)
    expect(readBoard(JSON.parse(JSON.stringify(staged)))).toEqual({ ok: true, value: staged })
  })
})

describe('new places', () => {
  it.each(PLACE_FORMS)('%s are whole, on the page, and clear of what is there', form => {
    const next = counting()
    const board = addPlaces(
      emptyBoard('P', pageId('p'), 1),
      pageId('p'),
      newPlaces('slots', emptyBoard('P', pageId('p'), 1).pages[0]!, () => placeId(next())),
    )
    const made = newPlaces(form, board.pages[0]!, () => placeId(next()))
    const whole = addPlaces(board, pageId('p'), made)
    expect(readBoard(JSON.parse(JSON.stringify(whole)))).toMatchObject({ ok: true })
    for (const place of made) {
      const { x, y, width, height } = boxOf(place)
      expect(x >= 0 && y >= 0 && x + width <= 960 && y + height <= 480).toBe(true)
    }
  })

  it.each(PLACE_FORMS)('%s stay in the activity that is chosen', form => {
    const next = counting()
    const board = emptyBoard('P', pageId('p'), 1)
    const activity = { x: 324, y: 246, width: 312, height: 222 }
    for (const place of newPlaces(form, board.pages[0]!, () => placeId(next()), activity)) {
      const { x, y, width, height } = boxOf(place)
      expect(x).toBeGreaterThanOrEqual(activity.x)
      expect(y).toBeGreaterThanOrEqual(activity.y)
      expect(x + width).toBeLessThanOrEqual(activity.x + activity.width + 1e-9)
      expect(y + height).toBeLessThanOrEqual(activity.y + activity.height + 1e-9)
    }
  })

  it('keep off printed words', () => {
    const [page] = emptyBoard('P', pageId('p'), 1).pages
    const words = { x: 0, y: 0, width: 700, height: 120 }
    const figures = [
      { id: 'f', shape: { kind: 'rectangle', ...words }, line: null, fill: null, text: 'Read me', textSize: 18 },
    ]
    const printed = { ...page!, backdrop: { ...page!.backdrop, figures } } as Page
    const [zone] = newPlaces('ellipse', printed, () => placeId('z'))
    expect(overlaps(boxOf(zone!), words)).toBe(false)
  })

  it('two rings overlap by about a third, three make seven regions inside', () => {
    for (const form of ['two-rings', 'three-rings'] as const) {
      const made = newPlaces(form, emptyBoard('P', pageId('p'), 1).pages[0]!, () => placeId('r'))
      const inside = new Set<string>()
      for (let x = 0; x < 960; x += 3)
        for (let y = 0; y < 480; y += 3)
          inside.add(
            made
              .map(p => {
                const b = boxOf(p)
                return ((x - b.x - b.width / 2) / (b.width / 2)) ** 2 + ((y - b.y - b.height / 2) / (b.height / 2)) ** 2
                  < 1
                  ? 1
                  : 0
              })
              .join(''),
          )
      expect(inside.size).toBe(2 ** made.length)
    }
  })
})

describe('pieces from what teachers have', () => {
  const base = () => emptyBoard('Cards', pageId('p'), 1)
  const page = pageId('p')

  it('columns of a spreadsheet become cards that belong together', () => {
    const columns = readColumns('limpet\tclings\r\n\r\ngoby\tswims\t"in ""pools"""\nsand', 100)
    expect(columns.rows).toEqual([['limpet', 'clings'], ['goby', 'swims', 'in "pools"'], ['sand']])
    expect(isTable(columns)).toBe(true)
    const board = addSets(base(), page, columns.rows, idsFrom(counting()))
    expect(checkBoard(board)).toBeNull()
    expect(board.keys[0]).toMatchObject({
      kind: 'match',
      sets: [
        [expect.any(String), expect.any(String)],
        [expect.any(String), expect.any(String), expect.any(String)],
      ],
    })
    expect(board.pages[0]!.pieces).toHaveLength(6)
    expect(isTable(readColumns('one\ntwo', 100))).toBe(false)
    expect(readColumns('a\tb\nc\td', 3)).toMatchObject({ rows: [['a', 'b']], left: 1 })
  })

  it('2,000 pasted lines fill the page and say how many are left; a word of 80 letters, an emoji, Arabic and Chinese each get a card', () => {
    const many = readColumns(Array.from({ length: 2000 }, (_, i) => `word ${i}\tmeaning ${i}`).join('\n'), 1000)
    expect(many.rows.flat()).toHaveLength(1000)
    expect(many.left).toBe(1500)
    const odd = addSets(base(), page, [['x'.repeat(80)], ['🦀'], ['سرطان'], ['螃蟹']], idsFrom(counting()))
    expect(odd.pages[0]!.pieces.map(p => p.text)).toEqual(['x'.repeat(80), '🦀', 'سرطان', '螃蟹'])
    expect(odd.masters[0]!.width).toBeLessThanOrEqual(220)
  })

  it('a sentence becomes a text with gaps, a bank and a key: the words that were marked', () => {
    const text = 'The limpet’s foot clings; the rock-pool goby swims.'
    expect(wordsOf(text).map(w => w.text)).toEqual([
      'The',
      'limpet’s',
      'foot',
      'clings',
      'the',
      'rock-pool',
      'goby',
      'swims',
    ])
    expect(withGaps({ text, marked: new Set([1, 5]) })).toEqual({
      text: 'The ____ foot clings; the ____ goby swims.',
      gone: ['limpet’s', 'rock-pool'],
    })
    expect(withGaps({ text, marked: new Set() })).toBeNull()
    expect(withGaps({ text: 'a __ b', marked: new Set([0]) })).toBeNull()
    for (const typed of [false, true]) {
      const made = addGapFill(
        base(),
        page,
        { text, marked: new Set([1, 5]), extra: ['tide'], typed },
        idsFrom(counting()),
      )!
      expect(checkBoard(made.board)).toBeNull()
      expect(made.board.pages[0]!.pieces.map(p => p.text)).toEqual(typed ? [] : ['limpet’s', 'rock-pool', 'tide'])
      expect(points(made.board)).toBe(2)
    }
  })

  it('the same word in two gaps is right in both', () => {
    const { board } = addGapFill(
      base(),
      page,
      { text: 'rock on rock', marked: new Set([0, 2]), extra: [], typed: false },
      idsFrom(counting()),
    )!
    expect(board.keys[0]).toMatchObject({ kind: 'slots' })
    expect(points(board)).toBe(2)
  })

  it('labels, headings, tokens, covers and notes are whole boards, and share a style with those made before', () => {
    const ids = idsFrom(counting())
    let board = base()
    for (const form of ['label', 'heading', 'token', 'cover', 'note'] as const)
      for (let i = 0; i < 2; i++) board = addOthers(board, page, { form, texts: ['one'], bin: form !== 'label' }, ids)
    expect(readBoard(JSON.parse(JSON.stringify(board))).ok).toBe(true)
    expect(board.masters).toHaveLength(5)
    expect(allowArrows(allowArrows(board, page, true), page, false)).toEqual(board)
  })

  it('notes are allowed by a bin of them, once, and forbidden by taking it away', () => {
    const [board, page] = [shore(), pageId('page')]
    const ids = idsFrom(counting())
    const single = addOthers(board, page, { form: 'note', texts: ['why?'], bin: false }, ids)
    expect(notesAllowed(single.pages[0]!)).toBe(false)
    const allowed = allowNotes({ board: single, pageId: page, allowed: true, text: 'Note', ids })
    expect(notesAllowed(allowed.pages[0]!)).toBe(true)
    expect(allowNotes({ board: allowed, pageId: page, allowed: true, text: 'Note', ids })).toBe(allowed)
    expect(allowNotes({ board: allowed, pageId: page, allowed: false, text: 'Note', ids })).toEqual(single)
  })

  it('a piece that is put on the page at the workbench lies there from the start; a bin stays', () => {
    const board = shore()
    const staged = stagedPut(board, pageId('page'), { kind: 'put', piece: pieceId('c0'), x: 200, y: 200 })
    expect(startOf(makeEdition(staged)).pieces).toMatchObject({ c0: { x: 200, y: 200 } })
    expect(stagedPut(staged, pageId('page'), { kind: 'shelve', piece: pieceId('c0') })).toEqual(board)
    const bins = addOthers(board, pageId('page'), { form: 'token', texts: ['t'], bin: true }, idsFrom(counting()))
    expect(stagedPut(bins, pageId('page'), { kind: 'put', piece: bins.pages[0]!.pieces.at(-1)!.id, x: 9, y: 9 })).toBe(
      bins,
    )
  })
})
