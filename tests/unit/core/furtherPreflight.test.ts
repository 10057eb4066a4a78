import fc from 'fast-check'
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { hex } from 'wcag-contrast'
import { emptyBoard, readBoard, type Board } from '../../../core/board/board'
import type { Key } from '../../../core/keys/key'
import type { Place } from '../../../core/board/place'
import { contrast, INK, lightened } from '../../../core/colour/contrast'
import { withPage } from '../../../core/design/lookup'
import { shuffled, seeded } from '../../../core/layout/random'
import { neighbours } from '../../../core/layout/scramble'
import { fixFor, foundOn, preflight } from '../../../core/preflight/preflight'
import { crossesItself } from '../../../core/preflight/rules/badShape'
import { isKnown } from '../../../core/preflight/rules/hardWords'
import { joinsVariance } from '../../../core/design/telling'
import { keyId, masterId, pageId, pieceId, placeId, sortBoard } from '../../boards'
import { boardOf, box, card, tile } from '../../keyBoards'

const rulesOn = (board: Board) => foundOn(board).map(f => f.rule)
const mended = (board: Board, rule: string) => {
  const finding = foundOn(board).find(f => f.rule === rule)!
  return fixFor(board, finding)!.apply(board, code => code)
}

describe('contrast', () => {
  it('is what a reference library makes of any two colours', () => {
    const colour = fc.integer({ min: 0, max: 0xffffff }).map(n => `#${n.toString(16).padStart(6, '0')}`)
    fc.assert(
      fc.property(colour, colour, (a, b) => {
        expect(contrast(a, b)).toBeCloseTo(hex(a, b), 2)
      }),
    )
  })

  // W3C, Understanding WCAG 2.2: black on white is 21 : 1; #767676 is the lightest grey that passes 4.5 : 1 on white,
  // #777777 just fails (from memory).
  it.each([
    ['#000000', '#ffffff', 21],
    ['#767676', '#ffffff', 4.54],
    ['#777777', '#ffffff', 4.48],
    ['#ffffff', '#ffffff', 1],
  ])('of %s and %s is %d', (a, b, ratio) => {
    expect(contrast(a, b)).toBeCloseTo(ratio, 2)
    expect(contrast(b, a)).toBeCloseTo(ratio, 2)
  })

  it('is mended by a colour that is lighter, no more than it takes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), n => {
        const colour = `#${n.toString(16).padStart(6, '0')}`
        const light = lightened(colour, 7)
        expect(contrast(light, INK)).toBeGreaterThanOrEqual(7)
        if (contrast(colour, INK) >= 7) expect(light).toBe(colour)
      }),
    )
    const dark = boardOf([], [tile('a', '1'), tile('b', '2')], { kind: 'match', sets: [['a', 'b']], where: [] })
    const board = { ...dark, masters: dark.masters.map(m => (m.id === 'm' ? { ...m, colour: '#26704c' } : m)) }
    expect(foundOn(board).find(f => f.rule === 'pale-text')).toMatchObject({
      severity: 'warning',
      words: { ratio: 2.9 },
      fix: 'lighten',
    })
    expect(rulesOn(mended(board, 'pale-text'))).not.toContain('pale-text')
  })
})

describe('what gives the answer away', () => {
  const sorted = (ledge: readonly number[]): Board => {
    const board = sortBoard(
      ['A', 'B'],
      Array.from({ length: 8 }, (_, i) => `word ${i}`),
    )
    const homes = Object.fromEntries(Array.from({ length: 8 }, (_, i) => [`c${i}`, [placeId(i < 4 ? 'z0' : 'z1')]]))
    return withPage(
      { ...board, keys: [{ kind: 'sort', id: keyId('k'), page: pageId('page'), homes }] as Key[] },
      pageId('page'),
      p => ({ ...p, ledge: ledge.map(i => pieceId(`c${i}`)) }),
    )
  }

  it('is a ledge on which the homes stand in blocks, and a scramble mends it', () => {
    expect(rulesOn(sorted([0, 1, 2, 3, 4, 5, 6, 7]))).toContain('telling-ledge')
    expect(rulesOn(sorted([0, 4, 1, 5, 6, 2, 7, 3]))).not.toContain('telling-ledge')
    expect(rulesOn(mended(sorted([0, 1, 2, 3, 4, 5, 6, 7]), 'telling-ledge'))).not.toContain('telling-ledge')
  })

  it('is a row that is in the right order already', () => {
    const lane: Place = {
      kind: 'lane',
      id: placeId('l'),
      heading: 'Lane',
      direction: 'row',
      shape: box(0, 100, 900, 100),
    }
    const board = boardOf(
      [lane],
      ['a', 'b', 'c', 'd'].map(id => card(id)),
      {
        kind: 'order',
        lane: 'l',
        before: [
          ['a', 'b'],
          ['b', 'c'],
          ['c', 'd'],
        ],
        credit: 'all',
      },
    )
    expect(rulesOn(board)).toContain('telling-ledge')
    expect(
      rulesOn(withPage(board, pageId('page'), p => ({ ...p, ledge: ['c', 'a', 'd', 'b'].map(pieceId) }))),
    ).not.toContain('telling-ledge')
  })

  it('is judged by the variance that thousands of shuffles have', () => {
    const groups = ['a', 'a', 'a', 'a', 'b', 'b', 'b', 'c', 'c', 'd']
    const random = seeded(3)
    const joins = Array.from({ length: 20_000 }, () => neighbours(shuffled(groups, random)))
    const mean = joins.reduce((a, b) => a + b, 0) / joins.length
    const variance = joins.reduce((sum, x) => sum + (x - mean) ** 2, 0) / joins.length
    expect(joinsVariance([4, 3, 2, 1], 10) / variance).toBeGreaterThan(0.95)
    expect(joinsVariance([4, 3, 2, 1], 10) / variance).toBeLessThan(1.05)
  })

  it('is a colour for each home', () => {
    const plain = sorted([0, 4, 1, 5, 6, 2, 7, 3])
    const second = { ...plain.masters[0]!, id: masterId('m2'), colour: '#f8e2b2' }
    const coloured = withPage({ ...plain, masters: [...plain.masters, second] }, pageId('page'), p => ({
      ...p,
      pieces: p.pieces.map((piece, i) => (i < 4 ? piece : { ...piece, master: masterId('m2') })),
    }))
    expect(rulesOn(plain)).not.toContain('telling-look')
    expect(rulesOn(coloured)).toContain('telling-look')
  })

  it('is a start on which something is right', () => {
    const zone: Place = { kind: 'zone', id: placeId('z'), heading: 'Z', shape: box(0, 0, 300, 300) }
    const board = (x: number) =>
      boardOf(
        [zone],
        [card('a'), card('b')],
        { kind: 'sort', homes: { a: ['z'], b: ['z'] } },
        { staged: { a: { x, y: 100 } } },
      )
    expect(foundOn(board(100)).find(f => f.rule === 'starts-right')).toMatchObject({ subjects: ['a'] })
    expect(rulesOn(board(700))).not.toContain('starts-right')
  })
})

describe("what can't be done", () => {
  it('is an arrow where none can be drawn, and one click allows it', () => {
    const board = boardOf([], [card('a'), card('b')], { kind: 'arrows', arrows: [['a', 'b']] })
    expect(foundOn(board)[0]).toMatchObject({ rule: 'missing-arrows', severity: 'stops', fix: 'allow-arrows' })
    expect(rulesOn(mended(board, 'missing-arrows'))).not.toContain('missing-arrows')
  })

  it.each<[string, object]>([
    ['missing-order', { kind: 'order', lane: 'z', before: [['a', 'b']], credit: 'all' }],
    ['missing-ink', { kind: 'ink', place: 'z', task: { what: 'circle', figures: ['f'], answers: ['f'] } }],
    ['missing-write', { kind: 'write', answers: { z: { accepts: ['x'] } } }],
    ['missing-scale', { kind: 'scale', scale: 'z', values: { a: '1' }, tolerance: '1' }],
    ['missing-total', { kind: 'total', place: 'z', target: '3' }],
    ['missing-cover', { kind: 'cover', grid: 'z', cells: ['0,0'] }],
    ['missing-label', { kind: 'label', pins: { a: ['z'] } }],
    ['missing-slots', { kind: 'slots', fits: { z: ['a'] } }],
  ])('%s: a key on a page that has not what it takes', (rule, key) => {
    const zone: Place = { kind: 'zone', id: placeId('z'), heading: 'Z', shape: box(0, 0, 300, 300) }
    const figures = [{ id: 'f' as never, shape: box(10, 10, 20, 20), line: null, fill: null, text: 'f', textSize: 12 }]
    expect(rulesOn(boardOf([zone], [card('a'), card('b')], key as Record<string, unknown>, { figures }))).toContain(
      rule,
    )
  })

  it('is a place that crosses itself or has no area', () => {
    const polygon = (...points: [number, number][]) => ({
      kind: 'polygon' as const,
      points: points.map(([x, y]) => ({ x, y })),
    })
    const zones: Place[] = [
      { kind: 'zone', id: placeId('bow'), heading: 'Bow', shape: polygon([0, 0], [100, 100], [100, 0], [0, 100]) },
      { kind: 'zone', id: placeId('flat'), heading: 'Flat', shape: polygon([0, 0], [50, 0], [100, 0]) },
      {
        kind: 'zone',
        id: placeId('good'),
        heading: 'Good',
        shape: polygon([200, 0], [300, 0], [300, 100], [250, 50], [200, 100]),
      },
    ]
    const board = boardOf(zones, [card('a'), card('b')], { kind: 'sort', homes: { a: ['good'], b: ['good'] } })
    expect(foundOn(board).find(f => f.rule === 'bad-shape')).toMatchObject({
      severity: 'stops',
      subjects: ['bow', 'flat'],
    })
    expect(
      crossesItself([
        { x: 0, y: 0 },
        { x: 9, y: 0 },
        { x: 9, y: 9 },
        { x: 0, y: 9 },
      ]),
    ).toBe(false)
  })

  it('is to tell twins apart, in every kind of key that does', () => {
    const slots: Place[] = ['s', 't'].map((id, i) => ({
      kind: 'slot' as const,
      id: placeId(id),
      heading: id,
      shape: box(i * 200, 0, 100, 60),
    }))
    const same = [card('a', { text: '3' }), card('b', { text: '3' })]
    const board = boardOf(slots, same, { kind: 'slots', fits: { s: ['a'], t: ['b'] } })
    expect(foundOn(board).find(f => f.rule === 'twins')).toMatchObject({ subjects: ['a', 'b'], fix: 'either' })
    expect(rulesOn(mended(board, 'twins'))).not.toContain('twins')
    expect(rulesOn(boardOf([], same, { kind: 'match', sets: [['a', 'b']], where: [] }))).not.toContain('twins')
  })
})

describe('words in instructions', () => {
  it('are known in their regular forms and in British spelling', () => {
    for (const word of [
      'boat',
      'boats',
      'sorted',
      'putting',
      'stopped',
      'carries',
      'quickly',
      'harbour',
      'centre',
      'bigger',
    ])
      expect(isKnown(word), word).toBe(true)
    for (const word of ['taxonomy', 'zygote', 'photosynthesis']) expect(isKnown(word), word).toBe(false)
  })

  it("are advice where many are new, and a very long sentence is too; the board's own words are what is to be learned", () => {
    const say = (instructions: string) =>
      rulesOn({ ...sortBoard(['Zygote', 'Taxonomy'], ['photosynthesis', 'boat']), instructions })
    expect(say('Categorise each specimen hierarchically.')).toContain('hard-words')
    expect(say('Put photosynthesis under Zygote or Taxonomy.')).not.toContain('hard-words')
    expect(say('Put each card where it belongs.')).not.toContain('hard-words')
    expect(say(`Put ${'one card and '.repeat(8)}then stop.`)).toContain('long-sentence')
  })
})

describe('a finding', () => {
  const examples = resolve(import.meta.dirname, '../../../docs/formats/examples')
  it.each(readdirSync(examples).filter(f => f.endsWith('.board.json')))(
    'is not made on the worked example %s',
    file => {
      const read = readBoard(JSON.parse(readFileSync(`${examples}/${file}`, 'utf8')))
      if (!read.ok) throw new Error(file)
      expect(foundOn(read.value).map(f => [f.rule, f.words])).toEqual([])
    },
  )

  it('that is no longer there has no fix any more', () => {
    const board = boardOf([], [card('a'), card('b')], { kind: 'arrows', arrows: [['a', 'b']] })
    const [found] = foundOn(board)
    expect(fixFor(mended(board, 'missing-arrows'), found!)).toBeNull()
    expect(preflight(board)[0]!.fix).toBeDefined()
  })
})

describe('the scale of the text', () => {
  const withWords = (textSize: number, width = 400) => {
    const board = sortBoard(['Clings'], ['limpet'])
    return withPage(board, pageId('page'), page => ({
      ...page,
      backdrop: {
        ...page.backdrop,
        figures: [
          {
            id: 'f' as never,
            shape: { kind: 'rectangle', x: 0, y: 0, width, height: 40 },
            line: null,
            fill: null,
            text: 'Sort the animals',
            textSize,
          },
        ],
      },
    }))
  }

  it('is advised where printed words are smaller than the pieces, and mended by making them larger', () => {
    expect(rulesOn(withWords(14))).toContain('text-scale')
    expect(rulesOn(withWords(18))).not.toContain('text-scale')
    const larger = mended(withWords(14), 'text-scale')
    expect(larger.pages[0]!.backdrop.figures![0]!.textSize).toBe(20)
    expect(rulesOn(larger)).not.toContain('text-scale')
  })

  it('has no fix where the larger words would not fit', () => {
    expect(foundOn(withWords(14, 60)).find(f => f.rule === 'text-scale')).toMatchObject({ fix: null })
  })
})

describe('what there is to do', () => {
  const rulesOf = (board: Board) => foundOn(board).map(found => `${found.rule}: ${found.severity}`)
  const blank = { ...emptyBoard('P', pageId('p'), 1), instructions: 'Do it.' }

  it('is nothing on an empty board, which stops; with places alone it is worth a thought', () => {
    expect(rulesOf(blank)).toContain('empty-board: stops')
    const places = [{ kind: 'slot' as const, id: placeId('s'), heading: 'One', shape: box(40, 60, 120, 60) }]
    const withPlaces = { ...blank, pages: [{ ...blank.pages[0]!, places }] }
    expect(rulesOf(withPlaces)).toContain('empty-board: advice')
    const spaces = [{ kind: 'drawing' as const, id: placeId('d'), heading: 'Draw', shape: box(40, 60, 300, 200) }]
    expect(rulesOf({ ...blank, pages: [{ ...blank.pages[0]!, places: spaces }] })).toEqual([])
  })

  it('may be nothing on a page that is to be read, and one tap makes it that', () => {
    const board = boardOf([], [card('limpet')], null)
    const two = { ...board, pages: [...board.pages, { ...blank.pages[0]!, id: pageId('second') }] }
    const found = preflight(two).find(one => one.rule === 'nothing-to-do')!
    expect(found).toMatchObject({ severity: 'advice', page: 'second' })
    expect(preflight(found.fix!.apply(two, code => code)).map(one => one.rule)).not.toContain('nothing-to-do')
  })

  it('is not all marked where a key leaves out some places', () => {
    const slots = ['a', 'b', 'c'].map((id, i): Place => ({
      kind: 'slot',
      id: placeId(id),
      heading: id,
      shape: box(40 + i * 160, 60, 120, 60),
    }))
    const half = boardOf(slots, [card('limpet'), card('crab')], { kind: 'slots', fits: { a: ['limpet'] } })
    expect(preflight(half).find(one => one.rule === 'part-answered')).toMatchObject({ subjects: ['b', 'c'] })
  })
})

describe('cards and their slots', () => {
  const slotAt = (id: string, x: number, width: number): Place => ({
    kind: 'slot',
    id: placeId(id),
    heading: id,
    shape: { kind: 'rectangle', x, y: 200, width, height: 200 },
  })
  const with_ = (places: Place[]) =>
    boardOf(places, [card('a'), card('b')], { kind: 'slots', fits: { s: ['a'], t: ['b'] } })
  const { width } = with_([slotAt('s', 100, 60), slotAt('t', 400, 60)]).masters.find(m => m.id === 'card')!
  it('are found where they hang over, and the slots grow where there is room', () => {
    const narrow = with_([slotAt('s', 100, width - 10), slotAt('t', 400, width + 10)])
    expect(foundOn(narrow).find(f => f.rule === 'wide-for-slot')).toMatchObject({
      severity: 'warning',
      subjects: ['s'],
      fix: 'widen',
    })
    const better = mended(narrow, 'wide-for-slot')
    expect(rulesOn(better)).not.toContain('wide-for-slot')
    expect(better.pages[0]!.places.map(p => (p.shape.kind === 'rectangle' ? p.shape.width : 0))).toEqual([
      width,
      width + 10,
    ])
  })
  it('grow into nothing beside them, nor off the page', () => {
    const close = with_([slotAt('s', 100, width - 10), slotAt('t', 100 + width - 8, width - 10)])
    expect(foundOn(close).find(f => f.rule === 'wide-for-slot')?.fix).not.toBe('widen')
    const edge = with_([slotAt('s', 0, width - 10), slotAt('t', 400, width)])
    expect(foundOn(edge).find(f => f.rule === 'wide-for-slot')?.fix).not.toBe('widen')
  })
  it('say nothing where every card has its room', () => {
    expect(rulesOn(with_([slotAt('s', 100, width), slotAt('t', 400, width)]))).not.toContain('wide-for-slot')
  })
})

describe('instructions that are missing', () => {
  it('are offered for what the task asks', () => {
    const untold = (board: Board) =>
      foundOn({ ...board, instructions: '' }).find(f => f.rule === 'no-instructions')?.fix
    expect(untold(boardOf([], [card('a')], { kind: 'sort', homes: {} }))).toBe('write-sort')
    expect(untold(boardOf([], [card('a'), card('b')], { kind: 'match', sets: [['a', 'b']], where: [] }))).toBe(
      'write-match',
    )
  })
})
