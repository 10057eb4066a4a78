import type { Keeper } from './keep'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import type { LabelKey } from '../board/key'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Marks where labels point, one point each. A tip near another pin explains a mix-up; a tip near the right one is on the line. */
export function markLabel(key: LabelKey, context: MarkContext): ItemMark[] {
  return (Object.entries(key.pins) as [PieceId, LabelKey['pins'][PieceId]][]).map(([piece, pins]) => {
    const placement = context.placementOf(piece)
    const home = context.headingOf(...pins)
    if (!placement || placement.at === 'ledge') return itemMark('piece', piece, 'not-placed', 'on-ledge')
    const touched = placement.shares.filter(s => context.placeOf(s.place)?.kind === 'pin')
    const right = touched.find(s => pins.includes(s.place))
    if (right) return itemMark('piece', piece, right.certainty === 'in' ? 'right' : 'on-the-line', right.certainty === 'in' ? 'points-at' : 'points-near', { home })
    const other = touched[0]
    return other ? itemMark('piece', piece, 'wrong', 'points-elsewhere', { place: context.headingOf(other.place), home }) : itemMark('piece', piece, 'not-placed', 'points-nowhere', { home })
  })
}

/** The pin that each label's tip touches. */
export const keepLabel: Keeper<'label'> = ({ placements, placeOf }) => {
  const pins = Object.fromEntries(placements.flatMap(({ piece, shares }) => {
    const touched = shares.filter(s => s.certainty === 'in' && placeOf(s.place)?.kind === 'pin').map(s => s.place)
    return touched.length && binOf(piece) === null ? [[piece, touched]] : []
  })) as LabelKey['pins']
  return Object.keys(pins).length ? [{ pins }] : []
}
