import * as v from 'valibot'
import { SHARE_BY } from '../../../../core/groups/shareOut'
import { MOST_IN_FRAME } from '../../../../core/handout/settings'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { shareOutLoose } from '../../../usecases/shareOut'

const BodySchema = v.strictObject({
  by: v.picklist(SHARE_BY),
  size: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_IN_FRAME)), MOST_IN_FRAME),
})

/** Whoever is on no frame is shared out over those that are there. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'slate.members')
  return { count: await shareOutLoose(all, id, await readJson(event, BodySchema)) }
})
