import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { isBlank } from '~~/core/board/whatPlacesTake'

/** By which number, counted from 1, a place is told apart from those of its kind on the page. */
export const placeNumber = (place: Place, page: Pick<Page, 'places'>) =>
  page.places.filter(other => other.kind === place.kind).indexOf(place) + 1

/** What places are called: as is written over them, or by their kind and number, so that no two are called the same. */
export function useHeadings() {
  const { t } = useWords()
  const numbered = (place: Place, page: Pick<Page, 'places'>) =>
    t(`stage.nth.${place.kind}`, { number: placeNumber(place, page) })
  const headingOf = (place: Place, page: Pick<Page, 'places'>, texts: Readonly<Record<string, string>> = {}) =>
    (isBlank(place) && texts[place.id]) || place.heading || numbered(place, page)
  /** What the board calls it is marked as the board's words; kind and number are not. */
  function headingTold(place: Place, page: Pick<Page, 'places'>, texts: Readonly<Record<string, string>> = {}) {
    const called = headingOf(place, page, texts)
    return called === numbered(place, page) ? called : boardWords(called)
  }
  return { headingOf, headingTold, numbered }
}
