import type { Verdict } from '../keys/outcome'
import type { Colour } from './palette'
import { circlePath, type Primitive } from './primitive'

/** What a student is shown instead of "wrong". */
export type Sign = Verdict | 'again'
export const kindSign = (verdict: Verdict): Sign => (verdict === 'wrong' ? 'again' : verdict)

/** The sign for each verdict, drawn around the origin: told by shape first, by colour as well. */
const SIGNS: Record<Sign, { readonly path: string; readonly fill: Colour; readonly ink: Colour }> = {
  right: { path: 'M-5 0.5L-1.5 4L5 -3.5', fill: 'right', ink: 'ground' },
  wrong: { path: 'M-4 -4L4 4M4 -4L-4 4', fill: 'wrong', ink: 'ground' },
  again: { path: 'M3.8 -3.2A5 5 0 1 0 5 1M4.6 -6V-2.6H1.2', fill: 'badge', ink: 'ink' },
  'on-the-line': {
    path: 'M0 -6V-2.5M0 2.5V6M2.5 0A2.5 2.5 0 1 1 -2.5 0A2.5 2.5 0 1 1 2.5 0',
    fill: 'unsure',
    ink: 'badgeEdge',
  },
  noted: { path: 'M-4 -3H4M-4 0H4M-4 3H1', fill: 'quiet', ink: 'join' },
  'not-placed': { path: 'M-4 0H4', fill: 'quiet', ink: 'join' },
}

/** With an edge in white over a board, or in grey beside one. */
export function drawSign(sign: Sign, edge: 'over' | 'beside' = 'over'): Primitive[] {
  const { path, fill, ink } = SIGNS[sign]
  return [
    {
      kind: 'path',
      d: circlePath({ x: 0, y: 0 }, 11),
      fill,
      stroke: edge === 'over' ? { colour: 'ground', width: 2 } : { colour: 'outline', width: 1 },
    },
    { kind: 'path', d: path, stroke: { colour: ink, width: 3, ends: 'round', corners: 'round' } },
  ]
}
