import * as v from 'valibot'
import { DueSchema, LOOKING, WORD_LONGEST } from '../../../core/handout/settings'
import { RulesSchema } from '../../../core/handout/rules'
import { storedText } from '../../../core/text/storedText'
import { idParam, readJson } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnHandout } from '../../rights/roles'
import { services } from '../../services'
import { changeHandout, switchHandout } from '../../usecases/openness'

const Change = v.strictObject({
  word: v.optional(v.pipe(storedText(WORD_LONGEST), v.trim())),
  due: v.optional(v.nullable(DueSchema)),
  handIn: v.optional(v.boolean()),
  looking: v.optional(v.picklist(LOOKING)),
  rules: v.optional(RulesSchema),
  closed: v.optional(v.boolean()),
})

/** What may still be changed once it is given out. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const role = await roleOnHandout(all.db, await actorOf(event), id)
  requireRight(role, 'handout.correct')
  const { closed, ...change } = await readJson(event, Change)
  if (closed !== undefined) {
    requireRight(role, 'handout.close')
    await switchHandout(all, id, 'closed_at', closed)
  }
  await changeHandout(all, id, change)
  return {}
})
