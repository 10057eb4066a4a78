import type { Kysely } from 'kysely'
import { dueMoment } from '../../core/handout/due'
import type { Due } from '../../core/handout/settings'
import { ok, refuse, type Result } from '../../core/result'
import type { SlateStatus } from '../../core/slate/status'
import { clockOf, NOW } from '../database/clock'
import type { Database } from '../database/tables'
import { isAway } from '../http/errors'
import { log } from '../log'
import { withNews, type WithNews } from '../news/wire'
import type { Services } from '../services'
import { handBackWithin } from './openness'
import { commentOn } from './review'
import { beginAgainWithin } from './tries'

type Told = Pick<Services, 'db' | 'wire' | 'engine'>

/** To be read; with `again` to be gone on with, in another try. What was handed back before can be asked for again. */
export const handBackOne = (services: Told, slate: string, again: boolean) =>
  withNews(services, (trx, news) => goesBack({ trx, news }, services, slate, { again }))

/** With the word to its students: all of it, or nothing. */
async function goesBack(
  within: WithNews,
  { engine }: Pick<Told, 'engine'>,
  slate: string,
  { again, word }: { readonly again: boolean; readonly word?: { readonly teacher: string; readonly words: string } },
): Promise<Result<{ status: SlateStatus; said: boolean }, SlateStatus | 'not-now' | 'unreadable'>> {
  const done = await handBackWithin(within, slate)
  if (!done.ok && !(again && done.reason === 'handed-back')) return done
  const said = !word?.words || (await commentOn(within.trx, [slate], word)) > 0
  if (!again) return ok({ status: 'handed-back', said })
  const begun = await beginAgainWithin(within, { engine }, slate, true)
  return begun.ok ? ok({ status: begun.value, said }) : begun
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
  handing: HandingBack,
): Promise<{ count: number; unsaid: number; failed: number }> {
  const done = await handBackEach(services, await handedIn(services.db, handout, handing), teacher, handing)
  // What could not go back by itself may have gone by hand.
  const due = await dueOf(services.db, handout)
  if (due) await endIfGone(services.db, handout, due)
  return done
}

/** Those of a handout that are handed in, by some moment or at all. */
async function handedIn(
  db: Kysely<Database>,
  handout: string,
  { slates, by }: Pick<HandingBack, 'slates'> & { readonly by?: Date },
): Promise<string[]> {
  const rows = await db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .where('status', '=', 'handed-in')
    .$if(slates !== null, query => query.where('id', 'in', [...slates!]))
    .$if(by !== undefined, query => query.where('handed_in_at', '<=', by!))
    .orderBy('id')
    .execute()
  return rows.map(({ id }) => id)
}

/**
 * Each in one transaction of its own with its word, so that it can be gone on with wherever it was broken off. One that
 * can't go back holds nobody else up.
 */
async function handBackEach(
  services: Told,
  slates: readonly string[],
  teacher: string,
  { again, words }: Pick<HandingBack, 'again' | 'words'>,
): Promise<{ count: number; unsaid: number; failed: number }> {
  let [count, unsaid, failed] = [0, 0, 0]
  for (const slate of slates) {
    try {
      const done = await withNews(services, (trx, news) =>
        goesBack({ trx, news }, services, slate, { again, word: { teacher, words } }),
      )
      if (done.ok) count++
      if (done.ok && !done.value.said) unsaid++
    } catch (error) {
      if (isAway(error)) throw error
      log.error({ error: error instanceof Error ? error.message : error, slate }, 'a slate could not be handed back')
      failed++
    }
  }
  return { count, unsaid, failed }
}

/** What goes back by itself, and when; null where nothing does. */
export const handingBackOf = (db: Kysely<Database>, handout: string) =>
  db
    .selectFrom('hand_backs')
    .select(['at', 'again', 'words', 'slates', 'failed_at'])
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
    if (at <= (await clockOf(trx))) return refuse('past')
    const values = { at, again, words, slates: slates && JSON.stringify(slates), failed_at: null }
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

/** What was put down to go back, once its time has come. */
const dueOf = (db: Kysely<Database>, handout: string) =>
  db
    .selectFrom('hand_backs')
    .innerJoin('handouts', 'handouts.id', 'hand_backs.handout_id')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['hand_backs.at', 'hand_backs.again', 'hand_backs.words', 'hand_backs.slates', 'classes.teacher_id'])
    .where('hand_backs.handout_id', '=', handout)
    .where('hand_backs.at', '<=', NOW)
    .executeTakeFirst()

/** It stands there until none that was meant is handed in any more; how many are. Put down anew, it is another. */
async function endIfGone(
  db: Kysely<Database>,
  handout: string,
  { at, slates }: { readonly at: Date; readonly slates: readonly string[] | null },
): Promise<number> {
  const left = await handedIn(db, handout, { slates, by: at })
  if (left.length === 0)
    await db.deleteFrom('hand_backs').where('handout_id', '=', handout).where('at', '=', at).execute()
  return left.length
}

/**
 * What was put down to go back goes back: not before its time, and each slate once, however often it is asked and
 * wherever it was broken off. Throws where some of it couldn't, to be asked again.
 */
export async function handBackDue(services: Told, handout: string): Promise<void> {
  const { db } = services
  const due = await dueOf(db, handout)
  if (!due) return
  const slates = await handedIn(db, handout, { slates: due.slates, by: due.at })
  await handBackEach(services, slates, due.teacher_id, due)
  const left = await endIfGone(db, handout, due)
  if (left === 0) return
  await db
    .updateTable('hand_backs')
    .set({ failed_at: NOW })
    .where('handout_id', '=', handout)
    .where('at', '=', due.at)
    .execute()
  throw new Error(`${left} slates could not be handed back`)
}
