import * as v from 'valibot'
import { storedText } from '../../../../core/text/storedText'
import { LARGEST } from '../../../../core/contract/sizes'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireStudent } from '../../../http/session'
import { whoOnSlate } from '../../../rights/hold'
import { services } from '../../../services'
import { nameSlate } from '../../../usecases/beginning'

/** The heading that a student gives an own page. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const { role, kind } = await whoOnSlate(all.db, await requireStudent(event), id)
  requireRight(role, 'slate.name')
  if (kind !== 'page') throw refusal('not-now')
  const { name } = await readJson(event, v.object({ name: v.pipe(storedText(60), v.trim()) }), LARGEST.anybody)
  await nameSlate(all, id, name)
  return {}
})
