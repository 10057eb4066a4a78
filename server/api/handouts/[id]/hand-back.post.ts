import * as v from 'valibot'
import { LONGEST_COMMENT } from '../../../../core/handout/review'
import { DueSchema } from '../../../../core/handout/settings'
import { storedText } from '../../../../core/text/storedText'
import { SomeSlates } from '../../../../core/contract/fields'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { handBackFor, handBackLater } from '../../../usecases/handBack'

const BodySchema = v.strictObject({
  again: v.optional(v.boolean(), false),
  words: v.optional(v.pipe(storedText(LONGEST_COMMENT), v.trim()), ''),
  slates: v.optional(SomeSlates),
  /** Not now, but at that time where the class is. */
  when: v.optional(DueSchema),
})

/** Hands back what was handed in, all of it or some; with `again` each is gone on with, in another try. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  const { slates = null, when, ...body } = await readJson(event, BodySchema)
  if (!when) return handBackFor(all, id, actor.id, { ...body, slates })
  const later = await handBackLater(all, id, when, { ...body, slates })
  if (!later.ok) throw refusal(later.reason)
  return later.value
})
