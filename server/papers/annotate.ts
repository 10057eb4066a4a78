import type { Edition } from '../../core/board/edition'
import type { Page } from '../../core/board/board'
import { onScreen } from '../../core/drawing/palette'
import type { MarginInk, MarginItem } from '../../core/margin/item'
import { anchorOf, pinnedItems, stillAsks } from '../../core/margin/pinned'
import { spotOf } from '../../core/margin/spot'
import { bounds } from '../../core/geometry/outline'
import type { Point } from '../../core/geometry/shape'
import type { SlateState } from '../../core/slate/state'
import type { Spot } from './pdf'

export interface MarginOnPaper {
  readonly margin: readonly { readonly id: string; readonly item: MarginItem; readonly at: Date }[]
  readonly edition: Edition
  readonly page: Page
  readonly state: SlateState
  /** Who wrote it. */
  readonly author: string
}
/** Seen on paper as well as on the screen (ISO 32000-1, 12.5.3). */
const PRINTED = 1 << 2
const NOTE_SIDE = 20
const TICK: readonly Point[] = [
  { x: -11, y: 1 },
  { x: -4, y: 9 },
  { x: 11, y: -12 },
]

/**
 * What a teacher left on a page as annotations that other programs list, move and answer (ISO 32000-1, 12.5.6): ink,
 * highlights and notes, with author and date. They lie over the sheet that was begun last; `spot` says where its page
 * is.
 */
export function annotate(pdf: PDFKit.PDFDocument, spot: Spot, given: MarginOnPaper): void {
  const { margin, edition, page, state, author } = given
  const { height } = pdf.page
  const onSheet = ({ x, y }: Point): Point => ({ x: spot.x + x * spot.scale, y: spot.y + y * spot.scale })
  /** Coordinates of a PDF go up from the foot of the sheet. */
  const flat = (points: readonly Point[]) => points.map(onSheet).flatMap(({ x, y }) => [x, height - y])
  const add = (
    points: readonly Point[],
    { id, at, says, ...more }: { id: string; at: Date; says: string; Subtype: string; [name: string]: unknown },
  ) => {
    const { x, y, width, height: tall } = bounds(points.map(onSheet))
    pdf.annotate(x, y, width, tall, {
      F: PRINTED,
      NM: new String(id),
      T: new String(author),
      M: at,
      color: onScreen('margin'),
      ...(says && { Contents: new String(says) }),
      ...more,
    } as never)
  }
  for (const { id, item, at } of margin) {
    if (item.page !== page.id) continue
    if (item.kind === 'ink') {
      const points = item.points.map(([x, y]) => ({ x, y }))
      if (item.tip === 'highlighter') add(points, { id, at, says: '', ...highlight(points, flat) })
      else
        add(points, { id, at, says: '', Subtype: 'Ink', InkList: [flat(twice(points))], BS: { W: PEN * spot.scale } })
    }
    if (item.kind === 'tick') {
      const middle = spotOf(item.at, { page, edition, state })
      const points = middle && TICK.map(({ x, y }) => ({ x: middle.x + x, y: middle.y + y }))
      if (points)
        add(points, { id, at, says: '✓', Subtype: 'Ink', InkList: [flat(points)], BS: { W: PEN * spot.scale } })
    }
  }
  const when = new Map(margin.map(({ id, at }) => [id, at]))
  for (const { id, number, item } of pinnedItems(margin)) {
    const middle = item.page === page.id && stillAsks(item, state) && spotOf(anchorOf(item), { page, edition, state })
    if (!middle) continue
    const half = NOTE_SIDE / 2
    const box = [
      { x: middle.x - half, y: middle.y - half },
      { x: middle.x + half, y: middle.y + half },
    ]
    add(box, {
      id,
      at: when.get(id)!,
      says: `${number}. ${saying(item)}`,
      Subtype: 'Text',
      Name: 'Comment',
      Open: false,
    })
  }
}

/** As wide as the middle of a stroke is on the screen. */
const PEN = 3
/** A dot is a line too. */
const twice = (points: readonly Point[]) => (points.length === 1 ? [points[0]!, points[0]!] : points)

/** A highlighter's stroke marks what lies in its box, in the order of corners that readers want (12.5.6.10). */
function highlight(points: readonly Point[], flat: (points: readonly Point[]) => number[]) {
  const { x, y, width, height } = bounds(points)
  const [left, right, top, foot] = [x, x + width, y - HALF_TIP, y + height + HALF_TIP]
  const corners = [
    { x: left, y: top },
    { x: right, y: top },
    { x: left, y: foot },
    { x: right, y: foot },
  ]
  return { Subtype: 'Highlight', QuadPoints: flat(corners), color: onScreen('marginLight'), CA: 0.35 }
}
const HALF_TIP = 10

function saying(item: Exclude<MarginItem, MarginInk | { kind: 'tick' }>): string {
  switch (item.kind) {
    case 'note':
      return item.text
    case 'spoken':
      return 'A spoken note'
    case 'flag':
      return 'Look again: is this where it belongs?'
    case 'second-thought':
      return item.why || 'Set aside for second thoughts'
  }
}
