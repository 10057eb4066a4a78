import { emptyBoard, type Board } from '../board/board'
import { MOST_PIECES } from '../board/sizes'
import type { KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import { keepKey } from './answers'
import { addCards, readWordList, type Ids } from './pieces'
import { addZone } from './places'

/** What parts the words of a list, in scripts whose comma isn't ours too: Arabic, Chinese, Japanese. */
const LIST_COMMAS = /[,;،؛，、；]/

export interface WordGroup {
  readonly heading: string
  readonly words: readonly string[]
}
export const MOST_GROUPS = 12

/**
 * Groups as teachers write them down: "Heading: word, word" on a line of its own, or columns from a spreadsheet with
 * the headings in the first row. A line without a colon is a word that no group is known for yet.
 */
export function readGroups(text: string): { groups: WordGroup[]; loose: string[] } {
  const lines = text
    .split(/\r\n|\r|\n/)
    .map(line => line.replace(/\s+$/, ''))
    .filter(line => line.trim())
  if (lines[0]?.includes('\t')) {
    const rows = lines.map(line => line.split('\t').map(cell => readWordList(cell).words[0] ?? ''))
    const groups = rows[0]!.map((heading, i) => ({
      heading: heading.slice(0, 80),
      words: rows.slice(1).flatMap(row => (row[i] ? [row[i]] : [])),
    }))
    return { groups: groups.filter(g => g.heading || g.words.length).slice(0, MOST_GROUPS), loose: [] }
  }
  const groups: WordGroup[] = []
  const loose: string[] = []
  for (const line of lines) {
    const [, heading, words] = /^([^:：]{1,80})[:：](.*)$/.exec(line) ?? []
    if (heading?.trim() && groups.length < MOST_GROUPS)
      groups.push({
        heading: heading.trim(),
        words: words!.split(LIST_COMMAS).flatMap(word => readWordList(word).words),
      })
    else loose.push(...readWordList(line).words)
  }
  return { groups, loose }
}

/**
 * A sort: a zone for each group, a card for each word, and the key that the groups say. Words without a group have no
 * answer yet. Words beyond what a page holds are left out.
 */
export function wordSort(
  title: string,
  { groups, loose }: ReturnType<typeof readGroups>,
  ids: Ids & { readonly place: () => PlaceId; readonly key: () => KeyId; readonly page: () => PageId },
): Board {
  const page = ids.page()
  const places = groups.map(() => ids.place())
  const empty = groups.reduce(
    (board, group, i) => addZone(board, page, places[i]!, group.heading),
    emptyBoard(title, page, 1),
  )
  const homeOf = groups.flatMap((group, i) => group.words.map(() => places[i]!))
  const words = [...groups.flatMap(group => group.words), ...loose].slice(0, MOST_PIECES)
  if (words.length === 0) return empty
  const board = addCards(empty, page, words, ids)
  const homes: Record<PieceId, PlaceId[]> = {}
  board.pages[0]!.pieces.forEach((piece, i) => {
    if (homeOf[i]) homes[piece.id] = [homeOf[i]]
  })
  return Object.keys(homes).length ? keepKey(board, { kind: 'sort', id: ids.key(), page, homes }) : board
}
