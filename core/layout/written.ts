import type { Page } from '../board/board'
import { isBlank } from '../board/whatPlacesTake'
import type { Box } from '../geometry/shape'
import { layoutGaps } from './gaps'
import { HEADING_SIZE, headingBox } from './headingBox'

/** One spot where students type: a writing space, a typed gap, or the heading of a blank zone. */
export interface Spot {
  /** What the text is kept under. */
  readonly name: string
  readonly kind: 'space' | 'gap' | 'heading'
  readonly box: Box
  readonly textSize: number
  readonly lines: 'one' | 'many' | 'number'
  readonly heading: string
  /** Of a gap, from 1. */
  readonly number: number
}

/** All spots of a page in the order of its places. */
export function writtenSpots(page: Page): Spot[] {
  return page.places.flatMap((place): Spot[] => {
    const common = { heading: place.heading, number: 0, lines: 'one' as const }
    if (isBlank(place))
      return [{ ...common, name: place.id, kind: 'heading', box: headingBox(place, page), textSize: HEADING_SIZE }]
    if (place.kind === 'writing')
      return [
        { ...common, name: place.id, kind: 'space', box: place.shape, textSize: place.textSize, lines: place.lines },
      ]
    if (place.kind !== 'gaps' || !place.typed) return []
    const { gaps, textSize } = layoutGaps(place)
    return gaps.map((box, i) => ({ ...common, name: `${place.id}:${i}`, kind: 'gap', box, textSize, number: i + 1 }))
  })
}
