import Fraction from 'fraction.js'
import type { PieceId } from '../../board/ids'
import type { Scale } from '../../board/place'
import { quantity, quantityText, type Quantity } from '../../exact/quantity'
import type { Point } from '../../geometry/shape'
import type { Placement } from '../../placement/placement'
import { keyName, type MarkContext } from '../context'
import { kindHas, kindOfKey, placeKind } from '../kind'
import { copiesToLay, laidAt } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { ON_LEDGE } from '../reason'
import type { ScaleKey } from './key'

/** Beyond the tolerance, up to a quarter of it again, the teacher decides. */
const LENIENT = new Fraction(5, 4)
/** Positions are lengths, and lengths are floating: a billionth of the scale is no difference. */
const EXACTNESS = 1e-9

const reasons = {
  ...ON_LEDGE,
  'off-scale': { doing: {}, codes: { 'off-scale': {} } },
  right: { doing: {}, codes: { 'on-value': { stands: 'text' } } },
  'off-value': { doing: { stands: 'text' }, codes: { 'off-value': { wanted: 'text' } } },
  'near-value': { doing: { stands: 'text' }, codes: { 'near-value': { wanted: 'text' } } },
} as const
const mark = marksWith(reasons)

/** Marks where pieces stand on a scale, one point each: right within the tolerance, its edge included. */
export const scaleKind = kindOfKey<ScaleKey>()({
  reasons,
  counted: false,
  mark: markScale,
  /**
   * Where each piece stands, at the step that it is close to or else to a tenth of a step, or to a hundredth where
   * there are none; give or take half a step, or a twentieth of the scale.
   */
  keep: ({ page, placements }, former) =>
    page.places.flatMap(scale => {
      if (scale.kind !== 'scale') return []
      const step = scale.step === null ? null : quantity(scale.step)
      const least = quantity(scale.least)
      const values = Object.fromEntries(
        placements.flatMap(({ piece, shares }) => {
          const value = shares.find(s => s.place === scale.id && s.certainty === 'in')?.value
          if (value === undefined) return []
          return [
            [
              keyName(piece),
              (step ? atStep(value, step, least) : new Fraction(Math.round(value * 100), 100)).toFraction(true),
            ],
          ]
        }),
      ) as ScaleKey['values']
      const usual = step ? step.div(2) : quantity(scale.most).sub(least).div(20)
      const tolerance = former.find(key => key.scale === scale.id)?.tolerance ?? usual.toFraction(true)
      return Object.keys(values).length ? [{ scale: scale.id, values, tolerance }] : []
    }),
  lay(key, { state, page }) {
    const scale = page.places.find(p => p.id === key.scale)
    if (scale?.kind !== 'scale') return state
    return (Object.entries(key.values) as [PieceId, string][]).reduce(
      (now, [name, value]) => laidAt(now, copiesToLay(name, page, [value])[0]!, spotOn(scale, value)),
      state,
    )
  },
  suits: page => kindHas(page, 'scale') && page.pieces.some(p => !p.bin),
  canBeDone: (key, page) => placeKind(page, key.scale) === 'scale',
  answers: key => new Map(Object.entries(key.values) as [PieceId, string][]),
  interchanged: null,
  alsoRight: null,
})

/** A piece, or a copy, with its value; a bin of which nothing was taken stands nowhere. */
interface Standing {
  readonly piece: PieceId
  readonly placement: Placement | null
  readonly text: string
}

function markScale(key: ScaleKey, context: MarkContext): ItemMark[] {
  const scale = context.placeOf(key.scale)
  if (scale?.kind !== 'scale') return []
  const span = quantity(scale.most).sub(quantity(scale.least))
  const tolerance = quantity(key.tolerance)
  const step = scale.step === null ? null : quantity(scale.step)
  const standing = (Object.entries(key.values) as [PieceId, string][]).flatMap(([name, text]): Standing[] => {
    const lying = context.named(name)
    return lying.length
      ? lying.map(placement => ({ piece: placement.piece, placement, text }))
      : [{ piece: name, placement: null, text }]
  })
  return standing.map(({ piece, placement, text }) => {
    const about = { is: 'piece', item: piece } as const
    const wanted = quantity(text)
    const share = placement?.shares.find(s => s.place === scale.id)
    if (share?.value === undefined) {
      return mark({
        ...about,
        verdict: 'not-placed',
        code: placement?.at === 'page' ? 'off-scale' : 'on-ledge',
        words: {},
      })
    }
    const off = Math.abs(share.value - wanted.valueOf())
    const within = (limit: Quantity) => off <= limit.valueOf() + EXACTNESS * span.valueOf()
    const stands = step ? quantityText(nearest(share.value, step, quantity(scale.least))) : share.value.toFixed(1)
    const words = { stands, wanted: quantityText(wanted) }
    if (within(tolerance) && share.certainty === 'in')
      return mark({ ...about, verdict: 'right', code: 'on-value', words: { stands } })
    return within(tolerance.mul(LENIENT))
      ? mark({ ...about, verdict: 'on-the-line', code: 'near-value', words })
      : mark({ ...about, verdict: 'wrong', code: 'off-value', words })
  })
}

/** The step of the scale that a position is nearest to, exactly; halfway goes up. */
export function nearest(value: number, step: Quantity, least: Quantity): Quantity {
  return least.add(step.mul(Math.floor((value - least.valueOf()) / step.valueOf() + 0.5)))
}

function atStep(value: number, step: Quantity, least: Quantity): Quantity {
  const whole = nearest(value, step, least)
  return Math.abs(value - whole.valueOf()) <= step.valueOf() / 8 ? whole : nearest(value, step.div(10), least)
}

function spotOn({ shape, least, most }: Scale, value: string): Point {
  const share = quantity(value)
    .sub(quantity(least))
    .div(quantity(most).sub(quantity(least)))
    .valueOf()
  return shape.width >= shape.height
    ? { x: shape.x + share * shape.width, y: shape.y + shape.height / 2 }
    : { x: shape.x + shape.width / 2, y: shape.y + (1 - share) * shape.height }
}
