import * as v from 'valibot'
import { requireRightOnSlate } from '../../../http/onSlate'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { hideHeading } from '../../../usecases/beginning'

/** A teacher keeps the heading of an own page from the others, or lets them see it again. */
export default defineEventHandler(async event => {
  const { all, id, who } = await requireRightOnSlate(event, 'slate.hide')
  if (who.kind !== 'page') throw refusal('not-now')
  const { hidden } = await readJson(event, v.object({ hidden: v.boolean() }), LARGEST.anybody)
  await hideHeading(all, id, hidden)
  return {}
})
