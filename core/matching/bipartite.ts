/**
 * A largest set of pairs in which nobody appears twice: `fits[i]` lists the right sides that left side i may take.
 * Gives for each left side its partner, or null. Augmenting paths (Kuhn 1955; König's theorem of 1931 says that they
 * find a largest matching). Ties go to the earlier left side and the earlier listed partner.
 */
export function matching<Right>(fits: readonly (readonly Right[])[]): (Right | null)[] {
  const partnerOf = new Map<Right, number>()
  const tryToPlace = (left: number, seen: Set<Right>): boolean =>
    fits[left]!.some(right => {
      if (seen.has(right)) return false
      seen.add(right)
      const holder = partnerOf.get(right)
      if (holder !== undefined && !tryToPlace(holder, seen)) return false
      partnerOf.set(right, left)
      return true
    })
  fits.forEach((_, left) => tryToPlace(left, new Set()))
  const result: (Right | null)[] = fits.map(() => null)
  for (const [right, left] of partnerOf) result[left] = right
  return result
}
