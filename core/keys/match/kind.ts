import { binOf } from '../../board/binOf'
import type { PieceId } from '../../board/ids'
import { boxAround } from '../../geometry/outline'
import type { Box } from '../../geometry/shape'
import type { Placement } from '../../placement/placement'
import { straightBox } from '../../placement/straight'
import type { SlateState } from '../../slate/state'
import type { MarkContext } from '../context'
import { kindOfKey, pieceHas, type Laying } from '../kind'
import { laidAt, laidIn, middleOf } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import type { MatchKey } from './key'

/** Pieces with a gap of up to so many points between them were brought together; up to twice that, perhaps. */
export const TOGETHER = 12
const GAP = 8

const reasons = {
  'right': { doing: {}, codes: { matched: { names: 'pieces' } } },
  'unmatched': { doing: {}, codes: { unmatched: {} } },
  'match-wrong': { doing: {}, codes: { 'match-split': { names: 'pieces' }, 'match-mixed': { names: 'pieces', with: 'pieces' } } },
  'match-unsure': { doing: {}, codes: { 'match-unsure': { names: 'pieces' } } },
} as const
const mark = marksWith(reasons)

/**
 * Marks what was brought together, one point for each set: right when all its pieces are together and no piece of another
 * set is with them. A set is on the line when a piece of it is only perhaps in a place, or a little too far off.
 */
export const matchKind = kindOfKey<MatchKey>()({
  reasons,
  mark: markMatch,
  /** What stands together in rows, lanes or zones; on a page where no two do, what touches. Pieces that stand alone belong to nothing. */
  keep(context) {
    const lying = context.placements.filter(p => p.at === 'page' && binOf(p.piece) === null)
    const where = context.page.places
      .filter(place => place.kind === 'grid' || place.kind === 'lane' || place.kind === 'zone').map(place => place.id)
    const inPlaces = setsOf(byPlace({ where }, lying, context))
    const used = where.filter(place => lying.some(p => p.shares.some(s => s.place === place && s.certainty === 'in')))
    if (inPlaces.length) return [{ sets: inPlaces, where: used }]
    const touching = setsOf(byTouch(lying, context, TOGETHER))
    return touching.length ? [{ sets: touching, where: [] }] : []
  },
  lay: layMatch,
  suits: page => page.pieces.filter(p => !p.bin).length > 1
    && (pieceHas(page, 'card') || pieceHas(page, 'picture-card') || pieceHas(page, 'label')),
  canBeDone: () => true,
  answers: key => new Map(key.sets.flatMap((set, i) => set.map(id => [id, String(i)] as const))),
  interchanged: null,
  alsoRight: null,
})

function markMatch(key: MatchKey, context: MarkContext): ItemMark[] {
  const asked = new Set(key.sets.flat())
  const lying = context.placements.filter(p => asked.has(p.piece) && p.at === 'page')
  const group = key.where.length ? byPlace(key, lying, context) : byTouch(lying, context, TOGETHER)
  const loose = key.where.length ? null : byTouch(lying, context, 2 * TOGETHER)
  const onEdge = ({ shares }: Placement) => shares.some(s => s.certainty === 'unsure' && key.where.includes(s.place))
  const unsure = new Set(key.where.length ? lying.filter(onEdge).map(p => p.piece) : [])
  return key.sets.map((set) => {
    const strict = verdictOn(set, asked, group)
    const perhaps = set.some(id => unsure.has(id)) || (loose && verdictOn(set, asked, loose).code !== strict.code)
    const about = { is: 'piece', item: set[0]! } as const
    const names = { pieces: set }
    if (strict.code === 'unmatched') return mark({ ...about, verdict: 'not-placed', code: 'unmatched', words: {} })
    if (perhaps) return mark({ ...about, verdict: 'on-the-line', code: 'match-unsure', words: { names } })
    if (strict.code === 'matched') return mark({ ...about, verdict: 'right', code: 'matched', words: { names } })
    return strict.code === 'match-split'
      ? mark({ ...about, verdict: 'wrong', code: 'match-split', words: { names } })
      : mark({ ...about, verdict: 'wrong', code: 'match-mixed', words: { names, with: { pieces: strict.others } } })
  })
}

type Groups = ReadonlyMap<PieceId, string>
interface SetVerdict { readonly code: 'matched' | 'unmatched' | 'match-split' | 'match-mixed', readonly others: readonly PieceId[] }

function verdictOn(set: readonly PieceId[], asked: ReadonlySet<PieceId>, group: Groups): SetVerdict {
  const placed = set.filter(id => group.has(id))
  if (placed.length === 0) return { code: 'unmatched', others: [] }
  const groups = new Set(placed.map(id => group.get(id)))
  const others = [...asked].filter(id => !set.includes(id) && groups.has(group.get(id)))
  if (others.length) return { code: 'match-mixed', others }
  return { code: placed.length === set.length && groups.size === 1 ? 'matched' : 'match-split', others }
}

/** The place that each piece is surely in, of those asked for; of a grid its row. */
function byPlace(key: Pick<MatchKey, 'where'>, lying: readonly Placement[], { placeOf }: MarkContext): Groups {
  return new Map(lying.flatMap(({ piece, shares }) => {
    const share = shares.find(s => s.certainty === 'in' && key.where.includes(s.place))
    if (!share) return []
    return [[piece, placeOf(share.place)?.kind === 'grid' ? `${share.place}:${share.cell?.row}` : share.place] as const]
  }))
}

/** Chains of pieces that lie within a distance of each other. */
function byTouch(lying: readonly Placement[], { edition, state }: MarkContext, distance: number): Groups {
  const boxes = lying.flatMap((p) => {
    if (p.at !== 'page') return []
    const { master } = edition.pieces.get(p.piece)!
    return [{ piece: p.piece, box: straightBox(state.pieces[p.piece]!, master) ?? boxAround(p.centre, master) }]
  })
  const group = new Map<PieceId, string>()
  for (const { piece, box } of boxes) {
    const near = new Set(boxes.filter(other => group.has(other.piece) && gap(box, other.box) <= distance)
      .map(other => group.get(other.piece)!))
    group.set(piece, piece)
    for (const [id, name] of group) if (near.has(name)) group.set(id, piece)
  }
  return group
}

/** The shortest way from one box to the other; nought where they overlap. */
function gap(a: Box, b: Box): number {
  const dx = Math.max(0, a.x - b.x - b.width, b.x - a.x - a.width)
  const dy = Math.max(0, a.y - b.y - b.height, b.y - a.y - a.height)
  return Math.hypot(dx, dy)
}

function setsOf(groups: Groups): PieceId[][] {
  const sets = new Map<string, PieceId[]>()
  for (const [piece, group] of groups) sets.set(group, [...sets.get(group) ?? [], piece])
  return [...sets.values()].filter(set => set.length > 1)
}

/** A row of a grid or a place for each set; where there are none, the sets in rows from the page's corner. */
function layMatch(key: MatchKey, laying: Laying): SlateState {
  const { page, edition } = laying
  const grid = page.places.find(p => p.id === key.where[0])
  return key.sets.reduce((now, set, row) => set.reduce((state, piece, column) => {
    if (grid?.kind === 'grid') {
      return laidAt(state, piece, middleOf(`${grid.id}:${row % grid.rows},${Math.min(column, grid.columns - 1)}`, page))
    }
    if (key.where.length) return laidIn({ ...laying, state }, piece, key.where[row % key.where.length])
    const { width, height } = edition.pieces.get(piece)!.master
    return laidAt(state, piece, {
      x: Math.min(page.width, GAP + width / 2 + column * (width + GAP)),
      y: Math.min(page.height, GAP + height / 2 + row * (height + 4 * GAP)),
    })
  }, now), laying.state)
}
