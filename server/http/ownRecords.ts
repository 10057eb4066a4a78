import type { H3Event } from 'h3'
import type { Records } from '../records/records'
import { services } from '../services'
import { mayAsk } from './limits'
import { refusal } from './refuse'
import { requireTeacher } from './session'

/**
 * The school's records, for a teacher who has proven the address by which the records know them: anybody may make an
 * account with any address, and must not be given children's names for it.
 */
export async function ownRecords(event: H3Event): Promise<{ records: Records; email: string }> {
  const { id } = await requireTeacher(event)
  const { db, limits, records } = await services()
  if (!records) throw refusal('no-records')
  const { email, email_proven_at } = await db
    .selectFrom('teachers')
    .select(['email', 'email_proven_at'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  if (!email_proven_at) throw refusal('unproven')
  if (!(await mayAsk(limits.records, id))) throw refusal('too-often')
  return { records, email }
}
