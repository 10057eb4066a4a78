import type { Kysely } from 'kysely'
import type { Edition } from '../../core/board/edition'
import { carry } from '../../core/slate/carry'
import { wholeState } from '../../core/slate/state'
import { canBeginAgain, type SlateStatus } from '../../core/slate/status'
import { ok, refuse, type Result } from '../../core/result'
import { loadStates } from '../database/loadState'
import type { Database } from '../database/tables'
import { withNews, type WithNews } from '../news/wire'
import type { Services } from '../services'
import { reviewOf } from './review'
import { rulesOf } from './together'

type Told = Pick<Services, 'db' | 'wire' | 'engine'>
const MOST_TRIES = 50

/**
 * A new try on the same slate: what was made stays, and goes on from there; how it was is kept beside it, with the
 * review it had. A student may where the handout's rules say so, a teacher always.
 */
export const beginAgain = (services: Told, slate: string, staff: boolean) =>
  withNews(services, (trx, news) => beginAgainWithin({ trx, news }, services, slate, staff))

/** The same as a part of what else is done with it. */
export async function beginAgainWithin(
  { trx, news }: WithNews,
  { engine }: Pick<Told, 'engine'>,
  slate: string,
  staff: boolean,
): Promise<Result<SlateStatus, 'not-now' | 'unreadable'>> {
  const row = await trx
    .selectFrom('slates')
    .select(['status', 'handout_id', 'edition_hash', 'last_number'])
    .where('id', '=', slate)
    .forUpdate()
    .executeTakeFirstOrThrow()
  if (!canBeginAgain(row.status) || (!staff && !(await rulesOf(trx, slate)).secondTry)) return refuse('not-now')
  const loaded = (
    await loadStates(trx, engine.editions, [{ id: slate, edition: row.edition_hash, last: row.last_number }])
  ).get(slate)
  if (!loaded) return refuse('unreadable')
  const { count } = await trx
    .selectFrom('tries')
    .select(eb => eb.fn.countAll<string>().as('count'))
    .where('slate_id', '=', slate)
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST_TRIES) return refuse('not-now')
  const { decisions, comment, points, levels, alone } = await reviewOf(trx, slate)
  await trx
    .insertInto('tries')
    .values({
      slate_id: slate,
      turn: Number(count) + 1,
      number: row.last_number,
      edition_hash: row.edition_hash,
      state: JSON.stringify(loaded.state),
      review: row.status === 'handed-back' ? JSON.stringify({ decisions, comment, points, levels, alone }) : null,
    })
    .execute()
  // What is decided next is about the next try.
  await trx.deleteFrom('reviews').where('slate_id', '=', slate).execute()
  await trx
    .updateTable('slates')
    .set({ status: 'under-way', handed_in_at: null, handed_back_at: null, collected_at: null, said: null })
    .where('id', '=', slate)
    .execute()
  await trx.updateTable('slate_members').set({ done_at: null }).where('slate_id', '=', slate).execute()
  news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'status' })
  return ok('under-way')
}

/** A student takes back what was handed in, as long as nobody has begun to look at it. */
export function takeBackHandedIn(
  { db, wire }: Pick<Services, 'db' | 'wire'>,
  slate: string,
): Promise<Result<SlateStatus, 'not-now' | 'looked-at'>> {
  return withNews({ db, wire }, async (trx, news) => {
    const { status, handout_id, handed_in_at } = await trx
      .selectFrom('slates')
      .select(['status', 'handout_id', 'handed_in_at'])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (status !== 'handed-in' || !(await rulesOf(trx, slate)).takeBack) return refuse('not-now')
    const reviewed = await trx.selectFrom('reviews').select('slate_id').where('slate_id', '=', slate).executeTakeFirst()
    const noted = await trx
      .selectFrom('margins')
      .select('id')
      .where('slate_id', '=', slate)
      .where('removed_at', 'is', null)
      .$if(handed_in_at !== null, query => query.where('at', '>=', handed_in_at!))
      .limit(1)
      .executeTakeFirst()
    if (reviewed || noted) return refuse('looked-at')
    await trx
      .updateTable('slates')
      .set({ status: 'under-way', handed_in_at: null, collected_at: null })
      .where('id', '=', slate)
      .execute()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'status' })
    return ok('under-way')
  })
}

/** The try before this one as it lies over the edition that lies under the slate now; null for a first. */
export async function tryBefore(db: Kysely<Database>, engine: Services['engine'], slate: string, edition: Edition) {
  const row = await db
    .selectFrom('tries')
    .select(['state', 'edition_hash', 'review', 'ended_at', 'turn'])
    .where('slate_id', '=', slate)
    .orderBy('turn', 'desc')
    .limit(1)
    .executeTakeFirst()
  if (!row) return null
  const from = await engine.editions.get(db, row.edition_hash)
  return {
    turn: row.turn,
    endedAt: row.ended_at,
    review: row.review,
    state: carry(wholeState(row.state), from, edition).state,
  }
}
