import * as v from 'valibot'
import { tidyClassCode } from '../../../core/roster/picturePassword'
import { countFailure, mayTry } from '../../http/limits'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { services } from '../../services'

const Join = v.object({ code: v.pipe(v.string(), v.maxLength(40)) })

/** The names behind a class code: what a child at a shared tablet needs to find itself, and no more. */
export default defineEventHandler(async (event) => {
  const { code } = await readJson(event, Join)
  const { db, limits } = await services()
  const address = getRequestIP(event) ?? 'unknown'
  if (!await mayTry(limits.code, address)) throw refusal('too-often')
  const found = await db.selectFrom('classes').select(['id', 'name', 'code']).where('code', '=', tidyClassCode(code)).executeTakeFirst()
  if (!found) {
    await countFailure(limits.code, address)
    throw refusal('no-such-code')
  }
  const students = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', found.id).orderBy('name_folded').execute()
  return { name: found.name, code: found.code, students }
})
