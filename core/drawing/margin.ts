import type { InkTip, MarginInk, PinnedItem } from '../margin/item'
import { inkPath } from './ink'
import { lettering } from './lettering'
import type { Primitive } from './primitive'

const WIDTHS = { pen: 5, highlighter: 20 } as const satisfies Record<InkTip, number>

/**
 * A stroke of the teacher's, in the colour that belongs to the margin alone. A highlighter is as broad everywhere,
 * however it is pressed.
 */
export function drawMarginInk(points: MarginInk['points'], tip: InkTip = 'pen'): Primitive[] {
  const d = inkPath(tip === 'pen' ? points : points.map(([x, y]) => [x, y]), WIDTHS[tip])
  return [
    tip === 'pen'
      ? { kind: 'path', d, fill: 'margin' }
      : { kind: 'path', d, fill: 'marginLight', opacity: 0.35, multiply: true },
  ]
}

const TICK = 'M-11 1l7 8L11 -12'
/** A tick around the origin, with a light rim so that it is seen on everything. */
export const drawMarginTick = (): Primitive[] => [
  { kind: 'path', d: TICK, stroke: { colour: 'ground', width: 8, ends: 'round', corners: 'round' } },
  { kind: 'path', d: TICK, stroke: { colour: 'margin', width: 4.5, ends: 'round', corners: 'round' } },
]

/**
 * The sign of what is pinned, around the origin: a note speaks, and sounds where it is spoken; what is to be looked at
 * again has an eye.
 */
export function drawPinned(kind: PinnedItem['kind'], number: number): Primitive[] {
  const rim = { colour: 'ground', width: 1.5 } as const
  const drawn: readonly Primitive[] =
    kind === 'note' || kind === 'spoken'
      ? [{ kind: 'path', d: 'M-11 -11h22a3 3 0 0 1 3 3v14a3 3 0 0 1 -3 3h-14l-8 8Z', fill: 'margin', stroke: rim }]
      : [
          { kind: 'path', d: 'M-17 0Q0 -23 17 0Q0 23 -17 0Z', fill: 'margin', stroke: rim },
          {
            kind: 'path',
            d: 'M-12 -9l-4 -5M0 -13v-6M12 -9l4 -5',
            stroke: { colour: 'margin', width: 2.5, ends: 'round' },
          },
        ]
  const sound: readonly Primitive[] =
    kind === 'spoken'
      ? [
          {
            kind: 'path',
            d: 'M19 -6Q23 0 19 6M24 -10Q31 0 24 10',
            stroke: { colour: 'margin', width: 2.5, ends: 'round' },
          },
        ]
      : []
  return [
    ...drawn,
    ...sound,
    ...lettering({ lines: [String(number)], x: 1, y: -0.575, size: 14, fill: 'ground', bold: true, anchor: 'middle' }),
  ]
}
