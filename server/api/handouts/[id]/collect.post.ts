import * as v from 'valibot'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { handInFor, letGoOn } from '../../../usecases/lesson/hold'

const BodySchema = v.strictObject({ back: v.optional(v.boolean()), slates: v.optional(SomeSlates) })

/** Hands in for all, or for some, what is under way; with `back` they go on. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.collect')
  const { back, slates } = await readJson(event, BodySchema)
  return { count: await (back ? letGoOn : handInFor)(all, id, slates) }
})
