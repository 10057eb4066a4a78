import { describe, expect, it } from 'vitest'
import { emptyBoard, readBoard, type Board } from '../../../core/board/board'
import type { Place } from '../../../core/board/place'
import { addSets } from '../../../core/design/columns'
import { labelsForPins, labelsWithoutPin, pinsForLabels, pinsWithoutLabel } from '../../../core/design/labelsAndPins'
import { addOthers } from '../../../core/design/otherPieces'
import { addPlaces } from '../../../core/design/places'
import { keyId, masterId, pageId, pieceId, placeId } from '../../boards'

const page = pageId('page')
function counting() {
  let n = 0
  const next = (kind: string) => `${kind}${++n}`
  return {
    piece: () => pieceId(next('piece')),
    master: () => masterId(next('master')),
    place: () => placeId(next('place')),
    key: () => keyId(next('key')),
  }
}
const pin = (id: string, heading: string): Place => ({
  kind: 'pin',
  id: placeId(id),
  heading,
  shape: { kind: 'ellipse', x: 40 * id.length, y: 40, width: 32, height: 32 },
})
const pinned = (...pins: [string, string][]) =>
  addPlaces(
    emptyBoard('Boat', page, 1),
    page,
    pins.map(([id, heading]) => pin(id, heading)),
  )
/** What each label says, with the names of the pins that are right for it. */
function said(board: Board): Record<string, string[]> {
  const { places, pieces } = board.pages[0]!
  const key = board.keys.find(one => one.kind === 'label')
  return Object.fromEntries(
    pieces.flatMap(p =>
      p.kind === 'label'
        ? [[p.text, (key?.pins[p.id] ?? []).map(id => places.find(one => one.id === id)!.heading)]]
        : [],
    ),
  )
}

describe('labels from pins', () => {
  it('come in one go, with the key; a second time there is nothing to do', () => {
    const ids = counting()
    const board = labelsForPins(pinned(['a', 'mast'], ['bb', 'keel'], ['ccc', '']), page, 'left', ids)
    expect(said(board)).toEqual({ mast: ['mast'], keel: ['keel'] })
    expect(pinsWithoutLabel(board, page)).toEqual([])
    expect(labelsForPins(board, page, 'left', ids)).toBe(board)
    expect(readBoard(JSON.parse(JSON.stringify({ ...board, instructions: 'Label it.' }))).ok).toBe(true)
  })

  it('take labels that say the name already, and add to the key that is there', () => {
    const ids = counting()
    const labelled = addOthers(pinned(['a', 'Mast']), page, { form: 'label', texts: ['mast '], bin: false }, ids)
    const first = labelsForPins(labelled, page, 'left', ids)
    expect(first.pages[0]!.pieces).toHaveLength(1)
    const more = labelsForPins(addPlaces(first, page, [pin('bb', 'keel')]), page, 'left', ids)
    expect(Object.values(said(more))).toEqual([['Mast'], ['keel']])
    expect(more.keys).toHaveLength(1)
  })

  it('are right at every pin of their name', () => {
    const board = labelsForPins(pinned(['a', 'oar'], ['bb', 'oar']), page, 'left', counting())
    const key = board.keys[0]
    expect(key?.kind === 'label' && Object.values(key.pins)).toEqual([
      ['a', 'bb'],
      ['a', 'bb'],
    ])
  })
})

describe('pins from labels', () => {
  it('stand in free room, one for each label that has none, and the key says which', () => {
    const ids = counting()
    const plan = { form: 'label', texts: ['mast', 'keel', 'rudder'], bin: false } as const
    const board = pinsForLabels(addOthers(emptyBoard('Boat', page, 1), page, plan, ids), page, ids)
    expect(said(board)).toEqual({ mast: ['mast'], keel: ['keel'], rudder: ['rudder'] })
    const spots = board.pages[0]!.places.map(p => JSON.stringify(p.shape))
    expect(new Set(spots).size).toBe(3)
    expect(labelsWithoutPin(board, page)).toEqual([])
    expect(pinsForLabels(board, page, ids)).toBe(board)
  })
})

describe('columns on a page with a grid', () => {
  it('count as together in one row of the grid; without one, wherever they touch', () => {
    const rows = [
      ['limpet', 'clings'],
      ['goby', 'swims'],
    ]
    const grid: Place = {
      kind: 'grid',
      id: placeId('grid'),
      heading: '',
      shape: { kind: 'rectangle', x: 0, y: 40, width: 400, height: 200 },
      rows: 2,
      columns: 2,
    }
    const whereOf = (board: Board) => board.keys.map(key => key.kind === 'match' && key.where)
    const empty = emptyBoard('Pairs', page, 1)
    expect(whereOf(addSets(empty, page, rows, counting()))).toEqual([[]])
    expect(whereOf(addSets(addPlaces(empty, page, [grid]), page, rows, counting()))).toEqual([['grid']])
  })
})
