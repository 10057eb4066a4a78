import { sql, type Kysely } from 'kysely'
import type { Nudge, NudgeSent } from '../../../core/lesson/nudge'
import { ok, refuse, type Result } from '../../../core/result'
import type { Database } from '../../database/tables'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'
import { noteSentence } from '../sentences'

type Db = Kysely<Database>
type Told = Pick<Services, 'db' | 'wire'>

/** Of one handout. */
const MOST_NUDGES = 10_000
/** What was seen so long ago is past. */
const SHOWN_TO_TEACHER = '10 minutes'
/** What was said in another lesson isn't said any more. */
const SAID_FOR = '3 hours'
const MOST_AT_ONCE = 5

/**
 * Says a word to those who are at work, to all of them or to some. How many slates it went to; those that are handed in
 * get none.
 */
export function nudge(
  services: Told,
  handout: string,
  { teacher, words, slates }: { teacher: string; words: string; slates?: readonly string[] | undefined },
): Promise<Result<number, 'full'>> {
  return withNews(services, async (trx, news) => {
    const to = await trx
      .selectFrom('slates')
      .select('id')
      .where('handout_id', '=', handout)
      .where('status', 'in', ['not-opened', 'under-way'])
      .$if(slates !== undefined, query => query.where('id', 'in', slates!))
      .execute()
    const { count } = await trx
      .selectFrom('nudges')
      .select(eb => eb.fn.countAll<string>().as('count'))
      .where('handout_id', '=', handout)
      .executeTakeFirstOrThrow()
    if (Number(count) + to.length > MOST_NUDGES) return refuse('full')
    if (to.length === 0) return ok(0)
    await trx
      .insertInto('nudges')
      .values(to.map(({ id }) => ({ slate_id: id, handout_id: handout, teacher_id: teacher, words })))
      .execute()
    await noteSentence(trx, teacher, words)
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return ok(to.length)
  })
}

/** What was said to a slate and not seen, the first first. */
export function nudgesFor(db: Db, slate: string): Promise<Nudge[]> {
  return db
    .selectFrom('nudges')
    .select(['id', 'words'])
    .where('slate_id', '=', slate)
    .where('seen_at', 'is', null)
    .where(sql<boolean>`at > now() - ${SAID_FOR}::interval`)
    .orderBy('at')
    .limit(MOST_AT_ONCE)
    .execute()
}

/** For the teacher: what was said last to each slate, as long as it isn't past. */
export async function nudgesOf(db: Db, handout: string): Promise<NudgeSent[]> {
  const rows = await db
    .selectFrom('nudges')
    .distinctOn('slate_id')
    .select(['slate_id as slate', 'words', 'seen_at'])
    .where('handout_id', '=', handout)
    .where(sql<boolean>`at > now() - ${SHOWN_TO_TEACHER}::interval`)
    .orderBy('slate_id')
    .orderBy('at', 'desc')
    .execute()
  return rows.map(({ seen_at, ...row }) => ({ ...row, seen: seen_at !== null }))
}

/** Somebody whose slate it is has seen it. */
export function nudgeSeen(services: Told, slate: string, nudge: string): Promise<void> {
  return withNews(services, async (trx, news) => {
    const changed = await trx
      .updateTable('nudges')
      .set({ seen_at: new Date() })
      .where('id', '=', nudge)
      .where('slate_id', '=', slate)
      .where('seen_at', 'is', null)
      .returning('handout_id')
      .executeTakeFirst()
    if (changed) news.push({ scope: 'handout', handout: changed.handout_id, changed: 'lesson' })
  })
}
