import type { Edition } from '../board/edition'
import type { Page } from '../board/board'
import { inkPath } from '../drawing/ink'
import type { Point } from '../geometry/shape'
import { anchorOf } from '../margin/pinned'
import type { MarginItem } from '../margin/item'
import { spotOf } from '../margin/spot'
import type { SlateState } from '../slate/state'
import { itemBox } from '../layout/itemBox'

interface Given {
  /** The slate's own id. */
  readonly slate: string
  readonly edition: Edition
  readonly state: SlateState
  readonly margin: readonly { readonly id: string; readonly item: MarginItem; readonly at: string }[]
  readonly author: string
}

/** As the W3C has it: Web Annotation Data Model, Recommendation of 23 February 2017. */
export interface AnnotationPage {
  readonly '@context': 'http://www.w3.org/ns/anno.jsonld'
  readonly id: string
  readonly type: 'AnnotationPage'
  readonly items: readonly object[]
}

/**
 * Why each kind is written (3.3.5): words are comments, a tick assesses, what is to be looked at again is a question.
 */
const MOTIVATIONS = {
  ink: 'commenting',
  note: 'commenting',
  spoken: 'commenting',
  tick: 'assessing',
  flag: 'questioning',
  'second-thought': 'questioning',
} as const satisfies Record<MarginItem['kind'], string>

const PEN = 5
const HIGHLIGHTER = 20
/** A spot is as large as a sign there. */
const SPOT = 24

/**
 * A slate's margin as annotations that point into its pages: what is drawn by its outline (SvgSelector), all else by a
 * box of it, in hundredths of the page (Media Fragments URI 1.0). What is about something that isn't there any more
 * points at the page.
 */
export function webAnnotations({ slate, edition, state, margin, author }: Given): AnnotationPage {
  const source = (page: string) => `urn:dappled-slate:slate:${slate}:page:${page}`
  return {
    '@context': 'http://www.w3.org/ns/anno.jsonld',
    id: `urn:dappled-slate:slate:${slate}:margin`,
    type: 'AnnotationPage',
    items: margin.map(({ id, item, at }) => {
      const page = edition.board.pages.find(one => one.id === item.page)
      const selector = page && selectorOf(item, { page, edition, state })
      const words = wordsOf(item)
      return {
        id: `urn:uuid:${id}`,
        type: 'Annotation',
        motivation: item.kind === 'ink' && item.tip === 'highlighter' ? 'highlighting' : MOTIVATIONS[item.kind],
        created: at,
        creator: { type: 'Person', name: author },
        ...(words && {
          body: {
            type: 'TextualBody',
            value: words,
            format: 'text/plain',
            language: edition.board.language ?? 'en-GB',
          },
        }),
        target: selector ? { source: source(item.page), selector } : source(item.page),
      }
    }),
  }
}

function wordsOf(item: MarginItem): string {
  if (item.kind === 'note') return item.text
  return item.kind === 'second-thought' ? item.why : ''
}

interface Seen {
  readonly page: Page
  readonly edition: Edition
  readonly state: SlateState
}

function selectorOf(item: MarginItem, seen: Seen): object | null {
  const { page } = seen
  if (item.kind === 'ink') {
    const d = inkPath(
      item.points.map(([x, y]) => [x, y]),
      item.tip === 'highlighter' ? HIGHLIGHTER : PEN,
    )
    const size = `viewBox="0 0 ${page.width} ${page.height}"`
    return { type: 'SvgSelector', value: `<svg xmlns="http://www.w3.org/2000/svg" ${size}><path d="${d}"/></svg>` }
  }
  const anchor = anchorOf(item)
  const box = anchor.to === 'place' ? itemBox(anchor.place, page) : null
  const spot: Point | null = box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : spotOf(anchor, seen)
  if (!spot) return null
  const { width, height } = box ?? { width: SPOT, height: SPOT }
  const part = (at: number, of: number) => Math.round(Math.min(100, Math.max(0, (100 * at) / of)) * 100) / 100
  const value = [
    part(spot.x - width / 2, page.width),
    part(spot.y - height / 2, page.height),
    part(width, page.width),
    part(height, page.height),
  ]
  return {
    type: 'FragmentSelector',
    conformsTo: 'http://www.w3.org/TR/media-frags/',
    value: `xywh=percent:${value.join(',')}`,
  }
}
