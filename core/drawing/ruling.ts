import type { Page } from '../board/board'
import { ruled, type RuledLine } from '../layout/ruling'
import { baselineShift } from '../text/measure'
import { polyline, to3, type Primitive, type Stroke } from './primitive'

const NUMBER_SIZE = 9

/** The ruling of a page, true to size: what the layout says is printed there. */
export function drawRuling({ backdrop, ...page }: Page): Primitive[] {
  const print = ruled(backdrop.ruling, page)
  const lines = (which: (line: RuledLine) => boolean, stroke: Stroke): Primitive[] => {
    const d = print.lines
      .filter(which)
      .map(({ from, to }) => polyline([from, to]))
      .join('')
    return d ? [{ kind: 'path', d, stroke }] : []
  }
  const dots = print.dots.map(({ x, y }) => `M${to3(x)} ${to3(y)}h0`).join('')
  return [
    ...lines(line => !line.strong && !line.dashed, { colour: 'ruling', width: 1 }),
    ...lines(line => line.dashed === true, { colour: 'ruling', width: 1, dash: [5, 4] }),
    ...lines(line => line.strong === true, { colour: 'faint', width: 1.5 }),
    ...(dots
      ? [{ kind: 'path' as const, d: dots, stroke: { colour: 'dot' as const, width: 2.4, ends: 'round' as const } }]
      : []),
    ...print.numbers.map(({ at, text }) => ({
      kind: 'text' as const,
      text,
      x: at.x,
      y: at.y + baselineShift(NUMBER_SIZE),
      size: NUMBER_SIZE,
      anchor: 'middle' as const,
      fill: 'join' as const,
    })),
  ]
}
