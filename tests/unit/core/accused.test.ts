import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import type { Piece } from '../../../core/board/piece'
import { keepKey } from '../../../core/design/answers'
import type { Key } from '../../../core/keys/key'
import { ORGANIZERS } from '../../../core/organizers/organizers'
import { boardOf as organizerBoard } from '../../../core/organizers/plan'
import { examples } from '../../../demo/examples'
import { masterId, pieceId, placeId } from '../../boards'
import { box, card, tile } from '../../keyBoards'
import { accused, chain, figure, lane, made, masters, mat, rings, slots, sort, two, words } from '../../planting'

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
  // Goal: at most one false alarm on 40 sound boards.
  it.each(SOUND)('accuses nobody of %s', (_, board) => {
    expect(accused(board())).toEqual([])
  })

  it('says of a board to which its answers are added what it says of it without', () => {
    const board = sort()
    expect(accused(keepKey(board, { ...board.keys[0]! } as Key))).toEqual([])
  })
})
