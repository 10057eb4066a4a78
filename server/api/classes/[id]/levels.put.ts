import * as v from 'valibot'
import { LEVEL_LONGEST, MOST_STUDENTS } from '../../../../core/roster/classList'
import { storedText } from '../../../../core/text/storedText'
import { requireRightOnClass } from '../../../http/onClass'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { orderLevels } from '../../../usecases/classes'

const Order = v.object({ levels: v.pipe(v.array(storedText(LEVEL_LONGEST)), v.maxLength(MOST_STUDENTS)) })

/** The levels of a class in their order, from the lowest: what mixed and like groups go by. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  const { levels } = await readJson(event, Order)
  if (!(await orderLevels(db, id, levels))) throw refusal('changed-elsewhere')
  return {}
})
