import * as v from 'valibot'
import { MOST_GROUPS } from '../../core/groups/marks'
import { MOST_STUDENTS } from '../../core/roster/classList'
import { storedText } from '../../core/text/storedText'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
export const StudentIds = v.pipe(v.array(Id), v.maxLength(MOST_STUDENTS))
export const SetShape = v.object({
  name: v.pipe(storedText(60), v.trim(), v.minLength(1)),
  groups: v.pipe(
    v.array(
      v.object({
        name: v.pipe(storedText(40), v.trim(), v.minLength(1)),
        mark: v.pipe(storedText(20), v.regex(/^[a-z]+(-\d+)?$/)),
        students: StudentIds,
      }),
    ),
    v.minLength(1),
    v.maxLength(MOST_GROUPS),
  ),
})
