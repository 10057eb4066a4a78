import * as v from 'valibot'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { handBackFor } from '../../../usecases/handBack'

const BodySchema = v.strictObject({ again: v.optional(v.boolean(), false), slates: v.optional(SomeSlates) })

/** Hands back what was handed in, all of it or some; with `again` each is gone on with, in another try. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.review')
  const { again, slates } = await readJson(event, BodySchema)
  return { count: await handBackFor(all, id, { again, some: slates }) }
})
