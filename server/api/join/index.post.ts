import * as v from 'valibot'
import { storedText } from '../../../core/text/stored'
import { tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { services } from '../../services'

const Join = v.object({ code: storedText(40) })

/** The names behind a class code: what a child at a shared tablet needs to find itself, and no more. */
export default defineEventHandler(async (event) => {
  const { code } = await readJson(event, Join, LARGEST.anybody)
  const { db, limits } = await services()
  const found = await tryOnce({ slowed: [{ limiter: limits.address, key: addressOf(event) }] }, async () =>
    await db.selectFrom('classes').select(['id', 'name', 'code']).where('code', '=', tidyClassCode(code)).executeTakeFirst() ?? null)
  if (found === 'too-often') throw refusal('too-often')
  if (!found) throw refusal('no-such-code')
  const students = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', found.id).where('left_at', 'is', null).orderBy('name_folded').execute()
  return { name: found.name, code: found.code, students }
})
