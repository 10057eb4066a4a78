import type { PieceId, PlaceId } from '../../board/ids'
import type { Placement } from '../../placement/placement'
import { keyName, type MarkContext } from '../context'
import { answerTexts, joinedLists, kindHas, kindOfKey, onlyUnder, pieceHas, sharedLists } from '../kind'
import { copiesToLay, laidIn } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { ON_LEDGE } from '../reason'
import type { LabelKey } from './key'

const reasons = {
  ...ON_LEDGE,
  right: { doing: {}, codes: { 'points-at': { home: 'anyPlace' }, 'points-rightly-nowhere': {} } },
  'points-near': { doing: {}, codes: { 'points-near': { home: 'anyPlace' } } },
  'points-elsewhere': { doing: {}, codes: { 'points-elsewhere': { place: 'anyPlace', home: 'anyPlace' } } },
  'points-nowhere': { doing: {}, codes: { 'points-nowhere': { home: 'anyPlace' } } },
} as const
const mark = marksWith(reasons)

/**
 * Marks where labels point, one point each. A tip near another pin explains a mix-up; a tip near the right one is on
 * the line.
 */
export const labelKind = kindOfKey<LabelKey>()({
  reasons,
  counted: false,
  mark: (key, context) =>
    (Object.entries(key.pins) as [PieceId, PlaceId[]][]).flatMap(([name, pins]) => {
      const lying = context.named(name)
      if (lying.length === 0)
        return [mark({ is: 'piece', item: name, verdict: 'not-placed', code: 'on-ledge', words: {} })]
      return lying.map(placement => markLabel(placement, pins, context))
    }),
  /** The pin that each label's tip touches. */
  keep({ placements, placeOf }) {
    const pins: LabelKey['pins'] = {}
    for (const { piece, shares } of placements) {
      const touched = shares.filter(s => s.certainty === 'in' && placeOf(s.place)?.kind === 'pin').map(s => s.place)
      const name = keyName(piece)
      if (touched.length) pins[name] = [...new Set([...(pins[name] ?? []), ...touched])]
    }
    return Object.keys(pins).length ? [{ pins }] : []
  },
  lay: (key, laying) =>
    (Object.entries(key.pins) as [PieceId, PlaceId[]][]).reduce(
      (state, [name, pins]) =>
        copiesToLay(name, laying.page, pins).reduce(
          (now, piece, i) => laidIn({ ...laying, state: now }, piece, pins[i]),
          state,
        ),
      laying.state,
    ),
  suits: page => kindHas(page, 'pin') && pieceHas(page, 'label'),
  canBeDone: (_, page) => kindHas(page, 'pin') && pieceHas(page, 'label'),
  answers: key => answerTexts(key.pins),
  interchanged: (key, pieces) => ({ ...key, pins: sharedLists(key.pins, pieces) }),
  alsoRight: (former, now, only) => ({ ...former, pins: joinedLists(former.pins, onlyUnder(now.pins, only)) }),
})

function markLabel({ piece, at, shares }: Placement, pins: readonly PlaceId[], context: MarkContext): ItemMark {
  const about = { is: 'piece', item: piece } as const
  const home = { anyPlace: pins }
  // Besides pins whatever else the key names may be pointed at: a slot, a zone.
  const touched = shares.filter(s => context.placeOf(s.place)?.kind === 'pin' || pins.includes(s.place))
  if (pins.length === 0 && touched.length === 0 && context.begun)
    return mark({ ...about, verdict: 'right', code: 'points-rightly-nowhere', words: {} })
  if (at === 'ledge') return mark({ ...about, verdict: 'not-placed', code: 'on-ledge', words: {} })
  const right = touched.find(s => pins.includes(s.place))
  if (right) {
    return right.certainty === 'in'
      ? mark({ ...about, verdict: 'right', code: 'points-at', words: { home } })
      : mark({ ...about, verdict: 'on-the-line', code: 'points-near', words: { home } })
  }
  const other = touched[0]
  return other
    ? mark({
        ...about,
        verdict: 'wrong',
        code: 'points-elsewhere',
        words: { place: { anyPlace: [other.place] }, home },
      })
    : mark({ ...about, verdict: 'not-placed', code: 'points-nowhere', words: { home } })
}
