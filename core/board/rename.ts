import type { Page } from './board'
import { withFixed } from './fixed'
import type { KeyId, MasterId, PageId, PieceId, PlaceId, StepId } from './ids'
import type { Key } from './key'
import type { Master } from './piece'

/** A page with all that hangs on it: its keys, and the masters of its pieces. */
export interface Sheet { readonly page: Page, readonly masters: readonly Master[], readonly keys: readonly Key[] }

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
      ...(page.steps && { steps: page.steps.map(step => ({ ...step, id: to<StepId>(step.id) })) }),
      ...(page.groups && { groups: page.groups.map(group => group.map(id => to(id))) }),
    },
    keys: sheet.keys.map(key => renamedKey(key, to)),
  }
}

/** The pieces of the sheet on other masters. */
export function onMasters(sheet: Sheet, master: (id: MasterId) => MasterId): Sheet {
  return { ...sheet, page: { ...sheet.page, pieces: sheet.page.pieces.map(piece => ({ ...piece, master: master(piece.master) })) } }
}

type To = <Id extends string>(id: Id) => Id

function renamedKey(whole: Key, to: To): Key {
  const key = { ...whole, id: to<KeyId>(whole.id), page: to<PageId>(whole.page) }
  const all = <Id extends string>(ids: readonly Id[]) => ids.map(id => to(id))
  /** A cell or a gap keeps its number behind the name of its place. */
  const spot = (name: string) => name.includes(':') ? `${to(name.slice(0, name.indexOf(':')))}${name.slice(name.indexOf(':'))}` : to(name)
  const pair = <Id extends string>([a, b]: readonly [Id, Id]): [Id, Id] => [to(a), to(b)]
  switch (key.kind) {
    case 'sort': return { ...key, homes: renamedNames(key.homes, to, all) }
    case 'order': return { ...key, lane: to(key.lane), before: key.before.map(pair) }
    case 'slots': return { ...key, fits: renamedNames(key.fits, spot, all), ...(key.alike && { alike: key.alike.map(group => group.map(spot)) }) }
    case 'match': return { ...key, sets: key.sets.map(all), where: all(key.where) }
    case 'total': return { ...key, place: to(key.place), ...(key.ways && { ways: all(key.ways) }) }
    case 'balance': return { ...key, left: to(key.left), right: to(key.right) }
    case 'expression': return { ...key, place: to(key.place) }
    case 'scale': return { ...key, scale: to(key.scale), values: renamedNames(key.values, to) }
    case 'label': return { ...key, pins: renamedNames(key.pins, to, all) }
    case 'cover': return { ...key, grid: to(key.grid) }
    case 'arrows': return { ...key, arrows: key.arrows.map(pair) }
    case 'write': return { ...key, answers: renamedNames(key.answers, spot) }
    case 'vote': return { ...key, places: all(key.places) }
    case 'spectrum': return { ...key, scale: to(key.scale), pieces: all(key.pieces) }
    case 'ink': {
      const { task } = key
      switch (task.what) {
        case 'symmetry': return { ...key, place: to(key.place), task: { ...task, figures: all(task.figures) } }
        case 'circle': return { ...key, place: to(key.place), task: { ...task, figures: all(task.figures), answers: all(task.answers) } }
        case 'join': return { ...key, place: to(key.place), task: { ...task, pairs: task.pairs.map(pair) } }
      }
    }
  }
}

function renamedNames<Name extends string, T>(record: Readonly<Record<Name, T>>, to: (name: Name) => Name, value: (value: T) => T = v => v): Record<Name, T> {
  return Object.fromEntries((Object.entries(record) as [Name, T][]).map(([name, entry]) => [to(name), value(entry)])) as Record<Name, T>
}
