import type { Piece } from '../../board/piece'
import type { Scale } from '../../board/place'
import { quantity } from '../../exact/quantity'
import type { Placement } from '../../placement/placement'
import { kindOfKey, placeKind } from '../kind'
import { marksWith } from '../outcome'
import type { SpectrumKey } from './key'

const reasons = {
  stands: { doing: { percent: 'number', from: 'text', to: 'text' }, codes: { stands: {} } },
  'no-stand': { doing: {}, codes: { 'no-stand': {} } },
} as const
const mark = marksWith(reasons)

/** Notes where on a from-to scale each piece stands. Never scored. */
export const spectrumKind = kindOfKey<SpectrumKey>()({
  reasons,
  counted: true,
  mark(key, context) {
    const scale = context.placeOf(key.scale)
    if (scale?.kind !== 'scale') return []
    return key.pieces
      .flatMap(name => context.named(name))
      .map(placement => {
        const about = { is: 'piece', item: placement.piece, verdict: 'noted', of: 0 } as const
        const percent = standOf(placement, scale)
        if (percent === null) return mark({ ...about, code: 'no-stand', words: {} })
        const [from, to] = scale.ends ?? ['0', '100']
        return mark({ ...about, code: 'stands', words: { percent, from, to } })
      })
  },
  /** Every piece that can stand for an opinion, and every copy of a bin, on each scale without numbers. */
  keep: ({ page }) =>
    page.places.flatMap(place =>
      place.kind === 'scale' && place.step === null && page.pieces.some(stands)
        ? [{ scale: place.id, pieces: page.pieces.filter(stands).map(p => p.id) }]
        : [],
    ),
  lay: null,
  suits: page => page.places.some(p => p.kind === 'scale' && p.step === null) && page.pieces.some(stands),
  canBeDone: (key, page) => placeKind(page, key.scale) === 'scale',
  answers: null,
  interchanged: null,
  alsoRight: null,
})

/** A cover lies over things; it says nothing where it lies. */
const stands = (piece: Piece) => piece.kind !== 'cover'

/** In whole percent of the way; beyond an end is at that end. Null for a piece that isn't on the scale. */
export function standOf({ shares }: Placement, scale: Scale): number | null {
  const value = shares.find(s => s.place === scale.id)?.value
  if (value === undefined) return null
  const [least, most] = [quantity(scale.least).valueOf(), quantity(scale.most).valueOf()]
  return Math.round(Math.min(1, Math.max(0, (value - least) / (most - least))) * 100)
}
