import type { Keeper } from './keep'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import type { ArrowsKey } from '../board/key'
import { arrowName, arrowsOf } from '../slate/state'
import { setMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/**
 * Marks the arrows as a graph against a graph: missing ones, ones too many, and how many of those only point the wrong
 * way. Arrows to a piece that stands on the ledge are not there.
 */
export function markArrows(key: ArrowsKey, { state, nameOf }: MarkContext): ItemMark[] {
  const name = ([from, to]: readonly [PieceId, PieceId]) => key.bothWays && to < from ? arrowName(to, from) : arrowName(from, to)
  const wanted = new Set(key.arrows.map(name))
  const made = new Set(arrowsOf(state).map(name))
  const reversed = [...made].filter(arrow => !wanted.has(arrow) && wanted.has(arrow.split('>').toReversed().join('>')))
  const say = (arrow: string) => (arrow.split('>') as PieceId[]).map(nameOf).join(key.bothWays ? ' – ' : ' → ')
  const mark = setMark('key', key.id, 'arrows', wanted, made, say, { reversed: reversed.map(say).join(', ') || '–' })
  return [reversed.length && mark.verdict === 'wrong' ? { ...mark, reason: { ...mark.reason, code: 'arrows-reversed' } } : mark]
}

/** The arrows that are drawn. */
export const keepArrows: Keeper<'arrows'> = ({ state }, former) => {
  const arrows = arrowsOf(state).filter(pair => pair.every(id => binOf(id) === null))
  return arrows.length ? [{ arrows, ...(former[0]?.bothWays && { bothWays: true }) }] : []
}
