import type { Kysely } from 'kysely'
import type { Timer, TimerEnd, TimerSetting } from '../../../core/lesson/timer'
import { LONGEST_TIMER } from '../../../core/lesson/timer'
import { clockOf } from '../../database/clock'
import type { Database } from '../../database/tables'
import { log } from '../../log'
import type { News } from '../../news/news'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'
import { collectSlates, pauseHandout, type Trx } from './hold'

type Told = Pick<Services, 'db' | 'wire'>

/** The timer of a handout at a moment; null where none was set. */
export async function timerOf(db: Kysely<Database>, handout: string, asOf?: Date): Promise<Timer | null> {
  const row = await db
    .selectFrom('timers')
    .select(['ends_at', 'countdown_s', 'at_end', 'on_slates'])
    .where('handout_id', '=', handout)
    .executeTakeFirst()
  if (!row) return null
  const now = asOf ?? (await clockOf(db))
  return {
    left: Math.max(0, row.ends_at.getTime() - now.getTime()),
    countdown: row.countdown_s,
    atEnd: row.at_end,
    onSlates: row.on_slates,
  }
}

/** Sets the timer of a handout, in the place of one that there is; null takes it away, with nothing more to come. */
export async function setTimer(
  services: Told & Pick<Services, 'jobs'>,
  handout: string,
  timer: TimerSetting | null,
  asOf?: Date,
): Promise<void> {
  await withNews(services, async (trx, news) => {
    await lockHandout(trx, handout)
    await trx.deleteFrom('timers').where('handout_id', '=', handout).execute()
    if (timer) {
      const { seconds, countdown, atEnd, onSlates } = timer
      const ends = new Date((asOf ?? (await clockOf(trx))).getTime() + seconds * 1000)
      await trx
        .insertInto('timers')
        .values({ handout_id: handout, ends_at: ends, countdown_s: countdown, at_end: atEnd, on_slates: onSlates })
        .execute()
      await services.jobs.at(trx, ends, { name: 'end-timer', about: handout })
    }
    news.push({ scope: 'handout', handout, changed: 'lesson' })
  })
  if (timer) endWhenItIsTime(services, handout, timer.seconds * 1000)
}

/**
 * So many seconds more; of one that is over, from now on. Pencils that it put down are up again; what it handed in
 * stays handed in. Never longer than a timer may be. False where there is none.
 */
export async function extendTimer(
  services: Told & Pick<Services, 'jobs'>,
  handout: string,
  seconds: number,
  asOf?: Date,
): Promise<boolean> {
  const left = await withNews(services, async (trx, news) => {
    await lockHandout(trx, handout)
    const row = await trx
      .selectFrom('timers')
      .select(['ends_at', 'at_end', 'done_at'])
      .where('handout_id', '=', handout)
      .executeTakeFirst()
    if (!row) return null
    const now = asOf ?? (await clockOf(trx))
    const from = Math.max(row.ends_at.getTime(), now.getTime())
    const until = new Date(Math.min(from + seconds * 1000, now.getTime() + LONGEST_TIMER * 1000))
    await trx.updateTable('timers').set({ ends_at: until, done_at: null }).where('handout_id', '=', handout).execute()
    if (row.done_at && row.at_end === 'pencils-down') await pauseHandout(trx, news, handout, false)
    await services.jobs.at(trx, until, { name: 'end-timer', about: handout })
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return until.getTime() - now.getTime()
  })
  if (left === null) return false
  endWhenItIsTime(services, handout, left)
  return true
}

/** What comes at the end of a timer, by what was set. */
const ENDS: { readonly [End in TimerEnd]: (trx: Trx, news: News[], handout: string) => Promise<unknown> } = {
  nothing: async () => {},
  'pencils-down': (trx, news, handout) => pauseHandout(trx, news, handout, true),
  'hand-in': (trx, news, handout) => collectSlates(trx, news, handout),
}

/**
 * Does what was set to come at the end, once, however often and by however many processes it is asked; false while it
 * isn't over, or where there is nothing more to come.
 */
export function endTimer(services: Told, handout: string, asOf?: Date): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    await lockHandout(trx, handout)
    const row = await trx
      .selectFrom('timers')
      .select(['ends_at', 'at_end', 'done_at'])
      .where('handout_id', '=', handout)
      .executeTakeFirst()
    const now = asOf ?? (await clockOf(trx))
    if (!row || row.done_at || row.ends_at > now) return false
    await trx.updateTable('timers').set({ done_at: now }).where('handout_id', '=', handout).execute()
    await ENDS[row.at_end](trx, news, handout)
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return true
  })
}

/**
 * To the second by the process in which it was set. Should that be gone by then, the job does it that stands in the
 * database, as soon as a process looks.
 */
function endWhenItIsTime(services: Told, handout: string, wait: number): void {
  setTimeout(() => {
    endTimer(services, handout).catch((error: unknown) => log.warn({ error: String(error) }, 'a timer was not ended'))
  }, wait).unref()
}

const lockHandout = (trx: Trx, handout: string) =>
  trx.selectFrom('handouts').select('id').where('id', '=', handout).forUpdate().executeTakeFirstOrThrow()
