/** Beyond this many pieces on the edge their readings aren't tried one by one. */
const MOST_UNSURE = 10

/**
 * Whether some choice of what lies on an edge, none and all included, holds; so that a piece on the edge makes a
 * verdict doubtful only where it really hangs on it. With more pieces than can be tried it is taken to be so.
 */
export function someReading<T>(unsure: readonly T[], holds: (meant: readonly T[]) => boolean): boolean {
  if (unsure.length > MOST_UNSURE) return true
  return Array.from({ length: 2 ** unsure.length }, (_, bits) => unsure.filter((_, i) => bits & (2 ** i))).some(holds)
}
