import type { Keeper } from './keep'
import { binOf } from '../board/binOf'
import { bounds, outline, overlaps } from '../geometry/outline'
import type { PlaceId } from '../board/ids'
import type { SortKey } from '../board/key'
import type { Certainty, Placement } from '../placement/placement'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/**
 * Marks a sort. A piece is right when it is surely in one of its homes and in no place that isn't one;
 * wrong when no reading of its position is right; *on the line* when that hangs on a place it is only perhaps in:
 * the teacher decides. A piece outside every place is not placed. A piece that belongs nowhere is right outside
 * every place, but only on a slate where something was placed: an untouched slate earns nothing.
 * Among rings a piece must be in all its homes at once; outside them all is a region too, if it lies on the page.
 */
export function markSort(key: SortKey, context: MarkContext): ItemMark[] {
  const begun = context.placements.some(p => p.shares.length > 0)
  return context.placements.flatMap((placement) => {
    const homes = key.homes[placement.piece]
    if (!homes) return []
    return [key.regions ? markRegion(placement, homes, context) : markPiece(placement, homes, begun, context)]
  })
}

const percent = (share: number) => Math.round(share * 100)

function markPiece({ piece, at, shares }: Placement, homes: readonly PlaceId[], begun: boolean, { headingOf }: MarkContext): ItemMark {
  const isHome = (place: PlaceId) => homes.includes(place)
  const best = shares[0]
  if (!best) {
    if (homes.length === 0 && begun) return itemMark('piece', piece, 'right', 'belongs-nowhere')
    return itemMark('piece', piece, 'not-placed', at === 'ledge' ? 'on-ledge' : 'outside')
  }
  const wrongIn = (place: PlaceId) => homes.length
    ? itemMark('piece', piece, 'wrong', 'in-wrong-place', { place: headingOf(place), home: headingOf(...homes) })
    : itemMark('piece', piece, 'wrong', 'nowhere-home', { place: headingOf(place) })
  const surelyElsewhere = shares.find(s => s.certainty === 'in' && !isHome(s.place))
  if (surelyElsewhere) return wrongIn(surelyElsewhere.place)
  if (homes.length === 0) return itemMark('piece', piece, 'on-the-line', 'half-in', { place: headingOf(best.place), percent: percent(best.share) })
  const home = shares.find(s => isHome(s.place))
  if (!home) return wrongIn(best.place)
  const doubt = shares.find(s => s.certainty === 'unsure' && !isHome(s.place))
  const surelyHome = shares.some(s => s.certainty === 'in' && isHome(s.place))
  if (surelyHome && !doubt) return itemMark('piece', piece, 'right', 'at-home', { place: headingOf(home.place), percent: percent(home.share) })
  return doubt
    ? itemMark('piece', piece, 'on-the-line', 'between', { place: headingOf(home.place), other: headingOf(doubt.place), percent: percent(home.share) })
    : itemMark('piece', piece, 'on-the-line', 'half-in', { place: headingOf(home.place), percent: percent(home.share) })
}

function markRegion({ piece, at, shares }: Placement, homes: readonly PlaceId[], { page, headingOf }: MarkContext): ItemMark {
  if (at === 'ledge') return itemMark('piece', piece, 'not-placed', 'on-ledge')
  const ringsThat = (certainty: Certainty) => page.places.map(p => p.id).filter(id => shares.some(s => s.place === id && s.certainty === certainty))
  const [sure, perhaps] = [ringsThat('in'), ringsThat('unsure')]
  const words = { place: sure.length ? headingOf(...sure).replaceAll(' / ', ' + ') : '–', home: homes.length ? headingOf(...homes).replaceAll(' / ', ' + ') : '–' }
  const impossible = sure.some(place => !homes.includes(place)) || homes.some(place => !sure.includes(place) && !perhaps.includes(place))
  if (impossible) return itemMark('piece', piece, 'wrong', 'wrong-region', words)
  return perhaps.length === 0
    ? itemMark('piece', piece, 'right', 'right-region', words)
    : itemMark('piece', piece, 'on-the-line', 'near-region', { ...words, other: headingOf(...perhaps) })
}

/** Every place in which a piece surely lies is a right home; a piece that lies nowhere belongs nowhere. Rings that overlap make regions. */
export const keepSort: Keeper<'sort'> = ({ page, placements }) => {
  const zones = page.places.filter(place => place.kind === 'zone').map(place => bounds(outline(place.shape)))
  const rings = zones.some((a, i) => zones.slice(i + 1).some(b => overlaps(a, b)))
  const sure = placements.filter(({ piece, shares }) => binOf(piece) === null && !shares.some(s => s.certainty === 'unsure'))
  const homes = Object.fromEntries(sure.map(({ piece, shares }) => [piece, shares.map(s => s.place)])) as SortKey['homes']
  return [{ homes, ...(rings && { regions: true }) }]
}
