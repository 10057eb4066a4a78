/** a, b, c, d, e, f as SVG 2 (8.4) has them: x' = ax + cy + e, y' = bx + dy + f. */
export type Matrix = readonly [number, number, number, number, number, number]
const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0]

/** First the second, then the first, as nested elements lie in each other. */
export const times = ([a, b, c, d, e, f]: Matrix, [A, B, C, D, E, F]: Matrix): Matrix => [
  a * A + c * B,
  b * A + d * B,
  a * C + c * D,
  b * C + d * D,
  a * E + c * F + e,
  b * E + d * F + f,
]
export const at = ([a, b, c, d, e, f]: Matrix, x: number, y: number) => ({ x: a * x + c * y + e, y: b * x + d * y + f })

/** Nothing is turned or slanted by it. */
export const isStraight = ([, b, c]: Matrix): boolean => Math.abs(b) < 1e-9 && Math.abs(c) < 1e-9
/** Degrees clockwise. */
export const turnOf = ([a, b]: Matrix): number => (Math.atan2(b, a) * 180) / Math.PI
/** By how much lengths grow, on the whole. */
export const growth = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c))

const MOST = 50
/** Of a list, in letters: what is longer moves nothing any more. */
const LONGEST = 2000
const rad = (degrees: number) => (degrees * Math.PI) / 180
/** A list of transforms as an attribute writes it; from the first that can't be read on, nothing. */
export function readTransform(written: string | undefined): Matrix {
  let all = IDENTITY
  for (const [, name, list] of [...(written ?? '').slice(0, LONGEST).matchAll(/(\w+)\s*\(([^)]*)\)/g)].slice(0, MOST)) {
    const n = list!
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number)
    const one = n.every(Number.isFinite) ? matrixOf(name!, n) : null
    if (!one) return all
    all = times(all, one)
  }
  return all
}

function matrixOf(name: string, n: readonly number[]): Matrix | null {
  const [first = 0, second] = n
  switch (name) {
    case 'matrix':
      return n.length === 6 ? (n as unknown as Matrix) : null
    case 'translate':
      return [1, 0, 0, 1, first, second ?? 0]
    case 'scale':
      return [first, 0, 0, second ?? first, 0, 0]
    case 'rotate': {
      const [cos, sin] = [Math.cos(rad(first)), Math.sin(rad(first))]
      const turn: Matrix = [cos, sin, -sin, cos, 0, 0]
      const [x, y] = [n[1] ?? 0, n[2] ?? 0]
      return times(times([1, 0, 0, 1, x, y], turn), [1, 0, 0, 1, -x, -y])
    }
    case 'skewX':
      return [1, 0, Math.tan(rad(first)), 1, 0, 0]
    case 'skewY':
      return [1, Math.tan(rad(first)), 0, 1, 0, 0]
    default:
      return null
  }
}
