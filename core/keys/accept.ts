import type { Board } from '../board/board'
import { makeEdition, type Edition } from '../board/edition'
import type { KeyId, PieceId } from '../board/ids'
import type { SlateState } from '../slate/state'
import { contextOf, keyName } from './context'
import type { Key } from './key'
import { kindOf } from './kinds'
import { markSlate } from './mark'

/**
 * The board with what was done about one item right as well. Null where that can't be: the key is of a kind that has
 * one answer to it, it isn't clear what was done (on the line, nothing there), or it is right already.
 */
export function acceptedToo(
  state: SlateState,
  edition: Edition,
  { key: id, item }: { readonly key: KeyId; readonly item: string },
): Board | null {
  const { board } = edition
  const key = board.keys.find(one => one.id === id)
  const context = key && contextOf(key, state, edition)
  if (!key || !context) return null
  const { keep, alsoRight } = kindOf(key)
  const [kept] = keep(context, [key])
  // Of rings all homes hold at once: another region would be no second answer.
  if (!alsoRight || !kept || ('regions' in key && key.regions)) return null
  const next = alsoRight(key, { ...key, ...kept } as Key, keyName(item as PieceId))
  const made = { ...board, keys: board.keys.map(one => (one === key ? next : one)) }
  const verdictOn = (over: Edition) =>
    markSlate(state, over)
      .find(mark => mark.key === id)
      ?.items.find(one => one.item === item)?.verdict
  return verdictOn(edition) !== 'right' && verdictOn(makeEdition(made)) === 'right' ? made : null
}
