import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Tool } from '../board/tools'
import type { SlateState } from '../slate/state'
import type { MarkContext } from './context'
import type { Key } from './key'
import type { ItemMark } from './outcome'
import type { ReasonTable } from './reason'

/** What a keeper makes: the key without what every key has. */
export type Bare<K extends Key> = K extends Key ? Omit<K, 'id' | 'page' | 'kind'> : never

/** A page on which a key's answers are laid out. */
export interface Laying {
  readonly state: SlateState
  readonly page: Page
  readonly edition: Edition
}

/**
 * All that a kind of key does, beside how it stands in a board (`document.ts`). What a kind has nothing of is null, so
 * that none can be forgotten.
 */
export interface KindOfKey<K extends Key, Reasons extends ReasonTable = ReasonTable> {
  readonly reasons: Reasons
  /** It counts what the class does: nothing of it is right or wrong, and no points are given. */
  readonly counted: boolean
  /** What it says of a slate, item by item. */
  readonly mark: (key: K, context: MarkContext) => ItemMark[]
  /**
   * Reads what counts as right from a page on which the teacher has done the task. `former` are the page's keys of this
   * kind so far: what the doing can't show (credit, tolerance) is taken over from them. Nothing done: [].
   */
  readonly keep: (context: MarkContext, former: readonly K[]) => Bare<K>[]
  /** The page as the key has it. Null where it leaves that open, such as which tiles make a total. */
  readonly lay: ((key: K, laying: Laying) => SlateState) | null
  /** A page has the places, pieces and tools for such a key, so that it is offered there. */
  readonly suits: (page: Page, tools: readonly Tool[]) => boolean
  /** A page has what this key can't do without: without it nothing could be marked. */
  readonly canBeDone: (key: K, page: Page, tools: readonly Tool[]) => boolean
  /** The answer of each piece, equal for pieces that have the same. Null where like pieces may stand for each other. */
  readonly answers: ((key: K) => ReadonlyMap<PieceId, string>) | null
  /** The key under which each of the pieces may have the answer of each of the others. */
  readonly interchanged: ((key: K, pieces: readonly PieceId[]) => K) | null
  /**
   * The former key with what the other one says as well: each of the answers is right. Of one item alone, by its name,
   * or of all.
   */
  readonly alsoRight: ((former: K, now: K, only?: string) => K) | null
}

export const kindOfKey =
  <K extends Key>() =>
  <const R extends ReasonTable>(kind: KindOfKey<K, R>): KindOfKey<K, R> =>
    kind
export const kindHas = (page: Page, kind: Page['places'][number]['kind']) =>
  page.places.some(place => place.kind === kind)
export const pieceHas = (page: Page, kind: Page['pieces'][number]['kind']) =>
  page.pieces.some(piece => piece.kind === kind)
export const placeKind = (page: Page, id: string) => page.places.find(place => place.id === id)?.kind

type Lists<Name extends string, T> = Readonly<Record<Name, readonly T[]>>

/** Both lists under each name, each entry once. */
export function joinedLists<Name extends string, T>(a: Lists<Name, T>, b: Lists<Name, T>): Record<Name, T[]> {
  const all = { ...a } as Record<Name, T[]>
  for (const [name, values] of Object.entries(b) as [Name, T[]][])
    all[name] = [...new Set([...(a[name] ?? []), ...values])]
  return all
}

/** What stands under one name, or under all of them. */
export const onlyUnder = <T>(lists: Readonly<Record<string, T>>, only: string | undefined): Record<string, T> =>
  only === undefined ? { ...lists } : Object.fromEntries(Object.entries(lists).filter(([name]) => name === only))

/** Everything that stands under one of the names, under each of them. */
export function sharedLists<Name extends string, T>(lists: Lists<Name, T>, names: readonly Name[]): Record<Name, T[]> {
  const all = [...new Set(names.flatMap(name => lists[name] ?? []))]
  return { ...lists, ...Object.fromEntries(names.map(name => [name, all])) } as Record<Name, T[]>
}

export const answerTexts = <Name extends string>(lists: Lists<Name, string>): ReadonlyMap<Name, string> =>
  new Map((Object.entries(lists) as [Name, string[]][]).map(([name, list]) => [name, list.toSorted().join(' ')]))
