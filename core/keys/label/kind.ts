import { binOf } from '../../board/binOf'
import type { PieceId, PlaceId } from '../../board/ids'
import type { MarkContext } from '../context'
import { answerTexts, joinedLists, kindHas, kindOfKey, pieceHas, sharedLists } from '../kind'
import { laidIn } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { ON_LEDGE } from '../reason'
import type { LabelKey } from './key'

const reasons = {
  ...ON_LEDGE,
  'right': { doing: {}, codes: { 'points-at': { home: 'anyPlace' } } },
  'points-near': { doing: {}, codes: { 'points-near': { home: 'anyPlace' } } },
  'points-elsewhere': { doing: {}, codes: { 'points-elsewhere': { place: 'anyPlace', home: 'anyPlace' } } },
  'points-nowhere': { doing: {}, codes: { 'points-nowhere': { home: 'anyPlace' } } },
} as const
const mark = marksWith(reasons)

/** Marks where labels point, one point each. A tip near another pin explains a mix-up; a tip near the right one is on the line. */
export const labelKind = kindOfKey<LabelKey>()({
  reasons,
  mark: (key, context) => (Object.entries(key.pins) as [PieceId, PlaceId[]][]).map(([piece, pins]) => markLabel(piece, pins, context)),
  /** The pin that each label's tip touches. */
  keep({ placements, placeOf }) {
    const pins = Object.fromEntries(placements.flatMap(({ piece, shares }) => {
      const touched = shares.filter(s => s.certainty === 'in' && placeOf(s.place)?.kind === 'pin').map(s => s.place)
      return touched.length && binOf(piece) === null ? [[piece, touched]] : []
    })) as LabelKey['pins']
    return Object.keys(pins).length ? [{ pins }] : []
  },
  lay: (key, laying) => (Object.entries(key.pins) as [PieceId, PlaceId[]][])
    .reduce((state, [piece, [pin]]) => laidIn({ ...laying, state }, piece, pin), laying.state),
  suits: page => kindHas(page, 'pin') && pieceHas(page, 'label'),
  canBeDone: (_, page) => kindHas(page, 'pin') && pieceHas(page, 'label'),
  answers: key => answerTexts(key.pins),
  interchanged: (key, pieces) => ({ ...key, pins: sharedLists(key.pins, pieces) }),
  alsoRight: (former, now) => ({ ...former, pins: joinedLists(former.pins, now.pins) }),
})

function markLabel(piece: PieceId, pins: readonly PlaceId[], context: MarkContext): ItemMark {
  const about = { is: 'piece', item: piece } as const
  const placement = context.placementOf(piece)
  const home = { anyPlace: pins }
  if (!placement || placement.at === 'ledge') return mark({ ...about, verdict: 'not-placed', code: 'on-ledge', words: {} })
  const touched = placement.shares.filter(s => context.placeOf(s.place)?.kind === 'pin')
  const right = touched.find(s => pins.includes(s.place))
  if (right) {
    return right.certainty === 'in'
      ? mark({ ...about, verdict: 'right', code: 'points-at', words: { home } })
      : mark({ ...about, verdict: 'on-the-line', code: 'points-near', words: { home } })
  }
  const other = touched[0]
  return other
    ? mark({ ...about, verdict: 'wrong', code: 'points-elsewhere', words: { place: { anyPlace: [other.place] }, home } })
    : mark({ ...about, verdict: 'not-placed', code: 'points-nowhere', words: { home } })
}
