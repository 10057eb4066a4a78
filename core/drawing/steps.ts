import type { Step } from '../board/board'
import { breakLines } from '../text/lines'
import { lettering } from './lettering'
import { boxPath, circlePath, type Primitive } from './primitive'

const SIZE = 16
const BADGE = 15
const MOST_LINES = 3

/** A numbered part of a page with what is to be done in it; the one that is done now has the light on it. */
export function drawStep(step: Step, number: number, current: boolean): Primitive[] {
  const lines = breakLines(step.instructions, Math.max(60, step.width - 2 * BADGE - 20), SIZE).slice(0, MOST_LINES)
  const middle = { x: step.x + BADGE + 4, y: step.y + BADGE + 4 }
  return [
    {
      kind: 'path',
      d: boxPath(step, 8),
      ...(current && { fill: 'light' as const, opacity: 0.35 }),
      stroke: current ? { colour: 'lightEdge', width: 3 } : { colour: 'dot', width: 1.5 },
    },
    { kind: 'path', d: circlePath(middle, BADGE), fill: 'badge', stroke: { colour: 'badgeEdge', width: 1.5 } },
    ...lettering({ lines: [String(number)], ...middle, size: SIZE, fill: 'ink', bold: true, anchor: 'middle' }),
    ...lettering({ lines, x: step.x + 2 * BADGE + 12, y: middle.y, size: SIZE, fill: 'ink' }),
  ]
}
