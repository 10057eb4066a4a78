/** A shape, from -1 to 1, for each piece of a scale, so that nothing hangs on colour; the fifth has the first again. */
const SHAPES = [
  { fill: '#1f6b45', path: 'M-1 0a1 1 0 1 1 2 0a1 1 0 1 1 -2 0z' },
  { fill: '#8f6408', path: 'M-.9 -.9h1.8v1.8h-1.8z' },
  { fill: '#8a2340', path: 'M0 -1L1 .9H-1z' },
  { fill: '#1d2526', path: 'M0 -1L1 0L0 1L-1 0z' },
] as const
export const dotShape = (turn: number) => SHAPES[turn % SHAPES.length]!
