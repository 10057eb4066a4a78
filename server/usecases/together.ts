import type { Kysely } from 'kysely'
import * as v from 'valibot'
import { RulesSchema, type Rules } from '../../core/handout/rules'
import { canMove } from '../../core/slate/status'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { withNews } from '../news/wire'
import type { Services } from '../services'
import { BELIEVED_FOR_MS } from '../sync/openSlates'

type Db = Kysely<Database>

/** The rules of the handout that a slate is from. */
export async function rulesOf(db: Db, slate: string): Promise<Rules> {
  const { rules } = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select('handouts.rules')
    .where('slates.id', '=', slate)
    .executeTakeFirstOrThrow()
  return v.parse(RulesSchema, rules)
}

/** A member says to be done, or not yet after all. Refused where the slate is handed in. */
export function sayDone(
  services: Pick<Services, 'db' | 'wire'>,
  slate: string,
  student: string,
  done: boolean,
): Promise<Result<null, 'not-now'>> {
  return withNews(services, async (trx, news) => {
    const { status, handout_id } = await trx
      .selectFrom('slates')
      .select(['status', 'handout_id'])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (!canMove(status)) return refuse('not-now')
    await trx
      .updateTable('slate_members')
      .set({ done_at: done ? new Date() : null })
      .where('slate_id', '=', slate)
      .where('student_id', '=', student)
      .where('until_at', 'is', null)
      .execute()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'words' })
    return ok(null)
  })
}

/**
 * Help is asked for on a slate, or no longer, by who works on it. A hand that is up stays up since when it was. Refused
 * where the slate is handed in.
 */
export function raiseHand(
  services: Pick<Services, 'db' | 'wire'>,
  slate: string,
  up: boolean,
): Promise<Result<null, 'not-now'>> {
  return withNews(services, async (trx, news) => {
    const { status, handout_id, hand_at } = await trx
      .selectFrom('slates')
      .select(['status', 'handout_id', 'hand_at'])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (up && !canMove(status)) return refuse('not-now')
    if (up === (hand_at !== null)) return ok(null)
    await trx
      .updateTable('slates')
      .set({ hand_at: up ? new Date() : null })
      .where('id', '=', slate)
      .execute()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'words' })
    return ok(null)
  })
}

/**
 * A teacher has seen what a slate called for: a hand is taken down, and what else it was stays quiet until it is new.
 */
export const markSeen = (services: Pick<Services, 'db' | 'wire'>, slate: string): Promise<void> =>
  withNews(services, async (trx, news) => {
    const { handout_id } = await trx
      .updateTable('slates')
      .set({ seen_at: new Date(), hand_at: null })
      .where('id', '=', slate)
      .returning('handout_id')
      .executeTakeFirstOrThrow()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'words' })
  })

/** Whether anybody but this one works on the slate just now. */
export async function othersAreHere(db: Db, slate: string, student: string): Promise<boolean> {
  const other = await db
    .selectFrom('slates_open')
    .select('student_id')
    .where('slate_id', '=', slate)
    .where('student_id', '<>', student)
    .where('seen_at', '>', new Date(Date.now() - BELIEVED_FOR_MS))
    .limit(1)
    .executeTakeFirst()
  return !!other
}

/**
 * Whether all members but this one who have the slate open have said that they are done: who is away holds nobody up.
 */
export async function othersAreDone(db: Db, slate: string, student: string): Promise<boolean> {
  const waiting = await db
    .selectFrom('slate_members')
    .innerJoin('students', 'students.id', 'slate_members.student_id')
    .innerJoin('slates_open', join =>
      join
        .onRef('slates_open.slate_id', '=', 'slate_members.slate_id')
        .onRef('slates_open.student_id', '=', 'slate_members.student_id'),
    )
    .select('slate_members.student_id')
    .where('slate_members.slate_id', '=', slate)
    .where('slates_open.seen_at', '>', new Date(Date.now() - BELIEVED_FOR_MS))
    .where('slate_members.until_at', 'is', null)
    .where('slate_members.done_at', 'is', null)
    .where('students.left_at', 'is', null)
    .where('slate_members.student_id', '<>', student)
    .limit(1)
    .executeTakeFirst()
  return !waiting
}
