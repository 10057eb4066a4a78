import type { Board } from '../board/board'
import type { KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import type { MatchKey } from '../keys/match/key'
import { readTable } from '../text/table'
import { keepKey } from './answers'
import { requirePage } from './lookup'
import { addCards, readWordList, type Ids, type WordList } from './pieces'

export interface Columns extends Omit<WordList, 'words'> {
  readonly rows: readonly (readonly string[])[]
}

/**
 * Rows pasted from a spreadsheet: cells between tabs. A row that is empty is passed over, so is an empty cell; the
 * longest row has at most four cells that count. Text without any tab is one column.
 */
export function readColumns(text: string, room: number): Columns {
  const { rows: table } = readTable(text, text.includes('\t') ? '\t' : null)
  const lines = table.map(({ cells }) =>
    cells.slice(0, MOST_COLUMNS).flatMap(cell => readWordList(cell.replaceAll('\n', ' ')).words),
  )
  const rows: string[][] = []
  let count = 0
  for (const row of lines.filter(cells => cells.length)) {
    if (count + row.length > room) break
    rows.push(row)
    count += row.length
  }
  const all = lines.filter(cells => cells.length)
  const long = readWordList(text.replaceAll('\t', '\n'), Infinity)
  return { rows, cut: long.cut, left: all.length - rows.length }
}
const MOST_COLUMNS = 4

/** Whether rows are more than a list of words. */
export const isTable = ({ rows }: Columns) => rows.some(row => row.length > 1)

/** Where cards are brought together on a page: in a row of its grids, if it has any; none: wherever they touch. */
export const togetherIn = (board: Board, pageId: PageId): PlaceId[] =>
  requirePage(board, pageId).places.flatMap(place => (place.kind === 'grid' && place.columns > 1 ? [place.id] : []))

/** Cards for all cells, and a key that says what belongs together: each row with more than one cell. */
export function addSets(
  board: Board,
  pageId: PageId,
  rows: readonly (readonly string[])[],
  ids: Ids & { readonly key: () => KeyId },
): Board {
  const cards = addCards(board, pageId, rows.flat(), ids)
  const made = cards.pages
    .find(p => p.id === pageId)!
    .pieces.slice(-rows.flat().length)
    .map(piece => piece.id)
  let next = 0
  const sets = rows.map(row => row.map((): PieceId => made[next++]!)).filter(set => set.length > 1)
  if (sets.length === 0) return cards
  const former = cards.keys.find((key): key is MatchKey => key.kind === 'match' && key.page === pageId)
  return keepKey(
    cards,
    former
      ? { ...former, sets: [...former.sets, ...sets] }
      : { kind: 'match', id: ids.key(), page: pageId, sets, where: togetherIn(cards, pageId) },
  )
}
