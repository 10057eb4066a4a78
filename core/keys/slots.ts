import type { Keeper } from './keep'
import { gapsIn } from '../board/whatPlacesTake'
import { binOf } from '../board/binOf'
import type { PieceId, PlaceId } from '../board/ids'
import type { SlotsKey } from '../board/key'
import { matching } from '../matching/bipartite'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

interface Filling { readonly sure: PieceId[], readonly perhaps: PieceId[] }

/**
 * Marks what stands in slots and in cells of grids, one point each. Two pieces in one slot are wrong, and it says so.
 * Slots that are alike may change places: of all ways to give their pieces to them the one with most right counts,
 * each piece once.
 */
export function markSlots(key: SlotsKey, context: MarkContext): ItemMark[] {
  const fillings = new Map(Object.keys(key.fits).map(slot => [slot, fillingOf(slot, context)]))
  const right = new Set<string>()
  const grouped = new Set(key.alike?.flat())
  for (const group of [...key.alike ?? [], ...Object.keys(key.fits).filter(slot => !grouped.has(slot)).map(slot => [slot])]) {
    for (const slot of rightInGroup(group, key, fillings)) right.add(slot)
  }
  return Object.keys(key.fits).map(slot => markSlot(slot, key.fits[slot]!, fillings.get(slot)!, right.has(slot), context))
}

/** Each filled slot of a group is matched to an accepting slot of the group; those that find one are right. */
function rightInGroup(group: readonly string[], key: SlotsKey, fillings: ReadonlyMap<string, Filling>): string[] {
  const alone = group.map((slot) => {
    const { sure } = fillings.get(slot) ?? { sure: [] }
    return sure.length === 1 ? sure[0]! : null
  })
  const partners = matching(alone.map(piece => piece ? group.filter(slot => key.fits[slot]?.includes(piece)) : []))
  return group.filter((_, i) => partners[i] !== null)
}

function markSlot(slot: string, accepted: readonly PieceId[], { sure, perhaps }: Filling, right: boolean, { nameOf, headingOf }: MarkContext): ItemMark {
  const words = { heading: headingOf(slot.split(':')[0] as PlaceId), names: [...sure, ...perhaps].map(nameOf).join(', '), home: accepted.map(nameOf).join(' / ') }
  const mark = (verdict: ItemMark['verdict'], code: string) => itemMark('place', slot, verdict, code, words)
  if (sure.length > 1) return mark('wrong', 'two-in-slot')
  if (perhaps.length) return mark('on-the-line', 'slot-unsure')
  if (sure.length === 0) return accepted.length ? mark('not-placed', 'empty') : mark('right', 'stays-empty')
  return right ? mark('right', 'fits') : mark('wrong', 'does-not-fit')
}

function fillingOf(slot: string, { placements }: MarkContext): Filling {
  const [place, cell] = slot.split(':')
  const within = placements.flatMap(({ piece, shares }) => shares
    .filter(s => s.place === place && (!cell || cell === `${s.cell?.row},${s.cell?.column}`))
    .map(({ certainty }) => ({ piece, certainty })))
  return {
    sure: within.filter(w => w.certainty === 'in').map(w => w.piece),
    perhaps: within.filter(w => w.certainty === 'unsure').map(w => w.piece),
  }
}

/** What stands in each slot, cell and gap; slots left empty are not asked for. */
export const keepSlots: Keeper<'slots'> = (context, former) => {
  const slots = context.page.places.flatMap((place) => {
    if (place.kind === 'slot') return [place.id as string]
    const cells = place.kind === 'grid' ? { rows: place.rows, columns: place.columns } : place.kind === 'gaps' && !place.typed ? { rows: 1, columns: gapsIn(place.text) } : { rows: 0, columns: 0 }
    return Array.from({ length: cells.rows * cells.columns }, (_, i) => `${place.id}:${Math.floor(i / cells.columns)},${i % cells.columns}`)
  })
  const fits = Object.fromEntries(slots.flatMap((slot) => {
    const { sure } = fillingOf(slot, context)
    return sure.length === 1 && binOf(sure[0]!) === null ? [[slot, sure]] : []
  }))
  const alike = former[0]?.alike?.map(group => group.filter(slot => slot in fits)).filter(group => group.length > 1)
  return Object.keys(fits).length ? [{ fits, ...(alike?.length && { alike }) }] : []
}
