import * as v from 'valibot'
import { DecisionNameSchema } from '../../../../core/keys/mark'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { alsoRight } from '../../../usecases/answers'

const AlsoRight = v.object({
  item: DecisionNameSchema,
  /** On which what was done is right as well. */
  slate: v.pipe(v.string(), v.uuid(), v.toLowerCase()),
  /** Without it, it is only said what would change. */
  apply: v.boolean(),
  /** Also on the board that the handout came from. */
  shelf: v.optional(v.boolean(), false),
})

/** What was done about an item on one slate is right as well, for the whole handout. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.correct')
  const done = await alsoRight(all, id, await readJson(event, AlsoRight))
  if (!done.ok) throw refusal(done.reason)
  return done.value
})
