import { pieceName } from '~~/core/board/pieceName'
import type { Edition } from '~~/core/board/edition'
import type { Anchor } from '~~/core/margin/item'

/** What something in the margin is about, in words. */
export function useAnchors(edition: () => Edition, texts: () => Readonly<Record<string, string>> = () => ({})) {
  const { t } = useWords()
  const { headingOf } = useHeadings()
  return {
    /** A piece or a place that a correction took away is nobody's to look at. */
    isThere: (anchor: Anchor): boolean =>
      anchor.to === 'spot'
      || (anchor.to === 'piece' ? edition().pieces.get(anchor.piece) : edition().places.get(anchor.place))
        !== undefined,
    nameOf(anchor: Anchor): string {
      if (anchor.to === 'spot') return t('margin.thePage')
      if (anchor.to === 'piece') return pieceName(edition().pieces.get(anchor.piece)!.piece)
      const { place, page } = edition().places.get(anchor.place)!
      return headingOf(place, page, texts())
    },
  }
}
