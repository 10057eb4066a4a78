import { tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { tryOnce } from '../../http/limits'

/**
 * The names behind a class code: what a child at a shared tablet needs to find itself, and no more. Of a class that
 * whoever comes is on, no names: everybody types their own.
 */
export default answering('POST /api/join', async ({ event, body: { code }, all: { db, limits }, refuse }) => {
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
  if (found === 'too-often') throw refuse('too-often')
  if (!found) throw refuse('no-such-code')
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
