import type { PieceId, PlaceId } from '../../board/ids'
import { hasRings, innermost } from '../../placement/nesting'
import { regionSpot } from '../../placement/regionSpot'
import type { Certainty, Placement, Share } from '../../placement/placement'
import { keyName, type MarkContext } from '../context'
import { answerTexts, joinedLists, kindHas, kindOfKey, onlyUnder, sharedLists } from '../kind'
import { copiesToLay, laidAt, laidIn } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { ON_LEDGE } from '../reason'
import type { SortKey } from './key'

const reasons = {
  ...ON_LEDGE,
  outside: { doing: {}, codes: { outside: {} } },
  right: {
    doing: {},
    codes: {
      'at-home': { place: 'anyPlace', percent: 'number' },
      'belongs-nowhere': {},
      'right-region': { place: 'allPlaces' },
    },
  },
  'not-here': {
    doing: { lies: 'allPlaces' },
    codes: {
      'in-wrong-place': { place: 'anyPlace', home: 'anyPlace' },
      'nowhere-home': { place: 'anyPlace' },
      'wrong-region': { home: 'allPlaces' },
    },
  },
  'not-clear': {
    doing: {},
    codes: {
      'half-in': { place: 'anyPlace', percent: 'number' },
      between: { place: 'anyPlace', other: 'anyPlace', percent: 'number' },
      'near-region': { place: 'allPlaces', other: 'allPlaces' },
    },
  },
} as const
const mark = marksWith(reasons)

/**
 * Marks a sort. A piece is right when it is surely in one of its homes and in no place that isn't one;
 * wrong when no reading of its position is right; *on the line* when that hangs on a place it is only perhaps in:
 * the teacher decides. A piece outside every place is not placed. A piece that belongs nowhere is right outside
 * every place, but only once something was done: an untouched page earns nothing. A bin stands for each of its copies.
 * Among rings a piece must be in all its homes at once; outside them all is a region too, if it lies on the page.
 */
export const sortKind = kindOfKey<SortKey>()({
  reasons,
  counted: false,
  mark: (key, context) =>
    (Object.entries(key.homes) as [PieceId, PlaceId[]][]).flatMap(([name, homes]) => {
      const lying = context.named(name)
      // Of a bin of which nothing was taken it can only be said that it waits.
      if (lying.length === 0)
        return [mark({ is: 'piece', item: name, verdict: 'not-placed', code: 'on-ledge', words: {} })]
      return lying.map(placement =>
        key.regions ? markRegion(placement, homes, context) : markPiece(placement, homes, context),
      )
    }),
  /**
   * Every place in which a piece surely lies is a right home; a piece that lies nowhere belongs nowhere. Rings that
   * cross make regions.
   */
  keep({ page, placements }, former) {
    const regions = hasRings(page) || former.some(key => key.regions)
    const homes: SortKey['homes'] = {}
    for (const { piece, shares } of placements) {
      const there = regions ? shares : innermost(shares, page)
      if (there.some(s => s.certainty === 'unsure')) continue
      const name = keyName(piece)
      homes[name] = [...new Set([...(homes[name] ?? []), ...there.map(s => s.place)])]
    }
    return [{ homes, ...(regions && { regions: true }) }]
  },
  lay: (key, laying) =>
    (Object.entries(key.homes) as [PieceId, PlaceId[]][]).reduce((state, [name, homes]) => {
      if (key.regions) {
        const [piece] = copiesToLay(name, laying.page, ['region'])
        return laidAt(
          state,
          piece!,
          regionSpot({ state, piece: piece!, homes, page: laying.page, edition: laying.edition }),
        )
      }
      // A bin's copies show all its homes, a piece itself the first.
      return copiesToLay(name, laying.page, homes).reduce(
        (now, piece, i) => laidIn({ ...laying, state: now }, piece, homes[i]),
        state,
      )
    }, laying.state),
  suits: page => kindHas(page, 'zone') && page.pieces.some(p => !p.bin),
  canBeDone: () => true,
  answers: key => answerTexts(key.homes),
  interchanged: (key, pieces) => ({ ...key, homes: sharedLists(key.homes, pieces) }),
  alsoRight: (former, now, only) => ({ ...former, homes: joinedLists(former.homes, onlyUnder(now.homes, only)) }),
})

const percent = (share: number) => Math.round(share * 100)
const any = (place: PlaceId) => ({ anyPlace: [place] })
const all = (allPlaces: readonly PlaceId[]) => ({ allPlaces })
const placesOf = (shares: readonly Share[]) => ({ allPlaces: shares.map(share => share.place) })

function markPiece(
  { piece, at, shares: raw }: Placement,
  homes: readonly PlaceId[],
  { page, begun }: MarkContext,
): ItemMark {
  const shares = innermost(raw, page)
  const best = shares[0]
  if (!best) {
    if (homes.length === 0 && begun)
      return mark({ is: 'piece', item: piece, verdict: 'right', code: 'belongs-nowhere', words: {} })
    return mark({
      is: 'piece',
      item: piece,
      verdict: 'not-placed',
      code: at === 'ledge' ? 'on-ledge' : 'outside',
      words: {},
    })
  }
  const surelyElsewhere = shares.find(s => s.certainty === 'in' && !homes.includes(s.place))
  if (surelyElsewhere) return wrongIn(piece, surelyElsewhere.place, homes, shares)
  if (homes.length === 0) return halfIn(piece, best)
  const home = shares.find(s => homes.includes(s.place))
  if (!home) return wrongIn(piece, best.place, homes, shares)
  const doubt = shares.find(s => s.certainty === 'unsure' && !homes.includes(s.place))
  const surelyHome = shares.some(s => s.certainty === 'in' && homes.includes(s.place))
  if (doubt) {
    const words = { place: any(home.place), percent: percent(home.share), other: any(doubt.place) }
    return mark({ is: 'piece', item: piece, verdict: 'on-the-line', code: 'between', words })
  }
  if (!surelyHome) return halfIn(piece, home)
  const words = { place: any(home.place), percent: percent(home.share) }
  return mark({ is: 'piece', item: piece, verdict: 'right', code: 'at-home', words })
}

function wrongIn(piece: PieceId, place: PlaceId, homes: readonly PlaceId[], shares: readonly Share[]): ItemMark {
  const [lies, there] = [placesOf(shares), any(place)]
  return homes.length
    ? mark({
        is: 'piece',
        item: piece,
        verdict: 'wrong',
        code: 'in-wrong-place',
        words: { lies, place: there, home: { anyPlace: homes } },
      })
    : mark({ is: 'piece', item: piece, verdict: 'wrong', code: 'nowhere-home', words: { lies, place: there } })
}

function halfIn(piece: PieceId, { place, share }: Share): ItemMark {
  return mark({
    is: 'piece',
    item: piece,
    verdict: 'on-the-line',
    code: 'half-in',
    words: { place: any(place), percent: percent(share) },
  })
}

function markRegion(
  { piece, at, shares }: Placement,
  homes: readonly PlaceId[],
  { page, begun }: MarkContext,
): ItemMark {
  const about = { is: 'piece', item: piece } as const
  if (at === 'ledge') return mark({ ...about, verdict: 'not-placed', code: 'on-ledge', words: {} })
  const ringsThat = (certainty: Certainty) =>
    page.places.map(p => p.id).filter(id => shares.some(s => s.place === id && s.certainty === certainty))
  const [sure, perhaps] = [ringsThat('in'), ringsThat('unsure')]
  const impossible =
    sure.some(place => !homes.includes(place)) || homes.some(place => !sure.includes(place) && !perhaps.includes(place))
  if (impossible) {
    return mark({ ...about, verdict: 'wrong', code: 'wrong-region', words: { lies: all(sure), home: all(homes) } })
  }
  if (shares.length === 0 && !begun) return mark({ ...about, verdict: 'not-placed', code: 'outside', words: {} })
  return perhaps.length === 0
    ? mark({ ...about, verdict: 'right', code: 'right-region', words: { place: all(sure) } })
    : mark({ ...about, verdict: 'on-the-line', code: 'near-region', words: { place: all(sure), other: all(perhaps) } })
}
