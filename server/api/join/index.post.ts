import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { services } from '../../services'

const Join = v.object({ code: storedText(40) })

/**
 * The names behind a class code: what a child at a shared tablet needs to find itself, and no more. Of a class that
 * whoever comes is on, no names: everybody types their own.
 */
export default defineEventHandler(async event => {
  const { code } = await readJson(event, Join, LARGEST.anybody)
  const { db, limits } = await services()
  const found = await tryOnce(
    { slowed: [{ limiter: limits.address, key: addressOf(event) }] },
    async () =>
      (await db
        .selectFrom('classes')
        .select(['id', 'name', 'code', 'newcomers'])
        .where('code', '=', tidyClassCode(code))
        .where('put_away_at', 'is', null)
        .where(eb => eb.or([eb('newcomers', 'is', null), eb('newcomers', '=', 'open')]))
        .executeTakeFirst()) ?? null,
  )
  if (found === 'too-often') throw refusal('too-often')
  if (!found) throw refusal('no-such-code')
  if (found.newcomers) return { name: found.name, code: found.code, newcomers: true, students: [] }
  const students = await db
    .selectFrom('students')
    .select(['id', 'name'])
    .where('class_id', '=', found.id)
    .where('left_at', 'is', null)
    .orderBy('name_folded')
    .execute()
  return { name: found.name, code: found.code, newcomers: false, students }
})
