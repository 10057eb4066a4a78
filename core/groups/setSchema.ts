import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { MOST_GROUPS } from './marks'

const named = (longest: number) => v.pipe(storedText(longest), v.trim(), v.minLength(1))

/** A named set of groups, in which students are named in this way: by their ids, or by their numbers in a list. */
export const setSchema = <Students extends v.GenericSchema>(students: Students) =>
  v.object({
    name: named(60),
    groups: v.pipe(
      v.array(v.object({ name: named(40), mark: v.pipe(storedText(20), v.regex(/^[a-z]+(-\d+)?$/)), students })),
      v.minLength(1),
      v.maxLength(MOST_GROUPS),
    ),
  })
