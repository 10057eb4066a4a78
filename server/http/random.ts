import { randomInt } from 'node:crypto'
import type { Random } from '../../core/layout/random'

/** Chance that can't be foreseen: for codes, passwords and the ledges of new boards. */
export const unforeseen: Random = () => randomInt(2 ** 32) / 2 ** 32
