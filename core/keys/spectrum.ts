import type { Keeper } from './keep'
import type { SpectrumKey } from '../board/key'
import { quantity } from '../exact/quantity'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Notes where on a from-to scale each piece stands, in percent of the way. Never scored. Beyond an end is at that end. */
export function markSpectrum(key: SpectrumKey, { placeOf, placementOf }: MarkContext): ItemMark[] {
  const scale = placeOf(key.scale)
  if (scale?.kind !== 'scale') return []
  const [least, most] = [quantity(scale.least).valueOf(), quantity(scale.most).valueOf()]
  return key.pieces.map((piece) => {
    const value = placementOf(piece)?.shares.find(s => s.place === scale.id)?.value
    if (value === undefined) return itemMark('piece', piece, 'noted', 'no-stand', {}, 0)
    const percent = Math.round(Math.min(1, Math.max(0, (value - least) / (most - least))) * 100)
    return itemMark('piece', piece, 'noted', 'stands', { percent, from: scale.ends?.[0] ?? '0', to: scale.ends?.[1] ?? '100' }, 0)
  })
}

/** Every piece, on each scale without numbers. */
export const keepSpectrum: Keeper<'spectrum'> = ({ page }) => page.places.flatMap(place =>
  place.kind === 'scale' && place.step === null && page.pieces.length ? [{ scale: place.id, pieces: page.pieces.filter(p => !p.bin).map(p => p.id) }] : [])
