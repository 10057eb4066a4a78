import type { Keeper } from './keep'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import type { ScaleKey } from '../board/key'
import { quantity, quantityText, type Quantity } from '../exact/quantity'
import Fraction from 'fraction.js'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Beyond the tolerance, up to a quarter of it again, the teacher decides. */
const LENIENT = new Fraction(5, 4)
/** Positions are lengths, and lengths are floating: a billionth of the scale is no difference. */
const EXACTNESS = 1e-9

/** Marks where pieces stand on a scale, one point each: right within the tolerance, its edge included. */
export function markScale(key: ScaleKey, context: MarkContext): ItemMark[] {
  const scale = context.placeOf(key.scale)
  if (scale?.kind !== 'scale') return []
  const span = quantity(scale.most).sub(quantity(scale.least))
  const tolerance = quantity(key.tolerance)
  return (Object.entries(key.values) as [PieceId, string][]).map(([piece, text]) => {
    const wanted = quantity(text)
    const placement = context.placementOf(piece)
    const share = placement?.shares.find(s => s.place === scale.id)
    if (share?.value === undefined) return itemMark('piece', piece, 'not-placed', placement?.at === 'page' ? 'off-scale' : 'on-ledge')
    const off = Math.abs(share.value - wanted.valueOf())
    const within = (limit: Quantity) => off <= limit.valueOf() + EXACTNESS * span.valueOf()
    const step = scale.step === null ? null : quantity(scale.step)
    const words = { wanted: quantityText(wanted), stands: step ? quantityText(nearest(share.value, step, quantity(scale.least))) : share.value.toFixed(1) }
    if (within(tolerance)) return itemMark('piece', piece, share.certainty === 'in' ? 'right' : 'on-the-line', 'on-value', words)
    return itemMark('piece', piece, within(tolerance.mul(LENIENT)) ? 'on-the-line' : 'wrong', 'off-value', words)
  })
}

/** The step of the scale that a position is nearest to, exactly; halfway goes up. */
export function nearest(value: number, step: Quantity, least: Quantity): Quantity {
  return least.add(step.mul(Math.floor((value - least.valueOf()) / step.valueOf() + 0.5)))
}

/** Where each piece stands, at the step that it is close to or else to a tenth of a step, or to a hundredth where there are none; give or take half a step, or a twentieth of the scale. */
export const keepScale: Keeper<'scale'> = ({ page, placements }, former) => page.places.flatMap((scale) => {
  if (scale.kind !== 'scale') return []
  const step = scale.step === null ? null : quantity(scale.step)
  const least = quantity(scale.least)
  const values = Object.fromEntries(placements.flatMap(({ piece, shares }) => {
    const value = shares.find(s => s.place === scale.id && s.certainty === 'in')?.value
    if (value === undefined || binOf(piece)) return []
    return [[piece, (step ? atStep(value, step, least) : new Fraction(Math.round(value * 100), 100)).toFraction(true)]]
  })) as ScaleKey['values']
  const tolerance = former.find(key => key.scale === scale.id)?.tolerance ?? (step ? step.div(2) : quantity(scale.most).sub(least).div(20)).toFraction(true)
  return Object.keys(values).length ? [{ scale: scale.id, values, tolerance }] : []
})

function atStep(value: number, step: Quantity, least: Quantity): Quantity {
  const whole = nearest(value, step, least)
  return Math.abs(value - whole.valueOf()) <= step.valueOf() / 8 ? whole : nearest(value, step.div(10), least)
}
