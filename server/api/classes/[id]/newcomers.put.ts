import * as v from 'valibot'
import { storedText } from '../../../../core/text/storedText'
import { requireRightOnClass } from '../../../http/onClass'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { keepAsClass, setDoor } from '../../../usecases/newcomers'

const Change = v.variant('to', [
  v.strictObject({ to: v.literal('open') }),
  v.strictObject({ to: v.literal('closed') }),
  v.strictObject({ to: v.literal('kept'), name: v.pipe(storedText(60), v.trim(), v.minLength(1)) }),
])

/** Opens or closes the code by which whoever comes is in, or keeps who came as a class. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const change = await readJson(event, Change)
  if (change.to !== 'kept') {
    if (!(await setDoor(all, id, change.to))) throw refusal('not-found')
    return {}
  }
  const kept = await keepAsClass(all, id, change.name)
  if (!kept.ok) throw refusal(kept.reason)
  return {}
})
