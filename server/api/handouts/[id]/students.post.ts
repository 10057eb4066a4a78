import * as v from 'valibot'
import { MOST_STUDENTS } from '../../../../core/roster/classList'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { giveToMore } from '../../../usecases/giveOut'

const More = v.object({
  students: v.pipe(v.array(v.pipe(v.string(), v.uuid(), v.toLowerCase())), v.minLength(1), v.maxLength(MOST_STUDENTS)),
})

/** Gives a handout to more students of its class. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'slate.members')
  const { students } = await readJson(event, More)
  const given = await giveToMore(all, id, students)
  if (!given.ok) throw refusal(given.reason)
  return given.value
})
