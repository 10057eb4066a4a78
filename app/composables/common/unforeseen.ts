import type { Random } from '~~/core/layout/random'

/** Chance that nobody can foresee. */
export const unforeseen: Random = () => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32
