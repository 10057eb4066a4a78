import * as v from 'valibot'
import { isStorable } from './stored'

/**
 * Every text that comes from outside and is kept: so long at most, in UTF-16 units, and of characters that can be kept.
 */
export const storedText = (most: number) =>
  v.pipe(v.string(), v.maxLength(most), v.check(isStorable, "This text has characters that can't be kept"))
