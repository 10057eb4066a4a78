import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { tryOnce } from '../../http/limits'
import { startSession } from '../../http/session'

/** A student comes in by their personal link, without typing anything. */
export default answering('POST /api/join/link', async ({ event, body: { link }, all: { db, limits }, refuse }) => {
  const found = await tryOnce(
    { slowed: [{ limiter: limits.address, key: addressOf(event) }] },
    async () =>
      (await db
        .selectFrom('students')
        .innerJoin('classes', 'classes.id', 'students.class_id')
        .select(['students.id', 'students.name'])
        .where('students.link', '=', link)
        .where('students.left_at', 'is', null)
        .where('classes.put_away_at', 'is', null)
        .executeTakeFirst()) ?? null,
  )
  if (found === 'too-often') throw refuse('too-often')
  if (!found) throw refuse('no-such-link')
  await startSession(event, { student_id: found.id })
  return { kind: 'student' as const, id: found.id, name: found.name }
})
