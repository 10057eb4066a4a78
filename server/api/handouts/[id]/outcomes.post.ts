import * as v from 'valibot'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { verdictsOn } from '../../../usecases/outcomes'

/** What the keys say of slates of a handout as they are now: of all of them, or of some. Nothing is changed. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  const { slates } = await readJson(event, v.object({ slates: v.optional(SomeSlates) }))
  return verdictsOn(all, id, slates)
})
