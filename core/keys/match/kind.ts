import { binOf } from '../../board/binOf'
import type { PieceId } from '../../board/ids'
import { distanceBetween } from '../../geometry/distance'
import { bodyOf, type Body } from '../../bodies/body'
import { certaintyInAll, type Placement, type Share } from '../../placement/placement'
import type { SlateState } from '../../slate/state'
import { isStaged } from '../../placement/staged'
import { keyName, type MarkContext } from '../context'
import { kindOfKey, pieceHas, type Laying } from '../kind'
import { copiesToLay, laidAt, laidIn, middleOf } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import type { MatchKey } from './key'

/** Pieces with a gap of up to so many points between them were brought together; up to twice that, perhaps. */
const TOGETHER = 12
const GAP = 8

const reasons = {
  right: { doing: {}, codes: { matched: { names: 'pieces' } } },
  unmatched: { doing: {}, codes: { unmatched: {} } },
  'match-wrong': {
    doing: {},
    codes: { 'match-split': { names: 'pieces' }, 'match-mixed': { names: 'pieces', with: 'pieces' } },
  },
  'match-unsure': { doing: {}, codes: { 'match-unsure': { names: 'pieces' } } },
} as const
const mark = marksWith(reasons)

/**
 * Marks what was brought together, one point for each set: right when all its pieces are together and no other card is
 * with them. A set is on the line when a piece of it is only perhaps in a place, or a little too far off.
 */
export const matchKind = kindOfKey<MatchKey>()({
  reasons,
  counted: false,
  mark: markMatch,
  /**
   * What stands together in rows, lanes or zones; on a page where no two do, what touches. Pieces that stand alone
   * belong to nothing.
   */
  keep(context) {
    const lying = context.placements.filter(p => p.at === 'page')
    const where = context.page.places
      .filter(place => place.kind === 'grid' || place.kind === 'lane' || place.kind === 'zone')
      .map(place => place.id)
    const inPlaces = setsOf(byPlace({ where }, lying, context))
    const used = where.filter(place => lying.some(p => p.shares.some(s => s.place === place && s.certainty === 'in')))
    if (inPlaces.length) return [{ sets: inPlaces, where: used }]
    const touching = setsOf(byTouch(lying, context, TOGETHER))
    return touching.length ? [{ sets: touching, where: [] }] : []
  },
  lay: layMatch,
  suits: page =>
    page.pieces.filter(p => !p.bin).length > 1
    && (pieceHas(page, 'card') || pieceHas(page, 'picture-card') || pieceHas(page, 'label')),
  canBeDone: () => true,
  answers: key => new Map(key.sets.flatMap((set, i) => set.map(id => [id, String(i)] as const))),
  interchanged: null,
  alsoRight: null,
})

function markMatch(key: MatchKey, context: MarkContext): ItemMark[] {
  const asked = new Set(key.sets.flat())
  const lying = context.placements.filter(p => p.at === 'page' && (asked.has(keyName(p.piece)) || spoils(p, context)))
  const groups = (distance: number) =>
    key.where.length ? byPlace(key, lying, context) : byTouch(lying, context, distance)
  const [strictly, loosely] = [groups(TOGETHER), key.where.length ? null : groups(2 * TOGETHER)]
  const onEdge = ({ shares }: Placement) =>
    shares.some(s => key.where.includes(s.place) && surelyIn(s, context) === null)
  const unsure = new Set(key.where.length ? lying.filter(onEdge).map(p => keyName(p.piece)) : [])
  return key.sets.map(set => {
    const strict = verdictOn(set, strictly)
    const perhaps = set.some(id => unsure.has(id)) || (loosely && verdictOn(set, loosely).code !== strict.code)
    const about = { is: 'piece', item: set[0]! } as const
    const names = { pieces: set }
    if (perhaps) return mark({ ...about, verdict: 'on-the-line', code: 'match-unsure', words: { names } })
    switch (strict.code) {
      case 'unmatched':
        return mark({ ...about, verdict: 'not-placed', code: 'unmatched', words: {} })
      case 'matched':
        return mark({ ...about, verdict: 'right', code: 'matched', words: { names } })
      case 'match-split':
        return mark({ ...about, verdict: 'wrong', code: 'match-split', words: { names } })
      case 'match-mixed':
        return mark({
          ...about,
          verdict: 'wrong',
          code: 'match-mixed',
          words: { names, with: { pieces: strict.others } },
        })
    }
  })
}

/** A card that belongs to no set spoils the one it lies with, unless it was given out there, as a heading is. */
function spoils(placement: Placement, { page, state, edition }: MarkContext): boolean {
  const kind = edition.pieces.get(placement.piece)?.piece.kind
  return (
    (kind === 'card' || kind === 'picture-card' || kind === 'label' || kind === 'tile')
    && !isStaged(placement, page, state)
  )
}

/** The group of each piece that lies in one. */
type Groups = ReadonlyMap<PieceId, string>
interface SetVerdict {
  readonly code: 'matched' | 'unmatched' | 'match-split' | 'match-mixed'
  /** What lies there too and shouldn't. */
  readonly others: readonly PieceId[]
}

/**
 * A set is where its own pieces are; of copies from bins any will do, so they are looked for where the rest of the set
 * is, or, in a set of nothing but bins, anywhere.
 */
function verdictOn(set: readonly PieceId[], groups: Groups): SetVerdict {
  const own = [...groups.keys()].filter(id => set.includes(keyName(id)))
  const pieces = own.filter(id => binOf(id) === null)
  const homes = new Set((pieces.length ? pieces : own).map(id => groups.get(id)!))
  const held = [...homes].map(home => [...groups.keys()].filter(id => groups.get(id) === home))
  const whole = held.filter(ids => ids.length === set.length && set.every(name => ids.some(id => keyName(id) === name)))
  const onlyBins = pieces.length === 0 && own.length > 0
  if (own.length === 0) return { code: 'unmatched', others: [] }
  if (whole.length > 0 && (onlyBins || homes.size === 1)) return { code: 'matched', others: [] }
  const taken = new Set<PieceId>()
  const others = held.flat().filter(id => {
    const name = keyName(id)
    if (!set.includes(name) || taken.has(name)) return true
    taken.add(name)
    return false
  })
  return others.length ? { code: 'match-mixed', others } : { code: 'match-split', others: [] }
}

/** The place that each piece is surely in, of those asked for; of a grid its row. */
function byPlace(key: Pick<MatchKey, 'where'>, lying: readonly Placement[], context: MarkContext): Groups {
  return new Map(
    lying.flatMap(({ piece, shares }) => {
      const sure = shares.flatMap(share => (key.where.includes(share.place) ? (surelyIn(share, context) ?? []) : []))
      return sure.length ? [[piece, sure[0]!] as const] : []
    }),
  )
}

/** Between two cells of a row it is in the row all the same. Null where nothing is sure. */
function surelyIn(share: Share, { placeOf }: MarkContext): string | null {
  const row = placeOf(share.place)?.kind === 'grid' ? share.cell?.row : undefined
  if (certaintyInAll(share, row) !== 'in') return null
  return row === undefined ? share.place : `${share.place}:${row}`
}

/** Chains of pieces that lie within a distance of each other, by their true shapes. */
function byTouch(lying: readonly Placement[], { edition, state }: MarkContext, distance: number): Groups {
  const bodies = lying.map(({ piece }) => {
    const known = edition.pieces.get(piece)!
    return { piece, body: bodyOf(known.piece.kind, known.master, state.pieces[piece]!) }
  })
  const group = new Map<PieceId, string>()
  for (const { piece, body } of bodies) {
    const near = new Set(
      bodies
        .filter(other => group.has(other.piece) && areNear(body, other.body, distance))
        .map(other => group.get(other.piece)!),
    )
    group.set(piece, piece)
    for (const [id, name] of group) if (near.has(name)) group.set(id, piece)
  }
  return group
}

function areNear(a: Body, b: Body, distance: number): boolean {
  const { x, y, width, height } = a.box
  const around = { x: x - distance, y: y - distance, width: width + 2 * distance, height: height + 2 * distance }
  const touching =
    around.x <= b.box.x + b.box.width
    && b.box.x <= around.x + around.width
    && around.y <= b.box.y + b.box.height
    && b.box.y <= around.y + around.height
  return touching && a.parts.some(part => b.parts.some(other => distanceBetween(part, other) <= distance + EXACTNESS))
}
/** Lengths are floating: so little more, in points, is none. */
const EXACTNESS = 1e-6

function setsOf(groups: Groups): PieceId[][] {
  const sets = new Map<string, PieceId[]>()
  for (const [piece, group] of groups) sets.set(group, [...new Set([...(sets.get(group) ?? []), keyName(piece)])])
  return [...sets.values()].filter(set => set.length > 1)
}

/** A row of a grid or a place for each set; where there are none, the sets in rows from the page's corner. */
function layMatch(key: MatchKey, laying: Laying): SlateState {
  const { page, edition } = laying
  const grid = page.places.find(p => p.id === key.where[0])
  return key.sets.reduce(
    (now, set, row) =>
      set.reduce((state, piece, column) => {
        if (grid?.kind === 'grid') {
          return laidAt(
            state,
            copiesToLay(piece, page, [`${row}`])[0]!,
            middleOf(`${grid.id}:${row % grid.rows},${Math.min(column, grid.columns - 1)}`, page),
          )
        }
        if (key.where.length)
          return laidIn(
            { ...laying, state },
            copiesToLay(piece, page, [`${row}`])[0]!,
            key.where[row % key.where.length],
          )
        const { width, height } = edition.pieces.get(piece)!.master
        return laidAt(state, copiesToLay(piece, page, [`${row}`])[0]!, {
          x: Math.min(page.width, GAP + width / 2 + column * (width + GAP)),
          y: Math.min(page.height, GAP + height / 2 + row * (height + 4 * GAP)),
        })
      }, now),
    laying.state,
  )
}
