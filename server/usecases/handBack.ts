import { sql, type Kysely } from 'kysely'
import { dueMoment } from '../../core/handout/due'
import type { Due } from '../../core/handout/settings'
import { ok, refuse, type Result } from '../../core/result'
import type { SlateStatus } from '../../core/slate/status'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { handBack } from './openness'
import { commentOn } from './review'
import { beginAgain } from './tries'

type Told = Pick<Services, 'db' | 'wire' | 'engine'>

/** To be read; with `again` to be gone on with, in another try. What was handed back before can be asked for again. */
export async function handBackOne(
  services: Told,
  slate: string,
  again: boolean,
): Promise<Result<SlateStatus, SlateStatus | 'not-now' | 'unreadable'>> {
  const done = await handBack(services, slate)
  if (!done.ok && !(again && done.reason === 'handed-back')) return done
  if (!again) return ok('handed-back')
  return beginAgain(services, slate, true)
}

/** What is done with the slates of a handout that are handed in. */
export interface HandingBack {
  readonly again: boolean
  /** Put under what was said to each; empty for nothing. */
  readonly words: string
  /** Those meant; null for all. */
  readonly slates: readonly string[] | null
}

/**
 * All slates of a handout that are handed in, or those of them that are named, each under its own lock. How many were
 * handed back, and on how many the words found no room: one that changed meanwhile, or can't be read, is left as it is.
 */
export async function handBackFor(
  services: Told,
  handout: string,
  teacher: string,
  { again, words, slates }: HandingBack,
): Promise<{ count: number; unsaid: number }> {
  const rows = await services.db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .where('status', '=', 'handed-in')
    .$if(slates !== null, query => query.where('id', 'in', [...slates!]))
    .orderBy('id')
    .execute()
  let [count, unsaid] = [0, 0]
  for (const { id } of rows) {
    const said = words === '' || (await commentOn(services.db, [id], { teacher, words })) > 0
    if (!said) unsaid++
    if ((await handBackOne(services, id, again)).ok) count++
  }
  return { count, unsaid }
}

/** What goes back by itself, and when; null where nothing does. */
export const handingBackOf = (db: Kysely<Database>, handout: string) =>
  db
    .selectFrom('hand_backs')
    .select(['at', 'again', 'words', 'slates'])
    .where('handout_id', '=', handout)
    .executeTakeFirst()

/** Puts down that slates go back at that moment where the class is; what was put down before is so no longer. */
export function handBackLater(
  { db, jobs }: Pick<Services, 'db' | 'jobs'>,
  handout: string,
  when: Due,
  { again, words, slates }: HandingBack,
): Promise<Result<{ at: Date }, 'past'>> {
  return db.transaction().execute(async trx => {
    const { time_zone } = await trx
      .selectFrom('handouts')
      .innerJoin('classes', 'classes.id', 'handouts.class_id')
      .select('classes.time_zone')
      .where('handouts.id', '=', handout)
      .executeTakeFirstOrThrow()
    const at = dueMoment(when, time_zone)
    if (at <= new Date()) return refuse('past')
    const values = { at, again, words, slates: slates && JSON.stringify(slates) }
    await trx
      .insertInto('hand_backs')
      .values({ handout_id: handout, ...values })
      .onConflict(c => c.column('handout_id').doUpdateSet(values))
      .execute()
    await jobs.at(trx, at, { name: 'hand-back', about: handout })
    return ok({ at })
  })
}

/** Nothing goes back by itself any more. */
export const dropHandBack = (db: Kysely<Database>, handout: string) =>
  db.deleteFrom('hand_backs').where('handout_id', '=', handout).execute()

/** What was put down to go back goes back: once, however often it is asked, and not before its time. */
export async function handBackDue(services: Told, handout: string): Promise<void> {
  const due = await services.db
    .deleteFrom('hand_backs')
    .using('handouts')
    .whereRef('handouts.id', '=', 'hand_backs.handout_id')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .where('hand_backs.handout_id', '=', handout)
    // By the database's clock, as the job's own time is.
    .where('hand_backs.at', '<=', sql<Date>`now()`)
    .returning(['hand_backs.again', 'hand_backs.words', 'hand_backs.slates', 'classes.teacher_id'])
    .executeTakeFirst()
  if (due) await handBackFor(services, handout, due.teacher_id, due)
}
