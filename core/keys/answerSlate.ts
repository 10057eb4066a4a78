import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Key } from '../board/key'
import type { Scale } from '../board/place'
import { quantity } from '../exact/quantity'
import { itemBox } from '../layout/itemBox'
import type { Point } from '../geometry/shape'
import { freeSpot } from '../placement/freeSpot'
import { regionSpot } from '../placement/regionSpot'
import { HOLDER } from '../slate/actor'
import { colourId } from '../slate/own'
import { arrowName, startOf, withEntry, withPieces, type SlateState } from '../slate/state'
import { closure } from './partialOrder'

const GAP = 8

/**
 * A page as its keys have it: each piece in its first home, slot or spot, answers written, arrows drawn, cells covered. What
 * a key leaves open (which tiles make a total, how an axis is drawn) is not there: those places stay as they are given out.
 */
export function answerSlate(page: Page, edition: Edition): SlateState {
  return edition.board.keys.filter(key => key.page === page.id).reduce((state, key) => answer(state, key, page, edition), startOf(edition))
}

function answer(state: SlateState, key: Key, page: Page, edition: Edition): SlateState {
  const put = (now: SlateState, piece: PieceId, at: Point | null | undefined) => at ? withPieces(now, [[piece, { x: at.x, y: at.y, z: 1 }]]) : now
  const into = (now: SlateState, piece: PieceId, place: PlaceId | undefined) => {
    const known = page.places.find(p => p.id === place)
    return known ? put(now, piece, freeSpot(now, piece, known, page, edition)) : now
  }
  switch (key.kind) {
    case 'sort': return (Object.entries(key.homes) as [PieceId, PlaceId[]][]).reduce((now, [piece, homes]) =>
      key.regions ? put(now, piece, regionSpot(now, piece, homes, page, edition)) : into(now, piece, homes[0]), state)
    case 'label': return (Object.entries(key.pins) as [PieceId, PlaceId[]][]).reduce((now, [piece, [pin]]) => into(now, piece, pin), state)
    case 'slots': {
      const used = new Set<PieceId>()
      return Object.entries(key.fits).reduce((now, [slot, pieces]) => {
        const piece = pieces.find(id => !used.has(id))
        if (!piece) return now
        used.add(piece)
        return put(now, piece, middleOf(slot, page))
      }, state)
    }
    case 'order': {
      const lane = page.places.find(p => p.id === key.lane)
      const after = closure(key.before)
      if (lane?.kind !== 'lane' || !after) return state
      const { shape, direction, fromRight } = lane
      const order = [...after].toSorted(([, a], [, b]) => b.size - a.size).map(([id]) => id)
      let along = GAP
      return order.reduce((now, piece) => {
        const { width, height } = edition.pieces.get(piece)!.master
        const length = direction === 'row' ? width : height
        const middle = along + length / 2
        along += length + GAP
        return put(now, piece, direction === 'row'
          ? { x: fromRight ? shape.x + shape.width - middle : shape.x + middle, y: shape.y + shape.height / 2 }
          : { x: shape.x + shape.width / 2, y: shape.y + middle })
      }, state)
    }
    case 'match': {
      const grid = page.places.find(p => p.id === key.where[0])
      return key.sets.reduce((now, set, row) => set.reduce((n, piece, column) => {
        if (grid?.kind === 'grid') return put(n, piece, middleOf(`${grid.id}:${row % grid.rows},${Math.min(column, grid.columns - 1)}`, page))
        if (key.where.length) return into(n, piece, key.where[row % key.where.length])
        const { width, height } = edition.pieces.get(piece)!.master
        return put(n, piece, { x: Math.min(page.width, GAP + width / 2 + column * (width + GAP)), y: Math.min(page.height, GAP + height / 2 + row * (height + 4 * GAP)) })
      }, now), state)
    }
    case 'scale': {
      const scale = page.places.find(p => p.id === key.scale)
      return scale?.kind === 'scale' ? (Object.entries(key.values) as [PieceId, string][]).reduce((now, [piece, value]) => put(now, piece, spotOn(scale, value)), state) : state
    }
    case 'cover': {
      const grid = page.places.find(p => p.id === key.grid)
      const bin = page.pieces.find(p => p.bin)
      if (grid?.kind !== 'grid') return state
      const cells = key.array ? Array.from({ length: key.array.rows * key.array.columns }, (_, i) => `${Math.floor(i / key.array!.columns)},${i % key.array!.columns}`) : key.cells
      return cells.reduce((now, cell) => bin ? put(now, `${bin.id}~key-${cell.replace(',', '-')}` as PieceId, middleOf(`${grid.id}:${cell}`, page)) : coloured(now, page, grid.id, cell), state)
    }
    case 'arrows': return { ...state, arrows: key.arrows.reduce<SlateState['arrows']>((arrows, [from, to]) => withEntry(arrows, arrowName(from, to), true), state.arrows) }
    case 'write': return { ...state, texts: Object.entries(key.answers).reduce<SlateState['texts']>((texts, [space, { accepts }]) => withEntry(texts, space, accepts[0]), state.texts) }
    case 'total': case 'balance': case 'expression': case 'ink': case 'vote': case 'spectrum': return state
  }
}

/** A cell coloured in, where there is nothing to cover it with but colour. */
function coloured(state: SlateState, page: Page, place: PlaceId, name: string): SlateState {
  const cell = name.split(',').map(Number) as [number, number]
  return { ...state, own: { ...state.own, [colourId(place, cell)]: { kind: 'colour', page: page.id, place, cell, fill: 'straw', by: HOLDER.author } } }
}

/** The middle of a slot, a cell or a gap; null for what isn't there. */
function middleOf(item: string, page: Page): Point | null {
  const box = itemBox(item, page)
  return box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null
}

function spotOn({ shape, least, most }: Scale, value: string): Point {
  const share = quantity(value).sub(quantity(least)).div(quantity(most).sub(quantity(least))).valueOf()
  return shape.width >= shape.height
    ? { x: shape.x + share * shape.width, y: shape.y + shape.height / 2 }
    : { x: shape.x + shape.width / 2, y: shape.y + (1 - share) * shape.height }
}
