import { SetShape } from '../../../../http/groupShapes'
import { requireRightOnClass } from '../../../../http/onClass'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { keepSet } from '../../../../usecases/groups'

export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  const set = await readJson(event, SetShape)
  const kept = await db.transaction().execute(trx => keepSet(trx, id, set, idParam(event, 'set')))
  if (!kept.ok) throw refusal(kept.reason)
  return kept.value
})
