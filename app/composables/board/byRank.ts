/**
 * Compares by the rank that each name has, the lowest first. A name that is forgotten among the ranks doesn't compile.
 */
export const byRank =
  <Name extends string>(ranks: { readonly [name in Name]: number }) =>
  (a: Name, b: Name) =>
    ranks[a] - ranks[b]
