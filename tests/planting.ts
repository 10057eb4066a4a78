import { readBoard, type Board, type Page } from '../core/board/board'
import type { Master, Piece } from '../core/board/piece'
import type { Place } from '../core/board/place'
import { foundOn } from '../core/preflight/preflight'
import { keyId, masterId, pageId, pieceId, placeId } from './boards'
import { box, card, tile } from './keyBoards'

/** What is said of a board beside what is only worth a thought. */
export const accused = (board: Board) =>
  foundOn(board)
    .filter(found => found.severity !== 'advice')
    .map(found => found.rule)

export const zone = (id: string, x: number, width = 260, more: object = {}): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 40, width, 400),
  ...more,
})
export const masters: Master[] = (['card', 'tile', 'label'] as const).map(kind => ({
  id: masterId(kind === 'tile' ? 'm' : kind),
  kind,
  textSize: 16,
  width: kind === 'tile' ? 40 : 90,
  height: kind === 'tile' ? 24 : 36,
}))
export interface Parts {
  readonly places?: Place[]
  readonly pieces?: Piece[]
  readonly key?: object | object[]
  readonly page?: Partial<Page>
  readonly board?: Partial<Board>
}

/** A board as a teacher would have but for what is planted. */
export function made({ places = [], pieces = [], key, page = {}, board = {} }: Parts): Board {
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

export const words = ['limpet', 'crab', 'gull', 'wrack', 'shrimp', 'tern'].map(id => card(id))
export const sorted = {
  kind: 'sort',
  homes: { limpet: ['a'], crab: ['b'], gull: ['b'], wrack: ['a'], shrimp: ['a'], tern: ['b'] },
}
export const two = [zone('a', 40), zone('b', 400)]
export const ledge = ['limpet', 'crab', 'wrack', 'gull', 'tern', 'shrimp'].map(pieceId)
export const sort = (more: Parts = {}) =>
  made({ places: two, pieces: words, key: sorted, ...more, page: { ledge, ...more.page } })
export const slots: Place[] = [0, 1, 2].map(i => ({
  kind: 'slot',
  id: placeId(`s${i}`),
  heading: `Slot ${i + 1}`,
  shape: box(40 + i * 200, 60, 120, 60),
}))
export const lane = (width: number, height = 84): Place => ({
  kind: 'lane',
  id: placeId('l'),
  heading: 'In order',
  direction: 'row',
  shape: box(20, 60, width, height),
})
export const chain = (ids: string[]) => ids.slice(1).map((id, i) => [ids[i]!, id])
export const mat: Place[] = [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(40, 40, 600, 380) }]
export const figure = (id: string, more: object) => ({
  id,
  shape: box(20, 10, 300, 24),
  line: null,
  fill: null,
  text: 'Read me',
  textSize: 18,
  ...more,
})
export const withFigure = (more: object, page: Partial<Page> = {}) =>
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
export const rings: Place[] = ['a', 'b', 'c'].map((id, i) => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: { kind: 'ellipse', x: 60 + i * 150, y: 40, width: 320, height: 320 },
}))
export const tiles = ['1', '2', '5'].map((n, i) => tile(`t${i}`, n))
