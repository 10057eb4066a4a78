import * as v from 'valibot'
import { LEVEL_LONGEST, NAME_LONGEST } from '../../../../../../core/roster/classList'
import { hasLetter, tidy } from '../../../../../../core/roster/names'
import { storedText } from '../../../../../../core/text/storedText'
import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { changeStudent } from '../../../../../usecases/classes'

const Change = v.strictObject({
  name: v.optional(v.pipe(storedText(NAME_LONGEST), v.transform(tidy))),
  preferred: v.optional(v.pipe(storedText(NAME_LONGEST), v.transform(tidy))),
  level: v.optional(v.pipe(storedText(LEVEL_LONGEST), v.transform(tidy))),
})

/** A student's name, preferred name or level, changed by hand. An empty one is none. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const change = await readJson(event, Change)
  if (change.name !== undefined && !hasLetter(change.name)) throw refusal('bad-name')
  const changed = await changeStudent(all, id, idParam(event, 'student'), change)
  if (!changed.ok) throw refusal(changed.reason)
  return {}
})
