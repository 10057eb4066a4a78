import type { Edition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { ItemMark } from '~~/core/keys/mark'

/** What a marked item is called: a piece by its name, a place by its heading, a cell by row and column as people count. */
export function useItemName(edition: () => Edition) {
  const { t } = useWords()
  return function itemName({ item, is }: Pick<ItemMark, 'item' | 'is'>): string {
    if (is === 'piece') return pieceName(edition().pieces.get(item as PieceId)!.piece)
    if (is === 'key') return t('marks.arrows')
    if (is === 'figure') return edition().board.pages.flatMap(page => page.backdrop.figures ?? []).find(f => f.id === item)?.text || t('marks.drawing')
    const [id, cell] = item.split(':')
    const place = edition().places.get(id as PlaceId)?.place
    const heading = place?.heading || t('stage.unnamedPlace')
    if (!cell) return heading
    const [row, column] = cell.split(',').map(n => Number(n) + 1)
    return place?.kind === 'gaps' ? t('stage.gap', { number: column ?? row! }) : t('marks.cell', { heading, row: row!, column: column! })
  }
}
