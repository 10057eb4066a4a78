import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { KeyId, PieceId } from '../board/ids'
import type { SlateState } from '../slate/state'
import { contextOn } from './context'
import { keysOn, type Key, type KeyKind } from './key'
import { kindOf } from './kinds'

export interface Kept {
  readonly keys: readonly Key[]
  /** Pieces that lie on a border: the teacher is asked to put them more clearly; they are not in the key. */
  readonly unsure: readonly PieceId[]
}

/**
 * The keys of one kind that a page shows once the task is done on it; ids of former keys are kept as far as they go.
 */
export function keysByDoing({
  kind,
  page,
  state,
  edition,
  newId,
}: {
  readonly kind: KeyKind
  readonly page: Page
  readonly state: SlateState
  readonly edition: Edition
  readonly newId: () => KeyId
}): Kept {
  const context = contextOn(page, state, edition)
  const former: Key[] = keysOn(edition.board.keys, page.id, kind)
  return {
    keys: kindOf<Key>({ kind })
      .keep(context, former)
      .map((key, i) => ({ ...key, kind, page: page.id, id: former[i]?.id ?? newId() }) as Key),
    unsure: context.placements.filter(p => p.shares.some(s => s.certainty === 'unsure')).map(p => p.piece),
  }
}
