import { requireRightOnClass } from '../../../../http/onClass'
import { once } from '../../../../http/once'
import { SetShape } from '../../../../http/groupShapes'
import { readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { keepSet } from '../../../../usecases/groups'

/** A new named set of groups. */
export default defineEventHandler(async event => {
  const { id, actor } = await requireRightOnClass(event, 'class.change')
  const set = await readJson(event, SetShape)
  return once(event, actor.id, async trx => {
    const kept = await keepSet(trx, id, set)
    if (!kept.ok) throw refusal(kept.reason)
    return kept.value
  })
})
