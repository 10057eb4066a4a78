import type { Keeper } from './keep'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import type { MatchKey } from '../board/key'
import { boxAround } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { straightBox } from '../placement/straight'
import type { Placement } from '../placement/placement'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Pieces with a gap of up to so many points between them were brought together; up to twice that, perhaps. */
export const TOGETHER = 12

/**
 * Marks what was brought together, one point for each set: right when all its pieces are together and no piece of another
 * set is with them. A set is on the line when a piece of it is only perhaps in a place, or a little too far off.
 */
export function markMatch(key: MatchKey, context: MarkContext): ItemMark[] {
  const asked = new Set(key.sets.flat())
  const lying = context.placements.filter(p => asked.has(p.piece) && p.at === 'page')
  const group = key.where.length ? byPlace(key, lying, context) : byTouch(lying, context, TOGETHER)
  const loose = key.where.length ? null : byTouch(lying, context, 2 * TOGETHER)
  const unsure = new Set(key.where.length ? lying.filter(p => p.shares.some(s => s.certainty === 'unsure' && key.where.includes(s.place))).map(p => p.piece) : [])
  return key.sets.map((set) => {
    const strict = verdictOn(set, asked, group)
    const perhaps = set.some(id => unsure.has(id)) || (loose && verdictOn(set, asked, loose).code !== strict.code)
    const words = { names: set.map(context.nameOf).join(', '), with: strict.others.map(context.nameOf).join(', ') }
    if (strict.code === 'unmatched') return itemMark('piece', set[0]!, 'not-placed', 'unmatched', words)
    if (perhaps) return itemMark('piece', set[0]!, 'on-the-line', 'match-unsure', words)
    return itemMark('piece', set[0]!, strict.code === 'matched' ? 'right' : 'wrong', strict.code, words)
  })
}

type Groups = ReadonlyMap<PieceId, string>

function verdictOn(set: readonly PieceId[], asked: ReadonlySet<PieceId>, group: Groups): { code: 'matched' | 'unmatched' | 'match-split' | 'match-mixed', others: PieceId[] } {
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
  const boxes = lying.flatMap(p => p.at === 'page' ? [{ piece: p.piece, box: straightBox(state.pieces[p.piece]!, edition.pieces.get(p.piece)!.master) ?? boxAround(p.centre, edition.pieces.get(p.piece)!.master) }] : [])
  const group = new Map<PieceId, string>()
  for (const { piece, box } of boxes) {
    const near = new Set(boxes.filter(other => group.has(other.piece) && gap(box, other.box) <= distance).map(other => group.get(other.piece)!))
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

/** What stands together in rows, lanes or zones; on a page where no two do, what touches. Pieces that stand alone belong to nothing. */
export const keepMatch: Keeper<'match'> = (context) => {
  const lying = context.placements.filter(p => p.at === 'page' && binOf(p.piece) === null)
  const where = context.page.places.filter(place => place.kind === 'grid' || place.kind === 'lane' || place.kind === 'zone').map(place => place.id)
  const inPlaces = setsOf(byPlace({ where }, lying, context))
  const used = where.filter(place => lying.some(p => p.shares.some(s => s.place === place && s.certainty === 'in')))
  if (inPlaces.length) return [{ sets: inPlaces, where: used }]
  const touching = setsOf(byTouch(lying, context, TOGETHER))
  return touching.length ? [{ sets: touching, where: [] }] : []
}

function setsOf(groups: Groups): PieceId[][] {
  const sets = new Map<string, PieceId[]>()
  for (const [piece, group] of groups) sets.set(group, [...sets.get(group) ?? [], piece])
  return [...sets.values()].filter(set => set.length > 1)
}
