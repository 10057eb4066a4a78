import { describe, expect, it } from 'vitest'
import { readBoard, type Board, type Page } from '../../../core/board/board'
import type { Master, Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { keepKey } from '../../../core/design/answers'
import type { Key } from '../../../core/keys/key'
import { ORGANIZERS } from '../../../core/organizers/organizers'
import { boardOf as organizerBoard } from '../../../core/organizers/plan'
import { foundOn } from '../../../core/preflight/preflight'
import { examples } from '../../../demo/examples'
import { keyId, masterId, pageId, pieceId, placeId } from '../../boards'
import { box, card, tile } from '../../keyBoards'

/** What is said of a board beside what is only worth a thought. */
const accused = (board: Board) =>
  foundOn(board)
    .filter(found => found.severity !== 'advice')
    .map(found => found.rule)

const zone = (id: string, x: number, width = 260, more: object = {}): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 40, width, 400),
  ...more,
})
const masters: Master[] = (['card', 'tile', 'label'] as const).map(kind => ({
  id: masterId(kind === 'tile' ? 'm' : kind),
  kind,
  textSize: 16,
  width: kind === 'tile' ? 40 : 90,
  height: kind === 'tile' ? 24 : 36,
}))
interface Parts {
  readonly places?: Place[]
  readonly pieces?: Piece[]
  readonly key?: object | object[]
  readonly page?: Partial<Page>
  readonly board?: Partial<Board>
}

/** A board as a teacher would have it, but for what is planted. */
function made({ places = [], pieces = [], key, page = {}, board = {} }: Parts): Board {
  const keys = (Array.isArray(key) ? key : key ? [key] : []).map((one, i) => ({
    id: keyId(`k${i}`),
    page: pageId('page'),
    ...one,
  }))
  const read = readBoard({
    format: 'dappled-slate/board',
    version: 1,
    title: 'Shore',
    instructions: 'Put each card where it goes.',
    masters,
    keys,
    pages: [
      {
        id: 'page',
        width: 960,
        height: 480,
        backdrop: { colour: '#fbf9f3', ruling: { kind: 'none', spacing: 24 }, pictures: [] },
        places,
        pieces,
        ledge: pieces.map(p => p.id),
        ...page,
      },
    ],
    ...board,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return read.value
}

const words = ['limpet', 'crab', 'gull', 'wrack', 'shrimp', 'tern'].map(id => card(id))
const sorted = {
  kind: 'sort',
  homes: { limpet: ['a'], crab: ['b'], gull: ['b'], wrack: ['a'], shrimp: ['a'], tern: ['b'] },
}
const two = [zone('a', 40), zone('b', 400)]
const ledge = ['limpet', 'crab', 'wrack', 'gull', 'tern', 'shrimp'].map(pieceId)
const sort = (more: Parts = {}) =>
  made({ places: two, pieces: words, key: sorted, ...more, page: { ledge, ...more.page } })
const slots: Place[] = [0, 1, 2].map(i => ({
  kind: 'slot',
  id: placeId(`s${i}`),
  heading: `Slot ${i + 1}`,
  shape: box(40 + i * 200, 60, 120, 60),
}))
const lane = (width: number, height = 84): Place => ({
  kind: 'lane',
  id: placeId('l'),
  heading: 'In order',
  direction: 'row',
  shape: box(20, 60, width, height),
})
const chain = (ids: string[]) => ids.slice(1).map((id, i) => [ids[i]!, id])
const mat: Place[] = [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(40, 40, 600, 380) }]
const figure = (id: string, more: object) => ({
  id,
  shape: box(20, 10, 300, 24),
  line: null,
  fill: null,
  text: 'Read me',
  textSize: 18,
  ...more,
})
const withFigure = (more: object, page: Partial<Page> = {}) =>
  sort({
    page: {
      ...page,
      backdrop: {
        colour: '#fbf9f3',
        ruling: { kind: 'none', spacing: 24 },
        pictures: [],
        figures: [figure('f', more)],
      } as never,
    },
  })
const rings: Place[] = ['a', 'b', 'c'].map((id, i) => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: { kind: 'ellipse', x: 60 + i * 150, y: 40, width: 320, height: 320 },
}))
const tiles = ['1', '2', '5'].map((n, i) => tile(`t${i}`, n))

/** One fault each, from what goes wrong in class (common practice, no source). */
const FAULTS: [name: string, board: () => Board][] = [
  ['a card without an answer', () => sort({ key: { ...sorted, homes: { limpet: ['a'] } } })],
  [
    'a region without room',
    () =>
      made({
        places: [
          { ...rings[0]! },
          { ...rings[1]!, shape: { kind: 'ellipse', x: 372, y: 180, width: 320, height: 40 } } as Place,
        ],
        pieces: words.slice(0, 1),
        key: { kind: 'sort', homes: { limpet: ['a', 'b'] }, regions: true },
      }),
  ],
  [
    'regions that are nowhere',
    () =>
      made({
        places: [zone('a', 40), zone('b', 400)],
        pieces: words.slice(0, 1),
        key: { kind: 'sort', homes: { limpet: ['a', 'b'] }, regions: true },
      }),
  ],
  [
    'an empty list of pins',
    () =>
      made({
        places: [
          {
            kind: 'pin',
            id: placeId('p'),
            heading: 'p',
            shape: { kind: 'ellipse', x: 300, y: 200, width: 20, height: 20 },
          },
        ],
        pieces: [{ kind: 'label', id: pieceId('keel'), master: masterId('label'), text: 'keel', tip: 'right' }],
        key: { kind: 'label', pins: { keel: [] } },
      }),
  ],
  [
    'a home hidden in another',
    () =>
      made({
        places: [zone('a', 40, 300), { ...zone('b', 44, 292), shape: box(44, 44, 292, 392) } as Place],
        pieces: words.slice(0, 1),
        key: { kind: 'sort', homes: { limpet: ['a'] } },
      }),
  ],
  [
    'a slot that nothing fills',
    () =>
      made({
        places: slots,
        pieces: words.slice(0, 2),
        key: { kind: 'slots', fits: { s0: ['limpet'], s1: ['crab'], s2: ['limpet'] } },
      }),
  ],
  [
    'a total that nothing makes',
    () => made({ places: mat, pieces: tiles, key: { kind: 'total', place: 'mat', target: '9' } }),
  ],
  ['a total of nothing', () => made({ places: mat, pieces: tiles, key: { kind: 'total', place: 'mat', target: '0' } })],
  [
    'a total from bins that nothing makes',
    () =>
      made({
        places: mat,
        pieces: ['4', '6'].map((n, i) => tile(`b${i}`, n, { bin: true })),
        key: { kind: 'total', place: 'mat', target: '7' },
      }),
  ],
  [
    'two ways where there is one',
    () =>
      made({
        places: [...mat, { kind: 'zone', id: placeId('mat2'), heading: 'Again', shape: box(660, 40, 260, 380) }],
        pieces: tiles,
        key: { kind: 'total', place: 'mat', target: '7', ways: ['mat2'] },
      }),
  ],
  [
    'a total with more tiles than there are',
    () => made({ places: mat, pieces: tiles, key: { kind: 'total', place: 'mat', target: '8', tiles: 4 } }),
  ],
  [
    'a lane too short',
    () =>
      made({
        places: [lane(200)],
        pieces: words,
        key: { kind: 'order', lane: 'l', before: chain(words.map(w => w.id)), credit: 'all' },
        page: { ledge },
      }),
  ],
  ['a zone too small', () => sort({ places: [zone('a', 40, 100, { shape: box(40, 40, 100, 80) }), zone('b', 400)] })],
  [
    'zones too small for cards with two homes',
    () =>
      made({
        places: [
          zone('a', 40, 100, { shape: box(40, 40, 100, 44) }),
          zone('b', 400, 100, { shape: box(400, 40, 100, 44) }),
        ],
        pieces: words,
        key: { kind: 'sort', homes: Object.fromEntries(words.map(w => [w.id, ['a', 'b']])) },
        page: { ledge },
      }),
  ],
  [
    'colours that tell, two to a home',
    () => {
      const colours = ['#d9ecdf', '#f8e2b2', '#cfe3f3', '#f3d9d2']
      const many = Array.from({ length: 8 }, (_, i) => card(`w${i}`, { master: masterId(`c${i % 4}`) }))
      return made({
        places: two,
        pieces: many,
        key: { kind: 'sort', homes: Object.fromEntries(many.map((w, i) => [w.id, [i % 4 < 2 ? 'a' : 'b']])) },
        page: { ledge: [0, 2, 1, 3, 6, 4, 7, 5].map(i => pieceId(`w${i}`)) },
        board: { masters: colours.map((colour, i) => ({ ...masters[0]!, id: masterId(`c${i}`), colour })) },
      })
    },
  ],
  [
    'partners side by side',
    () =>
      made({
        places: [],
        pieces: words,
        key: {
          kind: 'match',
          sets: [
            ['limpet', 'crab'],
            ['gull', 'wrack'],
            ['shrimp', 'tern'],
          ],
          where: [],
        },
      }),
  ],
  [
    'cards of a home side by side',
    () => sort({ page: { ledge: ['limpet', 'wrack', 'shrimp', 'crab', 'gull', 'tern'].map(pieceId) } }),
  ],
  [
    'a bank in the order of its slots',
    () =>
      made({
        places: slots,
        pieces: words.slice(0, 3),
        key: { kind: 'slots', fits: { s0: ['limpet'], s1: ['crab'], s2: ['gull'] } },
      }),
  ],
  [
    'a ledge in the right order',
    () =>
      made({
        places: [lane(900)],
        pieces: words.slice(0, 4),
        key: { kind: 'order', lane: 'l', before: chain(['limpet', 'crab', 'gull', 'wrack']), credit: 'all' },
      }),
  ],
  ['small words on cards', () => sort({ board: { masters: masters.map(m => ({ ...m, textSize: 9 })) } })],
  ['small print', () => withFigure({ textSize: 9 })],
  [
    'a small text with gaps',
    () =>
      made({
        places: [
          {
            kind: 'gaps',
            id: placeId('g'),
            heading: '',
            text: 'The __ clings.',
            textSize: 9,
            typed: true,
            gap: { width: 90, height: 24 },
            shape: box(20, 20, 400, 80),
          },
        ],
        key: { kind: 'write', answers: { 'g:0': { accepts: ['limpet'] } } },
      }),
  ],
  ['pale words on cards', () => sort({ board: { masters: masters.map(m => ({ ...m, colour: '#707070' })) } })],
  ['pale print', () => withFigure({ fill: '#777777' })],
  [
    'a dark page under a text with gaps',
    () =>
      made({
        places: [
          {
            kind: 'gaps',
            id: placeId('g'),
            heading: '',
            text: 'The __ clings.',
            textSize: 18,
            typed: true,
            gap: { width: 90, height: 30 },
            shape: box(20, 20, 400, 80),
          },
        ],
        key: { kind: 'write', answers: { 'g:0': { accepts: ['limpet'] } } },
        page: { backdrop: { colour: '#555555', ruling: { kind: 'none', spacing: 24 }, pictures: [] } },
      }),
  ],
  [
    'a dark other side',
    () =>
      made({
        places: mat,
        pieces: [tile('t0', '1', { other: { text: '−', value: '-1', colour: '#666666' } }), tile('t1', '2')],
        key: { kind: 'total', place: 'mat', target: '3' },
      }),
  ],
  ['a place off the page', () => sort({ places: [zone('a', 40), zone('b', 800)] })],
  ['print off the page', () => withFigure({ shape: box(800, 10, 300, 24) })],
  [
    'a piece off the page from the start',
    () => sort({ page: { staged: { [pieceId('limpet')]: { x: 955, y: 200 } } } }),
  ],
  [
    'twins that differ by a space',
    () => sort({ pieces: words.map(w => (w.id === 'crab' ? { ...w, text: 'limpet ' } : w)) }),
  ],
  [
    'wordless twins',
    () =>
      made({
        places: two,
        pieces: ['p', 'q'].map(id => ({ ...card(id), text: '' })),
        key: { kind: 'sort', homes: { p: ['a'], q: ['b'] } },
      }),
  ],
  ['no instructions', () => sort({ board: { instructions: ' ' } })],
  [
    'an activity without instructions',
    () =>
      sort({
        page: {
          steps: [
            { id: 'one', x: 0, y: 0, width: 480, height: 480, instructions: 'Sort these.' },
            { id: 'two', x: 480, y: 0, width: 480, height: 480, instructions: '' },
          ] as never,
        },
      }),
  ],
  [
    'arrows that nobody can draw',
    () => made({ pieces: words.slice(0, 2), key: { kind: 'arrows', arrows: [['limpet', 'crab']] } }),
  ],
  [
    'a circle in an order',
    () =>
      made({
        places: [lane(900)],
        pieces: words.slice(0, 2),
        key: {
          kind: 'order',
          lane: 'l',
          before: [
            ['limpet', 'crab'],
            ['crab', 'limpet'],
          ],
          credit: 'all',
        },
      }),
  ],
  [
    'two keys that contradict each other',
    () =>
      made({ places: two, pieces: words, key: [sorted, { kind: 'sort', homes: { limpet: ['b'] } }], page: { ledge } }),
  ],
  [
    'a sort and an order that contradict each other',
    () =>
      made({
        places: [zone('a', 40), { ...lane(600), shape: box(320, 40, 620, 84) } as Place],
        pieces: words.slice(0, 2),
        key: [
          { kind: 'sort', homes: { limpet: ['a'], crab: ['a'] } },
          { kind: 'order', lane: 'l', before: [['limpet', 'crab']], credit: 'all' },
        ],
        page: { ledge: ['crab', 'limpet'].map(pieceId) },
      }),
  ],
  [
    'a value beyond its scale',
    () =>
      made({
        places: [
          {
            kind: 'scale',
            id: placeId('s'),
            heading: '',
            least: '0',
            most: '10',
            step: '1',
            shape: box(100, 100, 500, 60),
          },
        ],
        pieces: words.slice(0, 1),
        key: { kind: 'scale', scale: 's', values: { limpet: '12' }, tolerance: '1/2' },
      }),
  ],
  ['a zone without a name', () => sort({ places: [zone('a', 40), zone('b', 400, 260, { heading: '' })] })],
  [
    'an outline that crosses itself',
    () =>
      sort({
        places: [
          zone('a', 40),
          zone('b', 400, 260, {
            shape: {
              kind: 'polygon',
              points: [
                { x: 400, y: 40 },
                { x: 800, y: 400 },
                { x: 800, y: 40 },
                { x: 400, y: 400 },
              ],
            },
          }),
        ],
      }),
  ],
  ['answers on a page that is only read', () => sort({ page: { reading: true } })],
]

/** Nothing is wrong with these. */
const SOUND: [name: string, board: () => Board][] = [
  ['a plain sort', () => sort()],
  [
    'Turkey and turkey',
    () =>
      sort({
        pieces: words.map(w =>
          w.id === 'crab' ? { ...w, text: 'Turkey' } : w.id === 'limpet' ? { ...w, text: 'turkey' } : w,
        ),
      }),
  ],
  [
    'wordless tiles of two kinds',
    () =>
      made({
        places: two,
        pieces: ['p', 'q'].map(
          (id, i) => ({ ...tile(id, String(i + 1)), text: '', master: masterId(`x${i}`) }) as Piece,
        ),
        key: { kind: 'sort', homes: { p: ['a'], q: ['b'] } },
        board: { masters: [0, 1].map(i => ({ ...masters[1]!, id: masterId(`x${i}`), width: 40 + 80 * i })) },
      }),
  ],
  [
    'zones named by the labels beside them',
    () =>
      sort({
        places: two.map(z => ({ ...z, heading: '' })),
        page: {
          backdrop: {
            colour: '#fbf9f3',
            ruling: { kind: 'none', spacing: 24 },
            pictures: [],
            figures: [
              figure('f', { shape: box(40, 8, 200, 26), text: 'Clings' }),
              figure('g', { shape: box(400, 8, 200, 26), text: 'Swims' }),
            ],
          } as never,
        },
      }),
  ],
  [
    'activities that carry the instructions',
    () =>
      sort({
        board: { instructions: '' },
        page: { steps: [{ id: 'one', x: 0, y: 0, width: 960, height: 480, instructions: 'Sort these.' }] as never },
      }),
  ],
  [
    'an order in two rows',
    () =>
      made({
        places: [lane(420, 140)],
        pieces: words,
        key: { kind: 'order', lane: 'l', before: chain(words.map(w => w.id)), credit: 'all' },
        page: { ledge: ['crab', 'limpet', 'tern', 'gull', 'shrimp', 'wrack'].map(pieceId) },
      }),
  ],
  [
    'slots filled from a bin',
    () =>
      made({
        places: slots,
        pieces: [card('yes', { bin: true }), card('no', { bin: true })],
        key: { kind: 'slots', fits: { s0: ['yes'], s1: ['no'], s2: ['yes'] } },
      }),
  ],
  [
    'three rings',
    () =>
      made({
        places: rings,
        pieces: words.slice(0, 4),
        key: { kind: 'sort', homes: { limpet: ['a'], crab: ['a', 'b'], gull: [], wrack: ['c'] }, regions: true },
        board: { masters: masters.map(m => ({ ...m, width: 70, height: 28 })) },
        page: { ledge: ['crab', 'wrack', 'limpet', 'gull'].map(pieceId) },
      }),
  ],
  [
    'two ways that there are',
    () =>
      made({
        places: [...mat, { kind: 'zone', id: placeId('mat2'), heading: 'Again', shape: box(660, 40, 260, 380) }],
        pieces: ['1', '2', '3', '1', '2'].map((n, i) => tile(`t${i}`, n)),
        key: { kind: 'total', place: 'mat', target: '3', ways: ['mat2'] },
      }),
  ],
  ...ORGANIZERS.map((organizer): [string, () => Board] => [
    `the organizer ${organizer.name}`,
    () => organizerBoard(organizer),
  ]),
  ...examples().map(({ file, example }): [string, () => Board] => [file, () => example.board]),
]

describe('preflight', () => {
  // Goal: 95 of 100 faults found.
  it.each(FAULTS)('finds %s', (_, board) => {
    expect(accused(board())).not.toEqual([])
  })

  // Goal: at most one false alarm on 40 sound boards.
  it.each(SOUND)('accuses nobody of %s', (_, board) => {
    expect(accused(board())).toEqual([])
  })

  it('says of a board to which its answers are added what it says of it without', () => {
    const board = sort()
    expect(accused(keepKey(board, { ...board.keys[0]! } as Key))).toEqual([])
  })
})
