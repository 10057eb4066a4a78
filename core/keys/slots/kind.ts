import type { Page } from '../../board/board'
import type { PieceId } from '../../board/ids'
import { gapsIn } from '../../board/whatPlacesTake'
import { matching } from '../../matching/bipartite'
import { certaintyInCell } from '../../placement/placement'
import type { SlateState } from '../../slate/state'
import { keyName, type MarkContext } from '../context'
import { placeOfSpot } from '../document'
import { joinedLists, kindHas, kindOfKey, onlyUnder, type Laying } from '../kind'
import { copyName, laidAt, middleOf } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import type { SlotsKey } from './key'

const reasons = {
  ...EMPTY,
  right: { doing: {}, codes: { fits: { names: 'pieces' }, 'stays-empty': {} } },
  'two-in-slot': { doing: {}, codes: { 'two-in-slot': { names: 'pieces' } } },
  'does-not-fit': { doing: {}, codes: { 'does-not-fit': { names: 'pieces', home: 'anyPiece' } } },
  'not-clear': { doing: {}, codes: { 'slot-unsure': { names: 'pieces' } } },
} as const
const mark = marksWith(reasons)

interface Filling {
  readonly sure: PieceId[]
  readonly perhaps: PieceId[]
}

/**
 * Marks what stands in slots and in cells of grids, one point each. Two pieces in one slot are wrong, and it says so.
 * Slots that are alike may change places: of all ways to give their pieces to them the one with most right counts,
 * each piece once.
 */
export const slotsKind = kindOfKey<SlotsKey>()({
  reasons,
  counted: false,
  mark(key, context) {
    const fillings = new Map(Object.keys(key.fits).map(slot => [slot, fillingOf(slot, context)]))
    const grouped = new Set(key.alike?.flat())
    const single = Object.keys(key.fits)
      .filter(slot => !grouped.has(slot))
      .map(slot => [slot])
    const right = new Set([...(key.alike ?? []), ...single].flatMap(group => rightInGroup(group, key, fillings)))
    return Object.keys(key.fits).map(slot => {
      const alike = key.alike?.find(group => group.includes(slot)) ?? []
      return markSlot({
        slot,
        accepted: key.fits[slot]!,
        filling: fillings.get(slot)!,
        right: right.has(slot),
        begun: context.begun,
        grouped: new Set(alike.flatMap(other => key.fits[other] ?? [])),
      })
    })
  },
  /** What stands in each slot, cell and gap; slots left empty are not asked for. */
  keep(context, former) {
    const fits = Object.fromEntries(
      slotsOn(context.page).flatMap(slot => {
        const { sure } = fillingOf(slot, context)
        return sure.length === 1 ? [[slot, sure.map(keyName)]] : []
      }),
    )
    const alike = former[0]?.alike?.map(group => group.filter(slot => slot in fits)).filter(group => group.length > 1)
    return Object.keys(fits).length ? [{ fits, ...(alike?.length && { alike }) }] : []
  },
  lay: laySlots,
  suits: page =>
    page.pieces.some(p => !p.bin)
    && (kindHas(page, 'slot') || kindHas(page, 'grid') || page.places.some(p => p.kind === 'gaps' && !p.typed)),
  canBeDone: (key, page) =>
    Object.keys(key.fits).every(slot => {
      const place = page.places.find(p => p.id === placeOfSpot(slot))
      return place?.kind === 'slot' || place?.kind === 'grid' || (place?.kind === 'gaps' && !place.typed)
    }),
  answers(key) {
    const slots = new Map<PieceId, string>()
    for (const [slot, pieces] of Object.entries(key.fits))
      for (const id of pieces) slots.set(id, `${slots.get(id) ?? ''} ${slot}`)
    return slots
  },
  interchanged: (key, ids) => ({
    ...key,
    fits: Object.fromEntries(
      Object.entries(key.fits).map(([slot, pieces]) => [
        slot,
        pieces.some(id => ids.includes(id)) ? [...new Set([...pieces, ...ids])] : pieces,
      ]),
    ),
  }),
  alsoRight: (former, now, only) => ({ ...former, fits: joinedLists(former.fits, onlyUnder(now.fits, only)) }),
})

/** Each filled slot of a group is matched to an accepting slot of the group; those that find one are right. */
function rightInGroup(group: readonly string[], key: SlotsKey, fillings: ReadonlyMap<string, Filling>): string[] {
  const alone = group.map(slot => {
    const { sure } = fillings.get(slot) ?? { sure: [] }
    return sure.length === 1 ? sure[0]! : null
  })
  const partners = matching(
    alone.map(piece => (piece ? group.filter(slot => key.fits[slot]?.includes(keyName(piece))) : [])),
  )
  return group.filter((_, i) => partners[i] !== null)
}

interface Slot {
  readonly slot: string
  readonly accepted: readonly PieceId[]
  readonly filling: Filling
  /** What the slots that may change places with it accept. */
  readonly grouped: ReadonlySet<PieceId>
  readonly right: boolean
  readonly begun: boolean
}

function markSlot({ slot, accepted, filling: { sure, perhaps }, grouped, right, begun }: Slot): ItemMark {
  const about = { is: 'place', item: slot } as const
  const names = { pieces: [...sure, ...perhaps] }
  if (sure.length > 1) return mark({ ...about, verdict: 'wrong', code: 'two-in-slot', words: { names } })
  // What is on the edge matters only where some reading of it is right.
  const fitting = (id: PieceId) => accepted.includes(keyName(id)) || grouped.has(keyName(id))
  const hangs = sure.length === 1 ? right : accepted.length === 0 ? begun : perhaps.some(fitting)
  if (perhaps.length && hangs) return mark({ ...about, verdict: 'on-the-line', code: 'slot-unsure', words: { names } })
  if (perhaps.length && sure.length === 0 && accepted.length) {
    return mark({ ...about, verdict: 'wrong', code: 'does-not-fit', words: { names, home: { anyPiece: accepted } } })
  }
  if (sure.length === 0) {
    return accepted.length || !begun
      ? mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
      : mark({ ...about, verdict: 'right', code: 'stays-empty', words: {} })
  }
  return right
    ? mark({ ...about, verdict: 'right', code: 'fits', words: { names } })
    : mark({ ...about, verdict: 'wrong', code: 'does-not-fit', words: { names, home: { anyPiece: accepted } } })
}

function fillingOf(slot: string, { placements }: MarkContext): Filling {
  const [place, cell] = slot.split(':')
  const [row, column] = cell?.split(',').map(Number) ?? []
  const within = placements.flatMap(({ piece, shares }) =>
    shares
      .filter(s => s.place === place)
      .map(share => {
        const certainty = row === undefined ? share.certainty : certaintyInCell(share, row, column ?? 0)
        return { piece, certainty }
      }),
  )
  return {
    sure: within.filter(w => w.certainty === 'in').map(w => w.piece),
    perhaps: within.filter(w => w.certainty === 'unsure').map(w => w.piece),
  }
}

/** Every slot, every cell, and every gap that isn't typed into. */
export const slotsOn = (page: Page): string[] =>
  page.places.flatMap(place => {
    if (place.kind === 'slot') return [place.id as string]
    if (place.kind === 'grid') return cellsOf(place.id, place.rows, place.columns)
    return place.kind === 'gaps' && !place.typed ? cellsOf(place.id, 1, gapsIn(place.text)) : []
  })
const cellsOf = (place: string, rows: number, columns: number) =>
  Array.from({ length: rows * columns }, (_, i) => `${place}:${Math.floor(i / columns)},${i % columns}`)

/** As many slots filled as can be at once, each with one of its pieces; a bin fills as many as it is named in. */
function laySlots(key: SlotsKey, { state, page }: Laying): SlateState {
  const slots = Object.keys(key.fits)
  const bins = new Set(page.pieces.filter(piece => piece.bin).map(piece => piece.id))
  const partners = matching(slots.map(slot => key.fits[slot]!.map(id => (bins.has(id) ? copyName(id, slot) : id))))
  return slots.reduce(
    (now, slot, i) => (partners[i] === null ? now : laidAt(now, partners[i]!, middleOf(slot, page))),
    state,
  )
}
