import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'
import type { Whereabouts } from '~~/core/placement/whatMoved'
import type { SlateState } from '~~/core/slate/state'

/** Pieces and where they lie, in words, whatever page they are on; what the board calls them is marked. */
export function useWhereabouts(edition: () => Edition) {
  const { t } = useWords()
  const { headingTold } = useHeadings()
  const nameOf = (piece: PieceId, state: SlateState) =>
    boardWords(state.texts[piece] || pieceName(edition().pieces.get(piece)!.piece))
  function whereIs(at: Whereabouts, state: SlateState): string {
    if (at === 'ledge') return t('stage.onLedge')
    if (at === 'outside') return t('stage.outside')
    const there = [...edition().places.values()].filter(({ place }) => at.includes(place.id))
    const headings = there.map(({ place, page }) => headingTold(place, page, state.texts))
    return t('stage.inPlace', { place: headings.join(t('stage.and')) })
  }
  return { nameOf, whereIs }
}
