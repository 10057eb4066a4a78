import * as v from 'valibot'
import { DecisionNameSchema } from '../../../../core/keys/mark'
import { requireRightOnHandout } from '../../../http/onHandout'
import { queryAs } from '../../../http/read'
import { answersOn } from '../../../usecases/answers'

/** What all students did about one item of a key. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  const { item } = queryAs(event, v.object({ item: DecisionNameSchema }))
  return answersOn(all, id, item)
})
