import type { Page } from './board'
import { withFixed } from './fixed'
import type { MasterId, PageId, PieceId, PlaceId, StepId } from './ids'
import { renamedKey, type Key } from '../keys/key'
import type { Master } from './piece'

/** A page with all that hangs on it: its keys, and the masters of its pieces. */
export interface Sheet {
  readonly page: Page
  readonly masters: readonly Master[]
  readonly keys: readonly Key[]
}

/**
 * The sheet under new ids, the same one for the same id everywhere. `fresh` makes an id that nobody has; masters keep
 * theirs, so that a copy within its board follows the same style.
 */
export function renamed(sheet: Sheet, fresh: () => string): Sheet {
  const names = new Map<string, string>()
  const to = <Id extends string>(id: Id): Id => {
    const known = names.get(id) ?? fresh()
    names.set(id, known)
    return known as Id
  }
  const { page } = sheet
  return {
    masters: sheet.masters,
    page: {
      ...page,
      id: to<PageId>(page.id),
      backdrop: withFixed(page.backdrop, things => things.map(thing => ({ ...thing, id: to(thing.id) }))),
      places: page.places.map(place => ({ ...place, id: to<PlaceId>(place.id) })),
      pieces: page.pieces.map(piece => ({ ...piece, id: to<PieceId>(piece.id) })),
      ledge: page.ledge.map(to<PieceId>),
      ...(page.staged && { staged: renamedNames(page.staged, to<PieceId>) }),
      ...(page.steps && {
        steps: page.steps.map(step => ({
          ...step,
          id: to<StepId>(step.id),
          ...(step.pieces && { pieces: step.pieces.map(to<PieceId>) }),
        })),
      }),
      ...(page.groups && { groups: page.groups.map(group => group.map(id => to(id))) }),
    },
    keys: sheet.keys.map(key => renamedKey(key, to)),
  }
}

/** The pieces of the sheet on other masters. */
export function onMasters(sheet: Sheet, master: (id: MasterId) => MasterId): Sheet {
  return {
    ...sheet,
    page: { ...sheet.page, pieces: sheet.page.pieces.map(piece => ({ ...piece, master: master(piece.master) })) },
  }
}

function renamedNames<Name extends string, T>(
  record: Readonly<Record<Name, T>>,
  to: (name: Name) => Name,
  value: (value: T) => T = v => v,
): Record<Name, T> {
  return Object.fromEntries(
    (Object.entries(record) as [Name, T][]).map(([name, entry]) => [to(name), value(entry)]),
  ) as Record<Name, T>
}
