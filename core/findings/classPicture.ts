import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Scale } from '../board/place'
import { boxOf } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import type { Stands, Votes } from './counts'

/** A dot for each student who took a stand; `turn` tells the pieces of a scale apart, from 0 in the key's order. */
export interface Dot extends Point {
  readonly piece: PieceId
  readonly turn: number
}
/** How many lie in a place, drawn at its upper corner. */
export interface Tally extends Point {
  readonly place: PlaceId
  readonly count: number
}
export interface ClassPicture {
  readonly dots: readonly Dot[]
  readonly tallies: readonly Tally[]
  /** Points: how wide a dot is. */
  readonly size: number
}

const LARGEST = 16
const BESIDE_LINE = 40
const INSET = 24

/**
 * What a class has voted, and where it stands, drawn over a page of its board: a dot for each student on a scale, piled
 * up where several stand at one spot, and a number in each place that is voted for. The piles fit into the scale; the
 * more stand in one spot, the smaller are all dots. Nothing is drawn for keys of other pages.
 */
export function classPicture(counts: readonly (Votes | Stands)[], page: Page, edition: Edition): ClassPicture {
  const here = counts.filter(one => one.key.page === page.id)
  const tallies = here.flatMap(one =>
    one.kind !== 'vote'
      ? []
      : one.counts.flatMap(({ place, count }): Tally[] => {
          const known = edition.places.get(place)?.place
          const box = known && boxOf(known)
          return box ? [{ place, count, x: box.x + box.width - INSET, y: box.y + INSET }] : []
        }),
  )
  const scales = here.flatMap(one => {
    if (one.kind !== 'spectrum') return []
    const scale = edition.places.get(one.key.scale)?.place
    return scale?.kind === 'scale' ? [{ one, scale }] : []
  })
  const size = Math.min(LARGEST, ...scales.map(({ one, scale }) => sizeFor(one, scale)))
  return { tallies, size, dots: scales.flatMap(({ one, scale }) => piled(one, scale, size)) }
}

const lies = ({ shape }: Scale) => shape.width >= shape.height
const lengthOf = (scale: Scale) => (lies(scale) ? scale.shape.width : scale.shape.height)
/** How high piles may become: what the scale has beside its line. */
const roomOf = (scale: Scale) => Math.max(LARGEST, (lies(scale) ? scale.shape.height : scale.shape.width) - BESIDE_LINE)

/** Which pile of dots of this size a stand belongs to. */
const pileOf = (percent: number, scale: Scale, size: number) => Math.round(((percent / 100) * lengthOf(scale)) / size)

function sizeFor({ pieces }: Stands, scale: Scale): number {
  // Smaller dots make more piles, and each takes less room: the first size that fits does.
  for (let size = LARGEST; size > 2; size--) {
    const piles = new Map<number, number>()
    for (const percent of pieces.flatMap(piece => piece.stands)) {
      const pile = pileOf(percent, scale, size)
      piles.set(pile, (piles.get(pile) ?? 0) + 1)
    }
    if (Math.max(0, ...piles.values()) * size <= roomOf(scale)) return size
  }
  return 2
}

function piled({ pieces }: Stands, scale: Scale, size: number): Dot[] {
  const heights = new Map<number, number>()
  const { shape } = scale
  return pieces.flatMap(({ piece, stands }, turn) =>
    stands.map(percent => {
      const pile = pileOf(percent, scale, size)
      const height = heights.get(pile) ?? 0
      heights.set(pile, height + 1)
      const [along, up] = [pile * size, (height + 0.5) * size]
      return lies(scale)
        ? { piece, turn, x: shape.x + along, y: shape.y + shape.height - BESIDE_LINE - up }
        : { piece, turn, x: shape.x + BESIDE_LINE + up, y: shape.y + shape.height - along }
    }),
  )
}
