import * as v from 'valibot'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { pencils } from '../../../usecases/lesson/hold'

const BodySchema = v.strictObject({ down: v.boolean(), slates: v.optional(SomeSlates) })

/** Pencils down or up, for all or for some. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.pause')
  await pencils(all, id, await readJson(event, BodySchema))
  return {}
})
