import * as v from 'valibot'
import { storedText } from '../../../../../core/text/stored'
import { idParam, LARGEST, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { actorOf, requireRight } from '../../../../http/session'
import { roleOnClass } from '../../../../rights/roles'
import { services } from '../../../../services'
import { addStudents } from '../../../../usecases/classes'

const List = v.object({ list: storedText(100_000) })

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(db, await actorOf(event), id), 'class.change')
  const { list } = await readJson(event, List, LARGEST.list)
  const added = await addStudents(db, id, list)
  if (!added.ok) throw refusal('bad-names', JSON.stringify(added.reason.filter(row => row.problem)))
  return added.value
})
