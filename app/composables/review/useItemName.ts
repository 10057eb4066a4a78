import type { Edition } from '~~/core/board/edition'
import type { FigureId, PieceId } from '~~/core/board/ids'
import type { ItemMark } from '~~/core/keys/outcome'

/** What a marked item is called. */
export function useItemName(edition: () => Edition) {
  const { t } = useWords()
  const names = useNames(edition)
  return function itemName({ item, is }: Pick<ItemMark, 'item' | 'is'>): string {
    switch (is) {
      case 'piece':
        return names.piece(item as PieceId)
      case 'figure':
        return names.figure(item as FigureId)
      case 'place':
        return names.spot(item)
      case 'key':
        return t('marks.arrows')
    }
  }
}
