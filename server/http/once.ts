import { getRequestHeader, type H3Event } from 'h3'
import { sql, type Transaction } from 'kysely'
import type { Database } from '../database/tables'
import { services } from '../services'
import { refusal } from './refuse'

const KEY = /^[A-Za-z0-9_-]{8,80}$/
const KEPT_DAYS = 2

/**
 * Something that a teacher asks for is done once for each key (the header Idempotency-Key), however often it is asked,
 * and answered alike each time. Work and key are one transaction: either both are there, or neither. A refusal keeps no
 * key.
 */
export async function once<T extends object>(
  event: H3Event,
  teacher: string,
  work: (trx: Transaction<Database>) => Promise<T>,
): Promise<T> {
  const { db } = await services()
  const key = getRequestHeader(event, 'idempotency-key')
  if (key !== undefined && !KEY.test(key))
    throw refusal('bad-request', 'Idempotency-Key: 8 to 80 letters, digits, - or _.')
  return db.transaction().execute(async trx => {
    if (key === undefined) return work(trx)
    await trx
      .deleteFrom('answered_requests')
      .where('teacher_id', '=', teacher)
      .where('at', '<', sql<Date>`now() - make_interval(days => ${KEPT_DAYS})`)
      .execute()
    // Whoever comes second with a key waits here until the first has done it, or failed.
    const first = await trx
      .insertInto('answered_requests')
      .values({ teacher_id: teacher, key, answer: null })
      .onConflict(c => c.doNothing())
      .returning('key')
      .executeTakeFirst()
    if (!first) {
      const { answer } = await trx
        .selectFrom('answered_requests')
        .select('answer')
        .where('teacher_id', '=', teacher)
        .where('key', '=', key)
        .executeTakeFirstOrThrow()
      return answer as T
    }
    const answer = await work(trx)
    await trx
      .updateTable('answered_requests')
      .set({ answer: JSON.stringify(answer) })
      .where('teacher_id', '=', teacher)
      .where('key', '=', key)
      .execute()
    return answer
  })
}
