import type { MasterId } from '../board/ids'
import type { Master } from '../board/piece'
import { onMasters, type Sheet } from '../board/rename'

export type Style = Omit<Master, 'id'>

const written = (style: Style) => JSON.stringify(Object.entries(style).toSorted(([a], [b]) => (a < b ? -1 : 1)))

/**
 * The master of a style: the one that there is, or a new one behind the others. Ids say nothing about it: two boards
 * may name different styles alike.
 */
export function masterOf(
  masters: readonly Master[],
  style: Style,
  fresh: () => MasterId,
): { masters: readonly Master[]; id: MasterId } {
  const wanted = written(style)
  const same = masters.find(({ id: _, ...known }) => written(known) === wanted)
  if (same) return { masters, id: same.id }
  const id = fresh()
  return { masters: [...masters, { id, ...style }], id }
}

/** The sheet's pieces on masters of the board: those of the same style, and new ones for the rest. */
export function adopted(
  masters: readonly Master[],
  sheet: Sheet,
  fresh: () => MasterId,
): { masters: readonly Master[]; sheet: Sheet } {
  const names = new Map<MasterId, MasterId>()
  let all = masters
  for (const { id, ...style } of sheet.masters) {
    const found = masterOf(all, style, fresh)
    all = found.masters
    names.set(id, found.id)
  }
  return { masters: all, sheet: onMasters(sheet, id => names.get(id)!) }
}
