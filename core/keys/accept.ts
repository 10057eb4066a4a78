import type { Board } from '../board/board'
import { makeEdition, type Edition } from '../board/edition'
import type { KeyId, PieceId } from '../board/ids'
import type { SlateState } from '../slate/state'
import { withAlso } from './also'
import { contextOf, keyName, type MarkContext } from './context'
import type { Key } from './key'
import { kindOf } from './kinds'
import { markSlate } from './mark'

/**
 * The board with what was done about one item right as well: as another answer where the key's kind has several, else
 * by the teacher's word on what is said of it. Null where that can't be: it isn't clear what was done (on the line,
 * nothing there), or it is right already.
 */
export function acceptedToo(
  state: SlateState,
  edition: Edition,
  { key: id, item }: { readonly key: KeyId; readonly item: string },
): Board | null {
  const { board } = edition
  const key = board.keys.find(one => one.id === id)
  const context = key && contextOf(key, state, edition)
  const markOn = (over: Edition) =>
    markSlate(state, over)
      .find(mark => mark.key === id)
      ?.items.find(one => one.item === item)
  const mark = context && markOn(edition)
  if (!key || !mark || mark.verdict === 'right') return null
  for (const next of [asAnswer(key, context, item), withAlso(key, mark)]) {
    const made = next && { ...board, keys: board.keys.map(one => (one === key ? next : one)) }
    if (made && markOn(makeEdition(made))?.verdict === 'right') return made
  }
  return null
}

/** Of rings all homes hold at once: another region would be no second answer. */
function asAnswer(key: Key, context: MarkContext, item: string): Key | null {
  const { keep, alsoRight } = kindOf(key)
  const [kept] = keep(context, [key])
  if (!alsoRight || !kept || ('regions' in key && key.regions)) return null
  return alsoRight(key, { ...key, ...kept } as Key, keyName(item as PieceId))
}
