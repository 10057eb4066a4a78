import * as v from 'valibot'
import { DecisionNameSchema, DecisionSchema } from '../../../../core/keys/mark'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { decideOn } from '../../../usecases/answers'

const Decision = v.object({ item: DecisionNameSchema, verdict: v.nullable(DecisionSchema), slates: SomeSlates })

/** The teacher's word on one item of several slates at once. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  return { slates: await decideOn(all, id, actor.id, await readJson(event, Decision)) }
})
