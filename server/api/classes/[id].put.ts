import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { requireRightOnClass } from '../../http/onClass'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { changeClass } from '../../usecases/classes'

const Change = v.strictObject({
  name: v.optional(v.pipe(storedText(60), v.trim(), v.minLength(1))),
  putAway: v.optional(v.boolean()),
})

/** A class is renamed, put away or taken back. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const changed = await changeClass(all, id, await readJson(event, Change))
  if (!changed.ok) throw refusal(changed.reason)
  return {}
})
