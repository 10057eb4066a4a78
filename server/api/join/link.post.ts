import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { addressOf } from '../../http/address'
import { tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { startSession } from '../../http/session'
import { services } from '../../services'

/** A student comes in by their personal link, without typing anything. */
export default defineEventHandler(async event => {
  const { link } = await readJson(event, v.object({ link: storedText(40) }), LARGEST.anybody)
  const { db, limits } = await services()
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
  if (found === 'too-often') throw refusal('too-often')
  if (!found) throw refusal('no-such-link')
  await startSession(event, { student_id: found.id })
  return { kind: 'student', id: found.id, name: found.name }
})
