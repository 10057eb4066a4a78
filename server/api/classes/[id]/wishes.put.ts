import * as v from 'valibot'
import { StudentIds } from '../../../../core/contract/fields'
import { requireRightOnClass } from '../../../http/onClass'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { keepWishes, MOST_WISHES } from '../../../usecases/groups'

const Wishes = v.object({
  wishes: v.pipe(
    v.array(
      v.object({
        kind: v.picklist(['together', 'apart']),
        students: v.pipe(StudentIds, v.minLength(2), v.maxLength(20)),
      }),
    ),
    v.maxLength(MOST_WISHES),
  ),
})

export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  const kept = await keepWishes(db, id, (await readJson(event, Wishes)).wishes)
  if (!kept.ok) throw refusal(kept.reason)
  return {}
})
