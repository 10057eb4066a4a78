import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import type { Place } from '../../../core/board/place'
import { masterId, pieceId, placeId } from '../../boards'
import { box, card, tile } from '../../keyBoards'
import {
  accused,
  chain,
  lane,
  ledge,
  made,
  masters,
  mat,
  rings,
  slots,
  sort,
  sorted,
  tiles,
  two,
  withFigure,
  words,
  zone,
} from '../../planting'

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

describe('preflight', () => {
  // Goal: 95 of 100 faults found.
  it.each(FAULTS)('finds %s', (_, board) => {
    expect(accused(board())).not.toEqual([])
  })
})
