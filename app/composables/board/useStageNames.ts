import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import type { Place } from '~~/core/board/place'
import { floating } from '~~/core/exact/written'
import { laneOrder } from '~~/core/placement/contents'
import { placePieces, type Share } from '~~/core/placement/placement'
import { scaleValueText, type Target } from '~~/core/placement/targets'
import type { SlateState } from '~~/core/slate/state'

interface Shown {
  readonly edition: () => Edition
  readonly page: () => Page
  readonly state: () => SlateState
}
type Spot = Pick<Target, 'cell' | 'value' | 'nth'>

/**
 * How pieces, places and what is in them are called on a page, for whoever hears it. In what is *told*, the board's own
 * words are marked as such.
 */
export function useStageNames({ edition, page, state }: Shown) {
  const { t } = useWords()
  const spokenName = usePieceNames()
  function nameOf(id: PieceId): string {
    const { piece, master } = edition().pieces.get(id)!
    return boardWords(state().texts[id] || spokenName(piece, master))
  }

  const { headingTold: called, numbered } = useHeadings()
  // Pins are told apart by number; what they are is for the student to find.
  const headingOf = (place: Place) =>
    place.kind === 'pin' ? numbered(place, page()) : called(place, page(), state().texts)
  const placeOf = (id: PlaceId) => page().places.find(place => place.id === id)
  /** In the order of the page, however they were found. */
  const namesOf = (ids: readonly PlaceId[]) =>
    page()
      .places.filter(place => ids.includes(place.id))
      .map(headingOf)
      .join(t('stage.and'))

  /** A cell, a gap or a value of a place; null where the place itself is meant. */
  function spotName(place: Place, { cell, value, nth }: Spot): string | null {
    const named = { place: headingOf(place) }
    if (place.kind === 'grid' && cell) {
      const printed = place.printed?.[cell.row * place.columns + cell.column]
      const spot = { ...named, row: cell.row + 1, column: cell.column + 1 }
      return printed ? t('stage.printedCell', { ...spot, printed }) : t('stage.cell', spot)
    }
    if (place.kind === 'lane' && nth !== undefined) return t('stage.nthPlace', { ...named, at: nth + 1 })
    if (place.kind === 'gaps' && cell) return t('stage.gapOf', { ...named, number: cell.column + 1 })
    if (place.kind !== 'scale' || value === undefined) return null
    if (!place.ends) return t('stage.value', { ...named, value: scaleValueText(place, value) })
    const [from, to] = [floating(place.least), floating(place.most)]
    const share = (value - from) / (to - from)
    return t('stage.between', { percent: Math.round(share * 100), from: place.ends[0], to: place.ends[1] })
  }

  function targetName(target: Target | 'here'): string {
    if (target === 'here') return t('stage.here')
    if (target.outside) return t('stage.thePage')
    const place = placeOf(target.places[0]!)
    if (!place) return t('stage.theLedge')
    return spotName(place, target) ?? namesOf(target.places)
  }

  /** Worked out once for all pieces, however many of them say where they are. */
  const placed = computed(() => placePieces(state(), page(), edition()))
  const placements = computed(() => new Map(placed.value.map(p => [p.piece, p])))
  function whereIs(id: PieceId): string {
    const placement = placements.value.get(id)
    if (!placement || placement.at === 'ledge') return t('stage.onLedge')
    const sure = placement.shares.filter(share => share.certainty === 'in')
    if (sure.length) return t(onScale(sure) ? 'stage.atPlace' : 'stage.inPlace', { place: placesOf(sure, id) })
    const best = placement.shares[0]
    return best ? t('stage.nearEdge', { place: namesOf([best.place]) }) : t('stage.outside')
  }
  const onScale = ([only, more]: readonly Share[]) => !more && only?.value !== undefined
  /** What lies in the lanes, in order; worked out once, like the placements. */
  const orders = computed(() => {
    const lanes = page().places.filter(place => place.kind === 'lane')
    return new Map(lanes.map(lane => [lane.id, laneOrder(lane, placed.value, id => edition().pieces.get(id)!.master)]))
  })
  function placesOf(shares: readonly Share[], piece: PieceId): string {
    const [only, more] = shares
    const place = only && !more ? placeOf(only.place) : undefined
    const order = place && orders.value.get(place.id)
    if (order) return t('stage.nthInPlace', { place: headingOf(place), at: order.indexOf(piece) + 1, of: order.length })
    return (place && spotName(place, only!)) ?? namesOf(shares.map(share => share.place))
  }
  function placeName(id: PlaceId): string {
    const place = placeOf(id)
    return place ? headingOf(place) : ''
  }
  /** What the pieces on the page are called and where they lie: worked out when that changes, not with every step. */
  const labels = computed(
    () =>
      new Map(
        placed.value
          .filter(({ at }) => at !== 'ledge')
          .map(({ piece }) => [piece, plainWords(t('stage.pieceIs', { name: nameOf(piece), where: whereIs(piece) }))]),
      ),
  )
  return {
    nameOf: (piece: PieceId) => plainWords(nameOf(piece)),
    placeName: (place: PlaceId) => plainWords(placeName(place)),
    labels,
    placed,
    told: { nameOf, whereIs, targetName },
  }
}
