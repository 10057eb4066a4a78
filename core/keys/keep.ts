import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { KeyId, PieceId } from '../board/ids'
import type { Key } from '../board/key'
import type { SlateState } from '../slate/state'
import { keepArrows } from './arrows'
import { keepBalance } from './balance'
import { contextOn, type MarkContext } from './context'
import { keepCover } from './cover'
import { keepExpression } from './expression'
import { keepInk } from './ink'
import { keepLabel } from './label'
import { keepMatch } from './match'
import { keepOrder } from './order'
import { keepScale } from './scale'
import { keepSlots } from './slots'
import { keepSort } from './sort'
import { keepSpectrum } from './spectrum'
import { keepTotal } from './total'
import { keepVote } from './vote'
import { keepWrite } from './write'

/** What a keeper makes: the key without what every key has. */
type Bare<K extends Key> = K extends Key ? Omit<K, 'id' | 'page' | 'kind'> : never

/**
 * Reads what counts as right from a page on which the teacher has done the task. `former` are the page's keys of this kind
 * so far: what the doing can't show (credit, tolerance) is taken over from them. Nothing done: [].
 */
export type Keeper<Kind extends Key['kind']> = (context: MarkContext, former: readonly Extract<Key, { kind: Kind }>[]) => Bare<Extract<Key, { kind: Kind }>>[]

type Keepers = { readonly [Kind in Key['kind']]: Keeper<Kind> }
const keepers: Keepers = {
  sort: keepSort, order: keepOrder, slots: keepSlots, match: keepMatch, total: keepTotal, balance: keepBalance, expression: keepExpression, scale: keepScale,
  label: keepLabel, cover: keepCover, arrows: keepArrows, write: keepWrite, ink: keepInk, vote: keepVote, spectrum: keepSpectrum,
}

export interface Kept {
  readonly keys: readonly Key[]
  /** Pieces that lie on a border: the teacher is asked to put them more clearly; they are not in the key. */
  readonly unsure: readonly PieceId[]
}

/** The keys of one kind that a page shows once the task is done on it; ids of former keys are kept as far as they go. */
export function keepKeys(kind: Key['kind'], page: Page, state: SlateState, edition: Edition, newId: () => KeyId): Kept {
  const context = contextOn(page, state, edition)
  const former = edition.board.keys.filter(key => key.kind === kind && key.page === page.id)
  const bare = (keepers[kind] as (context: MarkContext, former: readonly Key[]) => object[])(context, former)
  return {
    keys: bare.map((key, i) => ({ ...key, kind, page: page.id, id: former[i]?.id ?? newId() }) as Key),
    unsure: context.placements.filter(p => p.shares.some(s => s.certainty === 'unsure')).map(p => p.piece),
  }
}
