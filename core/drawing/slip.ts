import { NOTE_PADDING, NOTE_SPINE } from '../layout/fitWords'
import type { Box } from '../geometry/shape'
import { LINE_HEIGHT } from '../text/measure'
import { lettering } from './lettering'
import type { Colour } from './palette'
import { boxPath, type Primitive, type Stroke } from './primitive'

const ROUND = 4

/** The paper of every note, whoever laid it: a slip with a spine in the colour that it has or was given. */
export function drawSlip(box: Box, spine: Colour, edge: Stroke, lifted = false): Primitive[] {
  return [
    {
      kind: 'path',
      d: boxPath({ ...box, y: box.y + (lifted ? 5 : 2) }, ROUND),
      fill: 'shadow',
      opacity: lifted ? 0.18 : 0.25,
    },
    { kind: 'path', d: boxPath(box, ROUND), fill: 'slip' },
    { kind: 'path', d: boxPath({ ...box, width: NOTE_SPINE }, ROUND), fill: spine },
    { kind: 'path', d: boxPath(box, ROUND), stroke: edge },
  ]
}

/** Words on a slip begin beside its spine, at its top. */
export const wordsOnSlip = (box: Box, { lines, size }: { lines: readonly string[]; size: number }): Primitive[] =>
  lettering({
    lines,
    x: box.x + NOTE_SPINE + NOTE_PADDING,
    y: box.y + NOTE_PADDING + (size * LINE_HEIGHT) / 2,
    size,
    fill: 'ink',
  })
